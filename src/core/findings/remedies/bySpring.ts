import { sagWindowAt, sagWish } from '../../document/sagWish.ts';
import { axleOf, twinOf, type CornerId } from '../../kinds/corners.ts';
import { marginsFor } from '../../margins/margins.ts';
import { once } from '../../once.ts';
import type { Answer } from '../../planning/answerShape.ts';
import type { CornerAnswer } from '../../planning/cornerAnswer.ts';
import { answerSwapped, swappedAsItIs } from '../../planning/replan.ts';
import type { Swaps } from '../../planning/swaps.ts';
import { tolerances } from '../../tolerances.ts';
import type { Remedy } from './remedy.ts';
import { costsOf, enough, find, riseAt, worked, type At } from './tried.ts';

/** mm of preload that keeps a spring seated. */
const SEATED_MM = 3;

/** share. No spring further from the one fitted is proposed. */
const MOST_STIFFER = 0.6;

/** share, mm. Springs come in such steps. */
const RATE_STEP = 0.05;

const LENGTH_STEP_MM = 5;

/** A helper that takes up what is loose, in the machine: where it does not keep the spring seated it is no cure. */
export function helper(at: At): Remedy[] {
  const { base, corner, finding } = at;
  const takesUpMm = Math.ceil(-finding.leftMm + SEATED_MM);
  const then = swappedAsItIs(base, { [corner.id]: { rateScale: 1, longerMm: 0, helperMm: takesUpMm } });
  const told = worked(at, { do: 'helper', corner: corner.id, takesUpMm }, then);
  return (told.leftMm ?? -1) > 0 ? [told] : [];
}

/**
 * A softer spring with preload for one that is loose: at the height it stands now it is squeezed by as much more as it was
 * loose, so k' = k X / (X + loose + preload), X being what the load squeezes the one that is fitted.
 */
export function softer(at: At): Remedy[] {
  const { base, corner, finding } = at;
  const i = base.machine.corners.indexOf(corner.id);
  const { solver } = base.predictAt(base.after).outcome;
  const model = solver.corners[i];
  if (!model?.stack || base.document.corners[corner.id].springs.length !== 1) return [];
  const squeezedMm = model.springAt(solver.z[i] ?? 0) + model.preloadMm;
  const moreMm = SEATED_MM - finding.leftMm;
  const rateTimes = squeezedMm / (squeezedMm + moreMm);
  if (rateTimes < 1 - MOST_STIFFER) return [];
  const swaps: Swaps = { [corner.id]: { rateScale: rateTimes, longerMm: moreMm } };
  const then = swappedAsItIs(base, swaps);
  return [worked(at, { do: 'spring', corner: corner.id, rateTimes, longerMm: moreMm }, then)];
}

/** The nearest stiffer (1) or softer (-1) spring, in steps as they are sold, with which enough is left. */
export function otherRate(at: At, sign: 1 | -1): Remedy[] {
  const { base, corner, finding } = at;
  if (base.machine.sources[corner.id].springs === 'assumed') return [];
  for (let share = RATE_STEP; share <= MOST_STIFFER + 1e-9; share += RATE_STEP) {
    const then = swappedAsItIs(base, { [corner.id]: { rateScale: 1 + sign * share, longerMm: 0 } });
    const leftMm = find(marginsFor(then), finding)?.leftMm ?? -Infinity;
    if (leftMm >= enough(at))
      return [
        worked(at, { do: 'spring', corner: corner.id, rateTimes: 1 + sign * share, longerMm: 0 }, then),
      ];
  }
  return [];
}

/** A spring that may be squeezed further, of the same rate and length, in the machine. */
export function roomier(at: At): Remedy[] {
  const { base, corner, finding } = at;
  const moreMm = Math.ceil(-finding.leftMm + tolerances.missedMm);
  const then = swappedAsItIs(base, { [corner.id]: { rateScale: 1, longerMm: 0, roomierMm: moreMm } });
  const told = worked(at, { do: 'spring-room', corner: corner.id, moreMm }, then);
  return (told.leftMm ?? -1) >= 0 ? [told] : [];
}

/**
 * The nearest rate, in steps as they are sold, with which the sags of a corner come into their windows, preload set for it: both
 * where that can be had, else the rider's. Preload and thread are no cure for it.
 */
