import type { Answer } from '../planning/answerShape.ts';
import type { CornerId } from '../kinds/corners.ts';
import { axleOf } from '../kinds/corners.ts';
import type { RoundsState } from '../estimate/rounds.ts';
import { frictionPrior } from '../estimate/prior.ts';
import { repeatSd } from '../document/repeats.ts';
import { measuredOf, type Entered, type Estimated, type Measured, type Predicted } from './figure.ts';

/** The height of a corner as far as it is known, each figure by its kind; all as the tape reads, offset included. */
export interface CornerHeight {
  /** This round's readings; null until there is one. */
  measured: Measured | null;
  /** What this round should read after what was really done, from all that was read before it; null at the baseline, or where something new was just fitted. */
  predicted: Predicted | null;
  /** What all readings together say it truly is, without friction; null where this round was not read. */
  estimated: Estimated | null;
  /** Whether estimate and measurement differ by more than the reading is good for. */
  differs: boolean;
  target: Entered | null;
}

/** Estimate and reading are told apart where they lie this many standard deviations of the reading apart. */
const DIFFERS = 1;

/** The height of a corner in the round that counts now, or in an earlier one: of that only what was read then. */
export function cornerHeight(answer: Answer, id: CornerId, at?: number): CornerHeight {
  const { state, document, corners } = answer;
  const corner = corners.find((one) => one.id === id);
  const { reference, targetMm } = document.corners[id];
  const isNow = at === undefined || at === state.current;
  const round = state.rounds[at ?? state.current];
  const measured = measuredAt(round, id, reference.offsetMm);
  const estimated: Estimated | null =
    corner && measured && isNow ? { kind: 'estimated', value: corner.nowMm, sd: corner.nowSdMm } : null;
  return {
    measured,
    predicted: isNow ? predictedFor(answer, id) : null,
    estimated,
    differs:
      measured !== null &&
      estimated !== null &&
      Math.abs(measured.value - estimated.value) > DIFFERS * readingSd(answer, id, measured),
    target: targetMm === null ? null : { kind: 'entered', value: targetMm },
  };
}

/** A round's readings at the point that is meant, with what the tape itself read where that is another number. */
function measuredAt(
  round: RoundsState['rounds'][number] | undefined,
  id: CornerId,
  offsetMm: number,
): Measured | null {
  const read = round?.heights[id] ?? [];
  if (offsetMm === 0) return measuredOf(read, round?.heightsTyped[id]);
  const measured = measuredOf(read.map((mm) => mm + offsetMm));
  return measured && { ...measured, onTape: measured.value - offsetMm };
}

/** What so many readings of one round are good for, mm, one standard deviation: the tape's error and what friction leaves. */
function readingSd({ machine }: Answer, id: CornerId, { readings }: Measured): number {
  const contact = machine.believed.machine.contacts[machine.corners.indexOf(id)];
  return Math.hypot(repeatSd(readings) / Math.sqrt(readings.length), frictionPrior(contact?.travelMm ?? 150));
}

function predictedFor(answer: Answer, id: CornerId): Predicted | null {
  if (answer.state.current === answer.state.base) return null;
  const expected = answer.expectedNow()[id];
  return expected ? { kind: 'predicted', value: expected.mm, sd: expected.sdMm } : null;
}

/** Whether an axle was moved and read since: only then can anything have been learnt of it. */
export function hasTaught({ state, document }: Answer, axle: 'front' | 'rear'): boolean {
  const own = Object.keys(document.corners).filter((id) => axleOf(id as CornerId) === axle) as CornerId[];
  return state.rounds.some(({ round, moves, mounts }) => {
    if (round === 0) return false;
    const moved = own.some((id) => (moves[id] ?? 0) !== 0 || (mounts[id] ?? 0) !== 0);
    return (
      moved && own.some((id) => state.rounds.slice(round).some(({ heights, sag }) => heights[id] ?? sag[id]))
    );
  });
}
