import { limits } from '#contract/limits.ts';
import type { JobDocument } from '#core/document/types.ts';
import { cornerSpec } from '#core/estimate/corner.ts';
import { collarNow, type Round } from '#core/estimate/rounds.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { stepOf } from '#core/kinds/adjusters/index.ts';
import { capital } from '../../ui/words.ts';
import type { QuantityName, Range } from '../../forms/quantity.ts';

/** How a seat's move is entered: steps, turns, or the collar reading it stopped at; and back to mm of seat. */
export interface DoneInput {
  label: string;
  quantity: QuantityName;
  decimals: number;
  range: Range;
  shown: (seatMm: number) => number;
  meant: (shown: number) => number;
  /** Asks about what is past the end of good thread; it is kept all the same. */
  question: (shown: number) => string | null;
}

const unasked = () => null;

/**
 * What is asked for at a corner once it was turned in `round`: its steps where it goes in steps, where the collar stopped
 * where a collar was ever read before, else turns.
 */
export function doneInput(
  document: JobDocument,
  rounds: readonly Round[],
  id: CornerId,
  round: number,
): DoneInput {
  const spec = cornerSpec(document, id);
  const step = stepOf(document.corners[id].fitting);
  if (step)
    return {
      label: `${capital(step.many)} done, fewer is −`,
      quantity: 'number',
      decimals: 0,
      range: { min: -20, max: 20 },
      shown: (mm) => mm / spec.stepMm.value,
      meant: (steps) => Math.round(steps) * spec.stepMm.value,
      question: unasked,
    };
  const before = collarNow(rounds.slice(0, round), id, spec.readingSign);
  if (before === null)
    return {
      label: 'Turns done, away is −',
      quantity: 'turns',
      decimals: 1,
      range: { min: limits.moveMm.min / spec.pitchMm.value, max: limits.moveMm.max / spec.pitchMm.value },
      shown: (mm) => mm / spec.pitchMm.value,
      meant: (turns) => turns * spec.pitchMm.value,
      question: unasked,
    };
  const { collarMinMm, collarMaxMm } = spec;
  return {
    label: 'Stopped at',
    quantity: 'size',
    decimals: 1,
    range: limits.collarMm,
    shown: (mm) => before + spec.readingSign * mm,
    meant: (reading) => spec.readingSign * (reading - before),
    question: (reading) =>
      (collarMinMm !== null && reading < collarMinMm) || (collarMaxMm !== null && reading > collarMaxMm)
        ? 'Past the end of good thread. Kept; turn back before the weight goes on.'
        : null,
  };
}
