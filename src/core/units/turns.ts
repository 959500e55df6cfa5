import { fractionParts, partsToText, type NumberParts } from './formatLength.ts';
import { normalise, parseAmount, splitSign, type Refusal } from './amount.ts';

export type ParsedNumber = { ok: true; value: number } | { ok: false; reason: Refusal };

/** Reads a plain number (turns, counts): `3 1/4`, `3.25`, `-1/8`, `3,25`; a trailing "turns" is allowed. */
export function parseTurns(text: string): ParsedNumber {
  const { sign, rest } = splitSign(normalise(text).replace(/\s*turns?$/, ''));
  const amount = parseAmount(rest);
  if (typeof amount === 'string') return { ok: false, reason: amount };
  const value = amount.value.valueOf() * sign;
  return { ok: true, value: value === 0 ? 0 : value };
}

/** Turns to the eighth, as parts for typesetting. */
export function turnParts(turns: number): NumberParts {
  return fractionParts(turns, 8);
}

/** "turn" up to one, else "turns" (none is "0 turns"). */
export function turnWord(turns: number): string {
  const size = Math.abs(turns);
  return size > 1 || size < 1 / 16 ? 'turns' : 'turn';
}

/** Unsigned turns in words: "3 1/4 turns", "1 turn", "1/8 turn". */
export function turnsText(turns: number): string {
  const size = Math.abs(turns);
  return `${partsToText(turnParts(size))} ${turnWord(turns)}`;
}
