import { part, type Part } from '../calculation/part.ts';
import type { Reason } from '../planning/reasons.ts';
import type { Answer } from '../planning/answerShape.ts';
import type { AtItsEnd, Finding, Severity } from './finding.ts';

/** How grave it is that something stands in the way: what twists or differs by itself is only told. */
const graveness: Record<Reason['kind'], Severity> = {
  thread: 'stop',
  positions: 'stop',
  pressure: 'stop',
  mount: 'stop',
  droop: 'stop',
  'ring-holds': 'stop',
  sag: 'stop',
  cross: 'stop',
  tied: 'stop',
  fixed: 'warn',
  step: 'warn',
  others: 'warn',
  pressed: 'warn',
  ground: 'warn',
  loose: 'warn',
  'rigid-body': 'warn',
};

/** Targets that cannot be had as things are, and why. */
export function unreachables(answer: Answer): Finding[] {
  return answer.reasons.map((reason) => {
    const onGuess = 'guessed' in reason && reason.guessed;
    // What its seat does in a mount's place is had all the same.
    const had = 'met' in reason && reason.met;
    const severity = onGuess ? 'hint' : had ? 'warn' : graveness[reason.kind];
    return {
      code: 'unreachable',
      reason,
      then: atItsEnd(answer, reason),
      severity,
      when: 'after',
      evidence: { parts: partsOf(reason), onGuess },
    };
  });
}

/** share. Cross weight that changes by less is not worth a word. */
const CROSS_SEEN = 0.002;
/** share of a tolerance. Another corner that ends off by more is named. */
const OFF_SHARE = 0.5;

/** What an adjuster that stops short does to weight and to the other corners; null where it does nothing to speak of. */
function atItsEnd({ corners, cross, tolerance, reasons }: Answer, reason: Reason): AtItsEnd | null {
  const stopsShort = reason.kind === 'thread' || reason.kind === 'positions' || reason.kind === 'mount';
  if (!stopsShort) return null;
  const others = corners.flatMap(({ id, spec, specMm }) => {
    const offMm = spec.targetMm === null ? 0 : specMm - spec.targetMm;
    // What stops short itself is told by itself.
    const own = reasons.some((one) => one.kind === reason.kind && one.corner === id);
    return !own && Math.abs(offMm) > OFF_SHARE * tolerance.value ? [{ corner: id, offMm }] : [];
  });
  const shifts = cross !== null && Math.abs(cross.after - cross.now) > CROSS_SEEN;
  if (others.length === 0 && !shifts) return null;
  return { cross: shifts ? { now: cross.now, after: cross.after } : null, others };
}

/** What a reason was worked out from. */
function partsOf(reason: Reason): Part[] {
  switch (reason.kind) {
    case 'thread':
    case 'mount':
      return [
        part('c', reason.neededMm, 'length', 'computed'),
        part('left', reason.roomMm, 'length', 'measured'),
      ];
    case 'droop':
      return [part('above', reason.aboveMm, 'length', reason.guessed ? 'assumed' : 'computed')];
    case 'positions':
    case 'pressure':
    case 'fixed':
    case 'others':
    case 'pressed':
    case 'ring-holds':
      return [part('off', reason.missingHeightMm ?? 0, 'length', 'computed')];
    case 'step':
      return [
        part('off', reason.missingHeightMm, 'length', 'computed'),
        part('step', reason.stepMm, 'length', 'computed'),
      ];
    case 'ground':
      return [part('least', reason.leastMm, 'length', 'sheet')];
    case 'loose':
      return [part('p', -reason.looseMm, 'length', 'computed')];
    case 'sag':
      return [part('off', reason.missingMm, 'length', 'computed')];
    case 'cross':
      return [
        part('share', reason.after, 'percent', 'computed'),
        part('wanted', reason.target, 'percent', 'sheet'),
      ];
    case 'rigid-body':
      return [part('twist', reason.mm, 'length', 'computed')];
    case 'tied':
      return [part('apart', reason.differenceMm, 'length', 'computed')];
  }
}
