import type { Answer } from '../planning/answerShape.ts';
import { hardEndOf } from '../document/fitting.ts';
import { marginsFor, type Margin } from '../margins/margins.ts';
import type { CornerDocument, JobDocument, JobRecord } from '../document/types.ts';
import { axleOf, twinOf, type Axle, type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { answerFor } from '../planning/answer.ts';
import { isMoved } from '../planning/cornerAnswer.ts';
import type { Reason } from '../planning/reasons.ts';
import type { Swap, Swaps } from '../planning/swaps.ts';

/** What is done otherwise. */
export type Way =
  | { id: 'plan' | 'seats' }
  /** Left and right of an axle moved alike, or each by itself. */
  | { id: 'sides'; alike: boolean }
  /** This end is left alone. */
  | { id: 'easy'; hardEnd: Axle }
  /** Other springs, by the places they go to: mm longer, or a share stiffer; negative the other way. */
  | { id: 'longer' | 'stiffer'; parts: { where: Axle | CornerId; by: number }[] };

/** One way of getting there, with what it costs. */
export interface Alternative {
  way: Way;
  answer: Answer;
  /** Corners where something is moved. */
  moved: CornerId[];
  /** Furthest from target afterwards, mm; null where no height is asked for. */
  offMm: number | null;
  /** What runs out first. */
  worst: Margin | null;
  /** Whether a part has to be found first. */
  bought: boolean;
}

/** The plan that stands and every other way there is a choice of, the plan first. */
export function alternativesFor(record: JobRecord, plan: Answer): Alternative[] {
  const ways = [seatsOnly(record.document), sidesAlike(record.document), easyEnd(record.document)];
  const others = ways.flatMap((way): Alternative[] => {
    const answer = way && answerFor({ ...record, document: way.document });
    return answer ? [judged(way.way, answer)] : [];
  });
  return [
    judged({ id: 'plan' }, plan),
    ...others.filter(({ answer }) => differs(answer, plan)),
    ...otherSprings(record, plan),
  ];
}

/** A job described as another way would have it. */
interface Changed {
  way: Way;
  document: JobDocument;
}

function judged(way: Way, answer: Answer): Alternative {
  const off = answer.corners.flatMap(({ spec, specMm }) =>
    spec.targetMm === null ? [] : [Math.abs(specMm - spec.targetMm)],
  );
  return {
    way,
    bought: way.id === 'longer' || way.id === 'stiffer',
    answer,
    moved: answer.corners.filter(isMoved).map(({ id }) => id),
    offMm: off.length > 0 ? Math.max(...off) : null,
    worst: marginsFor(answer)[0] ?? null,
  };
}

function differs(one: Answer, other: Answer): boolean {
  return one.corners.some((corner, i) => {
    const twin = other.corners[i];
    return (
      Math.abs(corner.seatBy - (twin?.seatBy ?? 0)) > 0.05 ||
      Math.abs(corner.mountMm - (twin?.mountMm ?? 0)) > 0.05
    );
  });
}

/** Lower mounts, or tubes in their clamps, left as they are. */
function seatsOnly(document: JobDocument): Changed | null {
  const ids = cornersIn(document).filter((id) => document.corners[id].mount !== null);
  if (ids.length === 0) return null;
  return {
    way: { id: 'seats' },
    document: withCorners(document, ids, { mount: null }),
  };
}

function sidesAlike(document: JobDocument): Changed | null {
  const { equalSides } = document;
  if (!cornersIn(document).some(twinOf)) return null;
  return {
    way: { id: 'sides', alike: !equalSides },
    document: { ...document, equalSides: !equalSides },
  };
}

/** The end that means taking things apart is left alone; the easy end does what it can. */
function easyEnd(document: JobDocument): Changed | null {
  const hardEnd = hardEndOf(document);
  if (!hardEnd) return null;
  const ids = cornersIn(document).filter((id) => axleOf(id) === hardEnd && document.corners[id].adjustable);
  if (ids.length === 0) return null;
  return {
    way: { id: 'easy', hardEnd },
    document: withCorners(document, ids, { adjustable: false }),
  };
}

/** The job with something changed at these corners. */
function withCorners(
  document: JobDocument,
  ids: readonly CornerId[],
  change: Partial<CornerDocument>,
): JobDocument {
  const corners = { ...document.corners };
  for (const id of ids) corners[id] = { ...corners[id], ...change };
  return { ...document, corners };
}

/** Where a seat runs out of thread: the spring, or the spacer, that would stand for it. */
function otherSprings(record: JobRecord, plan: Answer): Alternative[] {
  const short = plan.reasons.filter(
    (reason): reason is Extract<Reason, { kind: 'thread' }> => reason.kind === 'thread',
  );
  if (short.length === 0) return [];
  const axles = new Map<string, { longerMm: number; stiffer: number | null }>();
  for (const { corner, spring } of short) {
    const sofar = axles.get(axleOf(corner));
    axles.set(axleOf(corner), {
      longerMm: further(sofar?.longerMm ?? 0, spring.longerMm),
      stiffer: spring.stiffer === null ? null : further(sofar?.stiffer ?? 0, spring.stiffer),
    });
  }
  const swapsFor = (swap: (axle: { longerMm: number; stiffer: number | null }) => Swap | null): Swaps =>
    Object.fromEntries(
      plan.machine.corners.flatMap((id) => {
        const axle = axles.get(axleOf(id));
        const made = axle && swap(axle);
        return made ? [[id, made]] : [];
      }),
    );
  // Springs come in steps of about five millimetres and five percent.
  const longer = swapsFor(({ longerMm }) => ({ longerMm: awayFromZero(longerMm, 5), rateScale: 1 }));
  const stiffer = swapsFor(({ stiffer: share }) =>
    share === null ? null : { longerMm: 0, rateScale: 1 + awayFromZero(share, 0.05) },
  );
  return [
    swapped(record, 'longer', longer, ({ longerMm }) => longerMm),
    swapped(record, 'stiffer', stiffer, ({ rateScale }) => rateScale - 1),
  ].filter((one) => one !== null);
}

function swapped(
  record: JobRecord,
  id: 'longer' | 'stiffer',
  swaps: Swaps,
  by: (swap: Swap) => number,
): Alternative | null {
  const answer = Object.keys(swaps).length > 0 ? answerFor(record, { swaps }) : null;
  if (!answer) return null;
  const parts = (Object.entries(swaps) as [CornerId, Swap][]).map(([corner, swap]) => ({
    where: twinOf(corner) ? axleOf(corner) : corner,
    by: by(swap),
  }));
  const once = parts.filter(
    (one, k) => parts.findIndex(({ where, by: size }) => where === one.where && size === one.by) === k,
  );
  return judged({ id, parts: once }, answer);
}

const further = (a: number, b: number) => (Math.abs(b) > Math.abs(a) ? b : a);
const awayFromZero = (value: number, step: number) =>
  Math.sign(value) * Math.ceil(Math.abs(value) / step) * step;
