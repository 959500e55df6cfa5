import { normalise, parseAmount, splitSign } from './amount.ts';
import type { ParsedNumber } from './turns.ts';

/**
 * Reads a motion ratio as damper per wheel: `0.5`, `1/2`, or wheel : damper as people say it, `2:1`.
 * So `2:1` and `0.5` are the same ratio.
 */
export function parseRatio(text: string): ParsedNumber {
  const plain = normalise(text);
  const [wheelText, damperText, ...more] = plain.split(':').map((part) => part.trim());
  if (more.length > 0) return { ok: false, reason: 'not-a-number' };
  const wheel = parseAmount(wheelText ?? '');
  if (typeof wheel === 'string') return { ok: false, reason: wheel };
  if (damperText === undefined) return { ok: true, value: wheel.value.valueOf() };
  const damper = parseAmount(damperText);
  if (typeof damper === 'string') return { ok: false, reason: damper };
  if (wheel.value.equals(0)) return { ok: false, reason: 'zero-denominator' };
  return { ok: true, value: damper.value.div(wheel.value).valueOf() };
}

/** Reads a plain number without a unit: `1800`, `1.1`, `3/4`, `-2.5`. */
export function parseNumber(text: string): ParsedNumber {
  const { sign, rest } = splitSign(normalise(text));
  const amount = parseAmount(rest);
  if (typeof amount === 'string') return { ok: false, reason: amount };
  const value = sign * amount.value.valueOf();
  return { ok: true, value: value === 0 ? 0 : value };
}
