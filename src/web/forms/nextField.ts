const ORDER = 'data-order';

/** The fields around an input in measuring order: those of its nearest `data-fields` group, by `data-order`. */
function orderedFields(input: HTMLElement): HTMLInputElement[] {
  const group = input.closest('[data-fields]') ?? document.body;
  const fields = [...group.querySelectorAll<HTMLInputElement>(`input[${ORDER}]`)].filter(
    (field) => !field.disabled,
  );
  return fields.sort((a, b) => Number(a.getAttribute(ORDER)) - Number(b.getAttribute(ORDER)));
}

/** Moves the focus on (or back) in measuring order and selects what is there; stays at the end. */
export function focusNextField(input: HTMLInputElement, direction: 1 | -1 = 1): void {
  const fields = orderedFields(input);
  const next = fields[fields.indexOf(input) + direction];
  next?.focus();
  next?.select();
}
