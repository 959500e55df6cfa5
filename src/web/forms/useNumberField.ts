import { meantBy } from './meant.ts';
import { useRef } from 'react';
import { useDrafts } from '../jobStore/drafts.ts';
import { useStyleOf } from './useStyleOf.ts';
import { quantities, readWithin, type QuantityName, type Range, type Read } from './quantity.ts';

export interface NumberFieldOptions {
  /** Names the field for its draft: unique in the whole application. */
  draftKey: string;
  label: string;
  value: number | null;
  quantity: QuantityName;
  range: Range;
  /** mm decimals shown. */
  decimals?: number;
  /** Takes the value, and what was typed for it with its unit. */
  onCommit: (value: number | null, typed: string) => void;
  /** Asks about an unlikely value; it is kept all the same. */
  question?: ((value: number) => string | null) | undefined;
}

export type FieldState =
  | { kind: 'empty' }
  | { kind: 'understood'; words: string }
  | { kind: 'questioned'; words: string }
  | { kind: 'refused'; words: string };

/**
 * What is typed and what is meant are two values, joined at commit. Bad input stays in the field with its reason and
 * never touches the last good value.
 */
export function useNumberField(options: NumberFieldOptions) {
  const { draftKey, value, range, onCommit } = options;
  const shown = useStyleOf(options.quantity, options.decimals);
  const quantity = quantities[options.quantity];
  const draft = useDrafts((state) => state.drafts[draftKey]);
  // Half a number keeps the units it was begun in, whatever the page is switched to meanwhile.
  const { system = shown.system, units = shown.units } = draft ?? {};
  const style = { ...shown, system, units };
  const { setDraft, clearDraft } = useDrafts.getState();
  // What the stored value was when typing began: Escape goes back to it.
  const before = useRef(value);

  const text = draft?.text ?? (value === null ? '' : quantity.write(value, style));
  const read: Read | null = text.trim() === '' ? null : readWithin(text, quantity, range, style);

  const type = (next: string) => {
    const meant = meantBy(next, value, { quantity, range, style });
    setDraft(draftKey, {
      text: next,
      value: meant.value,
      typed: withUnit(next.trim(), quantity.unit(style)),
      system,
      units,
      label: options.label,
      refused: meant.kind === 'refused' ? meant.why : null,
    });
  };

  /** True when the field holds something good (or nothing). */
  const commit = (): boolean => {
    const latest = useDrafts.getState().drafts[draftKey];
    if (!latest) return true;
    const meant = meantBy(latest.text, value, { quantity, range, style });
    if (meant.kind === 'refused') return false;
    clearDraft(draftKey);
    if (meant.kind !== 'same') onCommit(meant.value, withUnit(latest.text.trim(), quantity.unit(style)));
    before.current = meant.value;
    return true;
  };

  const nudge = (steps: number) => {
    const from = read?.ok ? read.value : (value ?? range.min);
    const step = quantity.step(style);
    const next = Math.min(Math.max((Math.round(from / step) + steps) * step, range.min), range.max);
    type(quantity.write(next, style));
  };

  return {
    text,
    type,
    commit,
    nudge,
    cancel: () => clearDraft(draftKey),
    state: stateOf(),
    unit: quantity.unit(style),
    /** A value as the field would show it. */
    write: (one: number) => quantity.write(one, style),
    dirty: draft !== undefined,
  };

  function stateOf(): FieldState {
    if (read === null) return { kind: 'empty' };
    if (!read.ok) return { kind: 'refused', words: read.why };
    const exact = exactly(read.value);
    const question = options.question?.(exact) ?? null;
    if (question) return { kind: 'questioned', words: question };
    return { kind: 'understood', words: quantity.echo(exact, style) };
  }

  /** A field left as it is means the value behind it, also where its units show that rounded. */
  function exactly(readValue: number): number {
    const meant = meantBy(text, value, { quantity, range, style });
    return meant.kind === 'same' ? (meant.value ?? readValue) : readValue;
  }
}

/** What was typed, with the unit it was taken in where none was typed; nothing has no unit. */
function withUnit(text: string, unit: string): string {
  return /[a-z"”'′]/i.test(text) || text === '' || unit === '' ? text : `${text} ${unit}`;
}
