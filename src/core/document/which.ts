/** Which of several alike a figure is of: by the name that somebody gave it, else by its number, counted from 1. */
export type Which =
  | { by: 'name'; name: string }
  | { by: 'number'; of: 'spring' | 'slider'; number: number }
  /** A cam's positions left over the one chosen. */
  | { by: 'positions'; left: number; all: number };

/** A spring by its name, or by its place in the stack, counted from 0. */
export function springWhich(name: string | undefined, index: number): Which {
  return name ? { by: 'name', name } : { by: 'number', of: 'spring', number: index + 1 };
}

/** The slider after so many springs of the stack. */
export function sliderWhich(after: number): Which {
  return { by: 'number', of: 'slider', number: after + 1 };
}

/** Whether two are the same one. */
export function isSameWhich(a: Which | null, b: Which | null): boolean {
  return whichKey(a) === whichKey(b);
}

/** A text by which one is told from the others of its kind; '' for none. */
export function whichKey(which: Which | null): string {
  if (which === null) return '';
  return which.by === 'name' ? which.name : which.by === 'number' ? `${which.of} ${which.number}` : which.by;
}
