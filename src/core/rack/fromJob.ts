import type { Answer } from '../planning/answerShape.ts';
import { ratioOf, setupFrom } from '../lab/fromJob.ts';
import { ringPlaces } from '../lab/rings.ts';
import { benchOf } from '../lab/setup.ts';
import type { CornerId } from '../kinds/corners.ts';
import { adjusterOf } from '../kinds/adjusters/index.ts';
import { isSagJob } from '../document/sagWish.ts';
import { sagEnds } from '../sag/bench.ts';
import { middleOf } from '../sag/schools.ts';
import { plainProblem, type SearchCase, type SearchProblem } from './problem.ts';

/** A collar whose range nobody gave is taken to go this far each way, mm. */
const UNKNOWN_RANGE_MM = 25;
/** A ring is taken to go this far each way on its body, mm. */
const RING_RANGE_MM = 60;

/**
 * What springs a corner of a job needs: its wheel as learnt, what it carries in every load case, where the first is to
 * stand, and how far seat and ring go. Null where nobody has named its springs: nothing is known of its load then.
 */
export function problemFrom(answer: Answer, id: CornerId): SearchProblem | null {
  const setup = setupFrom(answer, id, id);
  const corner = answer.corners.find((one) => one.id === id);
  const document = answer.document.corners[id];
  if (!corner || document.torsion || document.air) return null;
  const sideBySide = adjusterOf(document.fitting).inFork ? 2 : 1;
  if (!setup || isSagJob(answer.document)) return fromBench(answer, id, sideBySide);
  const { travelMm, stop, cases } = setup;
  const bench = benchOf(setup);
  // The body higher by so much leaves the wheel that much less far in its travel.
  const higher = corner.spec.targetMm === null ? 0 : corner.spec.targetMm - corner.specMm;
  const targetMm = Math.min(Math.max(document.sagMm ?? corner.sagMm - higher, 0), travelMm);
  const window = document.sagWindow ?? {
    fromMm: Math.max(targetMm - answer.tolerance.value, 0),
    toMm: Math.min(targetMm + answer.tolerance.value, travelMm),
  };
  const bumpEnd = stop ? travelMm - stop.leftMm : travelMm;
  const free = setup.springs.map(({ freeLengthMm }) => freeLengthMm);
  const known = free.every((mm) => mm !== null);
  const roomNow = free.reduce<number>((sum, mm) => sum + (mm ?? 0), 0) - setup.preloadMm;
  const finite = (mm: number) => (Number.isFinite(mm) ? mm : UNKNOWN_RANGE_MM);
  const ring = bench.ok && setup.rings.length > 0 ? ringPlaces(bench.value, 0) : null;
  const moved = corner.seatBy;
  return {
    ...plainProblem,
    sideBySide,
    travelMm,
    ratio: setup.ratio,
    springRatio: setup.springRatio,
    stop,
    gas: setup.gas,
    targetMm,
    cases: cases.map(({ name, kg }, k): SearchCase =>
      k === 0 ? { name, kg, ...window } : { name, kg, fromMm: 0, toMm: bumpEnd },
    ),
    room: known
      ? {
          leastMm: Math.max(roomNow - Math.max(finite(corner.room.up) - moved, 0), 0),
          mostMm: roomNow + Math.max(finite(-corner.room.down) + moved, 0),
        }
      : plainProblem.room,
    ring:
      ring && ring.fromSeatMm !== null
        ? {
            leastMm: Math.max(ring.fromSeatMm - RING_RANGE_MM, 0),
            mostMm: ring.fromSeatMm + RING_RANGE_MM,
            ...wishAround(ring.ofBump ?? 0.5),
          }
        : plainProblem.ring,
  };
}

/**
 * The same of an end of the sag bench: both sags that are wanted, each with what then stands on it, and its seat as it goes.
 * Null where either sag was never read, or has no window: without both nothing is told of a rate.
 */
function fromBench(answer: Answer, id: CornerId, sideBySide: 1 | 2): SearchProblem | null {
  const end = sagEnds(answer).find((one) => one.id === id);
  const corner = answer.corners.find((one) => one.id === id);
  const { sagMm, sagWindow, staticWindow, stopRows } = answer.document.corners[id];
  const i = answer.machine.corners.indexOf(id);
  const { outcome } = answer.predictAt(answer.specifiedAfter);
  const [model, setting] = [outcome.solver.corners[i], outcome.settings[i]];
  if (!end?.needed || !corner || !sagWindow || !staticWindow || !model || !setting) return null;
  return {
    ...plainProblem,
    sideBySide,
    travelMm: end.travelMm,
    ratio: ratioOf(model, setting),
    stop: stopRows && { leftMm: corner.spec.stopMm.value, rows: stopRows },
    gas: answer.document.corners[id].gas,
    cases: [
      { name: 'rider on', kg: end.ridden.kg, ...sagWindow },
      { name: 'nobody on', kg: end.alone.kg, ...staticWindow },
    ],
    targetMm: sagMm ?? middleOf(sagWindow),
    ring: null,
    kinds: { single: true, tender: false, dual: false },
  };
}

/** A ring is wished where it comes today, and may come this much of bump sooner or later. */
const SHARE_RANGE = 0.2;

function wishAround(ofBump: number) {
  const within = (share: number) => Math.min(Math.max(share, 0.05), 0.95);
  const share = within(ofBump);
  return { share, fromShare: within(share - SHARE_RANGE), toShare: within(share + SHARE_RANGE) };
}
