import type { Answer } from '../planning/answerShape.ts';
import { axleOf, sideOf, type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { Axle } from '../kinds/corners.ts';
import { GRAVITY } from '../machine/solver.ts';
import { simulate } from '../estimate/simulate.ts';
import { meanOf } from '../numerics/mean.ts';

/** What swapping the two pads of an axle has told of them. */
export interface SwapResult {
  axle: Axle;
  left: CornerId;
  right: CornerId;
  /** What the pad that lay left shows over what the other shows of the same weight. */
  ratio: number;
  /** mm that it stands higher than the other. */
  higherMm: number;
  /** What it follows from, kg: left and right of the pair, and of the axle left alone, as first read and once swapped. */
  read: Record<'first' | 'swapped', { left: number; right: number; farLeft: number; farRight: number }>;
  /** kg by which left over right of the axle left alone grows per mm that the left pad of the pair lies higher. */
  farKgPerMm: number;
  /** What the difference in height alone would make of the square of `ratio`. */
  byHeight: number;
}

/**
 * Two pads of one axle swapped, all four read both times. A pad higher by d loads one diagonal before and the other after, and the
 * axle that was left alone shows it: with its left less right D and k = dD/dd by the model, D1 - D2 = 2 k d. What the pads are
 * off from each other follows from the product of both readings of each: (s_A/s_B)^2 = a1 a2 / (b1 b2), corrected for what
 * d moved. Null where anything is not read.
 */
export function swapResult(answer: Answer, axle: Axle): SwapResult | null {
  const round = answer.state.rounds[answer.state.current];
  const swapped = round?.padsSwapped[axle];
  const ids = cornersIn(answer.document);
  const side = (which: Axle, sign: 1 | -1) => ids.find((id) => axleOf(id) === which && sideOf(id) === sign);
  const other: Axle = axle === 'front' ? 'rear' : 'front';
  const [left, right, farLeft, farRight] = [side(axle, 1), side(axle, -1), side(other, 1), side(other, -1)];
  if (!round || !swapped || !left || !right || !farLeft || !farRight) return null;
  const readBy = (of: (id: CornerId) => number) => ({
    left: of(left),
    right: of(right),
    farLeft: of(farLeft),
    farRight: of(farRight),
  });
  const read = {
    first: readBy((id) => (round.pads[id] ? meanOf(round.pads[id]) : NaN)),
    swapped: readBy((id) => swapped[id] ?? NaN),
  };
  const tilt = tiltedBy(answer, left, right);
  const farKgPerMm = tilt(farLeft) - tilt(farRight);
  const told = toldBy(read, farKgPerMm, tilt(left) - tilt(right));
  return Number.isFinite(told.higherMm) && Number.isFinite(told.ratio)
    ? { axle, left, right, ...told, read, farKgPerMm }
    : null;
}

function toldBy({ first, swapped }: SwapResult['read'], farKgPerMm: number, nearKgPerMm: number) {
  const higherMm = (first.farLeft - first.farRight - swapped.farLeft + swapped.farRight) / (2 * farKgPerMm);
  // On the left lay pad A, then B; what its height moved is taken out of each weight.
  const half = (nearKgPerMm * higherMm) / 2;
  const [onLeft, onRight] = [(first.left + swapped.left) / 2, (first.right + swapped.right) / 2];
  const byHeight = ((onLeft + half) / (onLeft - half)) * ((onRight + half) / (onRight - half));
  const ratio = Math.sqrt((first.left * swapped.right) / (first.right * swapped.left) / byHeight);
  return { ratio, higherMm, byHeight };
}

/** kg on each pad per mm that the left pad of a pair stands higher than the right, half up and half down. */
function tiltedBy({ machine, fit, now }: Answer, left: CornerId, right: CornerId): (id: CornerId) => number {
  const { believed, corners } = machine;
  const stand = (mm: number) => {
    const contacts = believed.machine.contacts.map((contact, i) => {
      const sign = corners[i] === left ? 1 : corners[i] === right ? -1 : 0;
      return { ...contact, padMm: contact.padMm + (sign * mm) / 2 };
    });
    return simulate({ ...believed, machine: { ...believed.machine, contacts } }, fit.values, now).solver.pads;
  };
  const [up, down] = [stand(1), stand(-1)];
  return (id) => {
    const i = corners.indexOf(id);
    return ((up[i] ?? 0) - (down[i] ?? 0)) / (2 * GRAVITY);
  };
}
