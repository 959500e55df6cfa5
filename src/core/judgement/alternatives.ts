import type { Answer } from '../planning/answerShape.ts';
import { hardEndOf } from '../document/fitting.ts';
import { marginsFor, type Margin } from '../margins/margins.ts';
import type { CornerDocument, JobDocument, JobRecord } from '../document/types.ts';
import { axleOf, cornerNames, twinOf, type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { answerFor } from '../planning/answer.ts';
import { isMoved } from '../planning/cornerAnswer.ts';
import type { Reason } from '../planning/reasons.ts';
import type { Swap, Swaps } from '../planning/swaps.ts';

type AlternativeId = 'plan' | 'seats' | 'sides' | 'easy' | 'longer' | 'stiffer';

/** One way of getting there, with what it costs. */
export interface Alternative {
  id: AlternativeId;
  title: string;
  /** What it means, in one line; mm are the springs' own. */
  why: string;
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

/** The plan that stands and every other way there is a choice of, the plan first. `sayMm` writes mm in the reader's units. */
export function alternativesFor(
  record: JobRecord,
  plan: Answer,
  sayMm: (mm: number) => string,
): Alternative[] {
  const ways = [seatsOnly(record.document), sidesAlike(record.document), easyEnd(record.document)];
  const others = ways.flatMap((way): Alternative[] => {
    const answer = way && answerFor({ ...record, document: way.document });
    return way && answer ? [judged(way, answer)] : [];
  });
  return [
    judged({ id: 'plan', title: 'This plan', why: 'as it stands on this page' }, plan),
    ...others.filter(({ answer }) => differs(answer, plan)),
    ...otherSprings(record, plan, sayMm),
  ];
}

type Named = Pick<Alternative, 'id' | 'title' | 'why'>;
type Way = Named & { document: JobDocument };

function judged({ id, title, why }: Named, answer: Answer): Alternative {
  const off = answer.corners.flatMap(({ spec, specMm }) =>
    spec.targetMm === null ? [] : [Math.abs(specMm - spec.targetMm)],
  );
  return {
    id,
    title,
    why,
    bought: id === 'longer' || id === 'stiffer',
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
function seatsOnly(document: JobDocument): Way | null {
  const ids = cornersIn(document).filter((id) => document.corners[id].mount !== null);
  if (ids.length === 0) return null;
  return {
    id: 'seats',
    title: 'Seats only',
    why: 'mounts stay where they are; preload and droop change with height',
    document: withCorners(document, ids, { mount: null }),
  };
}

function sidesAlike(document: JobDocument): Way | null {
  const { equalSides } = document;
  if (!cornersIn(document).some(twinOf)) return null;
  return {
    id: 'sides',
    title: equalSides ? 'Each side by itself' : 'Equal left and right',
    why: equalSides
      ? 'seats of an axle may differ, to even out what they carry'
      : 'seats of an axle moved alike: fewer figures to keep, cross weight stays',
    document: { ...document, equalSides: !equalSides },
  };
}

/** The end that means taking things apart is left alone; the easy end does what it can. */
function easyEnd(document: JobDocument): Way | null {
  const hardEnd = hardEndOf(document);
  if (!hardEnd) return null;
  const ids = cornersIn(document).filter((id) => axleOf(id) === hardEnd && document.corners[id].adjustable);
  if (ids.length === 0) return null;
  return {
    id: 'easy',
    title: `Leave the ${hardEnd} alone`,
    why: 'only the end that is easy to get at is turned',
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
function otherSprings(record: JobRecord, plan: Answer, sayMm: (mm: number) => string): Alternative[] {
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
    swapped(record, 'longer', longer, ({ longerMm }) => ({
      size: sayMm(Math.abs(longerMm)),
      more: longerMm > 0 ? 'longer' : 'shorter',
    })),
    swapped(record, 'stiffer', stiffer, ({ rateScale }) => ({
      size: `${Math.round(100 * Math.abs(rateScale - 1))} %`,
      more: rateScale > 1 ? 'stiffer' : 'softer',
    })),
  ].filter((one) => one !== null);
}

function swapped(
  record: JobRecord,
  id: 'longer' | 'stiffer',
  swaps: Swaps,
  say: (swap: Swap) => { size: string; more: string },
): Alternative | null {
  const answer = Object.keys(swaps).length > 0 ? answerFor(record, { swaps }) : null;
  if (!answer) return null;
  const parts = (Object.entries(swaps) as [CornerId, Swap][]).map(([corner, swap]) => {
    const { size, more } = say(swap);
    return { where: twinOf(corner) ? axleOf(corner) : cornerNames[corner], words: `${size} ${more}` };
  });
  const words = [...new Set(parts.map(({ where, words: size }) => `${where} ${size}`))].join(', ');
  return judged(
    {
      id,
      title: id === 'longer' ? `Springs or spacers: ${words}` : `Springs: ${words}`,
      why:
        id === 'longer'
          ? 'the same rate; the seat comes back onto its thread, droop and bump are as in the plan wanted'
          : 'the load closes it by another amount, so that the seat comes back onto its thread; the ride changes with it',
    },
    answer,
  );
}

const further = (a: number, b: number) => (Math.abs(b) > Math.abs(a) ? b : a);
const awayFromZero = (value: number, step: number) =>
  Math.sign(value) * Math.ceil(Math.abs(value) / step) * step;
