import { cornerSpec } from '../estimate/corner.ts';
import { collarNow, type RoundsState } from '../estimate/rounds.ts';
import { type Doubt } from '../estimate/estimate.ts';
import { axleOf, type CornerId } from '../kinds/corners.ts';
import { classDefaults } from '../kinds/classes/index.ts';
import { at, entry } from '../numerics/matrix.ts';
import { wayOf } from '../adjusting/index.ts';
import { type CornerNow, type Setting } from './planning.ts';

/** Whether a collar is taken to stand elsewhere than the record says, and was not read since. */
function isCollarDoubted({ adopted }: Doubt, { rounds }: RoundsState, id: CornerId): boolean {
  return (
    adopted?.code === 'turned-other-way' &&
    adopted.corners.includes(id) &&
    rounds.every(({ round, collars }) => round < adopted.round || collars[id] === undefined)
  );
}

export function cornersNow({
  document,
  state,
  machine,
  read,
  now,
  learnt,
  predictAt,
  doubt,
}: Setting): CornerNow[] {
  const here = predictAt(now);
  const { solver } = here.outcome;
  return read.map((id, r) => {
    const i = machine.corners.indexOf(id);
    const measuredRatio = state.measuredRatio[axleOf(id)];
    const described = cornerSpec(document, id);
    const spec = measuredRatio
      ? { ...described, ratio: { value: measuredRatio.ratio, source: 'measured' as const } }
      : described;
    const collarMm = isCollarDoubted(doubt, state, id) ? null : collarNow(state.rounds, id, spec.readingSign);
    const sources = machine.sources[id];
    const measured = state.rounds.slice(state.base).some(({ travelUsed }) => travelUsed[id] !== undefined);
    const known =
      sources.springs !== 'assumed' && sources.preload !== 'assumed' && sources.load !== 'assumed';
    const source = measured ? 'measured' : known ? 'computed' : 'assumed';
    // Where along its travel it rests is then a guess of the class's, whatever the ratio turns out to be; only what it has
    // moved since it was first read as it is now is known.
    const restMm = classDefaults[document.machine.class].restShare * spec.travelMm.value;
    const travelShiftMm =
      source === 'assumed' ? restMm - entry(learnt.rounds[state.base]?.travel ?? [], i) : 0;
    return {
      id,
      spec,
      travelShiftMm,
      nowMm: entry(here.mean, r),
      nowSdMm: Math.sqrt(at(here.covariance, r, r)),
      gain: 1 / (solver.corners[i]?.ratioAt(solver.z[i] ?? 0) ?? 1),
      travelNow: { value: entry(here.travel, i) + travelShiftMm, source },
      travelSdMm: entry(here.travelSd, i),
      collarMm,
      room: wayOf(document.corners[id]).room({
        corner: document.corners[id],
        spec,
        collarMm,
        seatBy: now.seatsBy[i] ?? 0,
      }),
    };
  });
}