export function rightSpring(answer: Answer, id: CornerId, sign: 1 | -1): Remedy[] {
  const ids = [id, twinOf(id)].filter((one): one is CornerId => one !== null);
  const tried = Array.from({ length: Math.round(MOST_STIFFER / RATE_STEP) }, (_, k) => {
    const rateTimes = 1 + sign * (k + 1) * RATE_STEP;
    const swaps = Object.fromEntries(ids.map((at) => [at, { rateScale: rateTimes, longerMm: 0 }]));
    return { rateTimes, then: once(() => answerSwapped(answer, swaps)) };
  });
  const found =
    tried.find(({ then }) => sagsLeft(then(), id).both >= 0) ??
    tried.find(({ then }) => sagsLeft(then(), id).ridden >= 0);
  if (!found) return [];
  const then = found.then();
  const costs = costsOf(answer, marginsFor(then), 'sag');
  const { rateTimes } = found;
  const leftMm = sagsLeft(then, id).ridden;
  return [
    { do: 'spring', corner: id, rateTimes, longerMm: 0, leftMm, riseMm: riseAt(answer, then, id), costs },
  ];
}

/** mm by which the rider's sag, and the nearer of both sags, lies inside its window once all is turned; negative outside. */
function sagsLeft(
  { document, corners, machine, specifiedAfter, predictAt, tolerance }: Answer,
  id: CornerId,
): { ridden: number; both: number } {
  const { staticWindow } = document.corners[id];
  const wish = sagWish(document, id);
  const wanted = sagWindowAt(document, id) ?? {
    fromMm: (wish?.mm ?? 0) - tolerance.value,
    toMm: (wish?.mm ?? 0) + tolerance.value,
  };
  const inside = (mm: number, window: { fromMm: number; toMm: number }) =>
    Math.min(mm - window.fromMm, window.toMm - mm);
  const i = machine.corners.indexOf(id);
  const ridden = inside(corners.find((one) => one.id === id)?.sagMm ?? NaN, wanted);
  if (document.riders.length === 0 || staticWindow === null) return { ridden, both: ridden };
  const alone = predictAt({ ...specifiedAfter, aboard: machine.alone }).travel[i] ?? NaN;
  return { ridden, both: Math.min(ridden, inside(alone, staticWindow)) };
}

/** Springs, in steps as they are sold, with which the height can be had; a sag is not had by a longer one. */
export function otherSprings(
  answer: Answer,
  id: CornerId,
  { longerMm, stiffer }: { longerMm: number; stiffer: number | null },
): Remedy[] {
  if (sagWish(answer.document, id) !== null) return [];
  const away = (value: number, step: number) => Math.sign(value) * Math.ceil(Math.abs(value) / step) * step;
  const tries: { rateTimes: number; longerMm: number }[] = [
    { rateTimes: 1, longerMm: away(longerMm, LENGTH_STEP_MM) },
    ...(stiffer === null || Math.abs(stiffer) > MOST_STIFFER
      ? []
      : [{ rateTimes: 1 + away(stiffer, RATE_STEP), longerMm: 0 }]),
  ];
  const ids = [id, twinOf(id)].filter(
    (one): one is CornerId =>
      one !== null && answer.reasons.some((reason) => reason.kind === 'thread' && reason.corner === one),
  );
  return tries.flatMap((one): Remedy[] => {
    const swaps: Swaps = Object.fromEntries(
      ids.map((at) => [at, { rateScale: one.rateTimes, longerMm: one.longerMm }]),
    );
    const then = answerSwapped(answer, swaps);
    const corner = then.corners.find((at) => at.id === id);
    if (!corner || !isReached(then, corner)) return [];
    const margins = marginsFor(then);
    return [
      {
        do: 'spring',
        corner: id,
        ...one,
        leftMm:
          find(margins, {
            code: 'run-out',
            kind: 'thread-up',
            corner: id,
            which: null,
            loadCase: null,
            leftMm: 0,
          })?.leftMm ?? null,
        riseMm: corner.specMm - (answer.corners.find((at) => at.id === id)?.specMm ?? corner.specMm),
        costs: costsOf(answer, margins, 'thread-up'),
      },
    ];
  });
}

function isReached({ tolerance, reasons }: Answer, { id, spec, specMm }: CornerAnswer): boolean {
  const near = spec.targetMm === null || Math.abs(specMm - spec.targetMm) <= tolerance.value;
  return near && !reasons.some((one) => one.kind === 'thread' && axleOf(one.corner) === axleOf(id));
}
