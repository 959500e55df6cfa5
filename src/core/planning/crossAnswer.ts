import type { Situation } from '../estimate/belief.ts';
import { type CrossAnswer } from './cornerAnswer.ts';
import { extraValue } from './goals.ts';
import { padGoals, type Setting } from './planning.ts';

export function crossOf(
  { document, machine, now, specified, predictAt }: Setting,
  after: Situation,
): CrossAnswer | null {
  const pads = padGoals(machine);
  if (!pads) return null;
  const shareIn = (situation: Situation, of: typeof pads.cross) =>
    extraValue(
      { kind: 'share', ...of, target: 0, weight: 1 },
      predictAt({ ...situation, ...specified }).outcome,
    );
  return {
    now: shareIn(now, pads.cross),
    after: shareIn(after, pads.cross),
    target: document.frontEqual ? null : document.crossTarget,
    frontRight: {
      now: shareIn(now, pads.frontRight),
      after: shareIn(after, pads.frontRight),
      equal: document.frontEqual,
    },
  };
}
