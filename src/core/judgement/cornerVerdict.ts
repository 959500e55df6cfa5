import { part, type Part } from '../calculation/part.ts';
import type { Answer } from '../planning/answerShape.ts';
import type { CornerAnswer } from '../planning/cornerAnswer.ts';
import { wayNamed, wayOf } from '../adjusting/index.ts';
import { camDegrees } from '../document/taken.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { CornerModel } from '../machine/corner.ts';
import { isSagRead } from '../estimate/sagEvidence.ts';
import { tolerances } from '../tolerances.ts';
import { gapForShare, shareOfBump, transitionMm } from './ringSchools.ts';
import { sagAsRead } from '../sag/asRead.ts';
import { readSag, windowOf } from '../sag/sagWindows.ts';
import { springVerdict, type SpringVerdict } from './springVerdict.ts';

/**
 * Whether a corner's spring is right, from its sags as they stand now. Null where no sag is wanted of it, where none was
 * read, or where what was read is not known well enough.
 */
export function cornerVerdict(answer: Answer, id: CornerId): SpringVerdict | null {
  const { document } = answer;
  const corner = answer.corners.find((one) => one.id === id);
  const { sagWindow, staticWindow } = document.corners[id];
  if (!corner || !sagWindow || missingForVerdict(answer, id)) return null;
  const travelMm = corner.spec.travelMm.value;
  const aloneMm = staticSagNow(answer, id);
  return springVerdict({
    riderSag: readSag(windowOf(sagWindow, 'rider'), riderSagNow(answer, corner), travelMm),
    staticSag:
      staticWindow && aloneMm !== null ? readSag(windowOf(staticWindow, 'static'), aloneMm, travelMm) : null,
    preloadShare: preloadShare(answer, id),
  });
}

/** Whether the sag with the rider on was read, or the travel used as it is to be ridden. */
function isRiderSagRead({ state, document }: Answer, id: CornerId): boolean {
  if (document.riders.length > 0) return isSagRead(state, id, 'ridden');
  return (
    isSagRead(state, id, 'ridden') || state.rounds.some(({ travelUsed }) => travelUsed[id] !== undefined)
  );
}

/** Sag now as it is to be ridden, mm at the wheel: as read where it was read that way since the last turn. */
function riderSagNow(answer: Answer, { id, nowSagMm }: CornerAnswer): number {
  const { gear, luggage, fuel } = answer.document.sagRead;
  const [first] = answer.document.riders;
  const asRidden = first && gear && luggage && fuel === 1;
  return (asRidden ? sagAsRead(answer, id, first.key)?.sagMm : undefined) ?? nowSagMm;
}

/** The sags that a verdict goes by: measured where they were read since the last turn, else as all readings have them. */
export function sagParts(answer: Answer, corner: CornerAnswer): Part[] {
  const { document } = answer;
  const [first] = document.riders;
  const riderMm = riderSagNow(answer, corner);
  const isRead = first !== undefined && sagAsRead(answer, corner.id, first.key)?.sagMm === riderMm;
  const aloneMm = document.corners[corner.id].staticWindow ? staticSagNow(answer, corner.id) : null;
  const aloneRead = aloneMm !== null && sagAsRead(answer, corner.id, 'alone') !== null;
  return [
    part('z', riderMm, 'length', isRead ? 'measured' : 'computed'),
    ...(aloneMm === null ? [] : [part('z₀', aloneMm, 'length', aloneRead ? 'measured' : 'computed')]),
  ];
}

/** Share of an adjuster's range that is used up towards more preload now, 0 to 1; null where nobody gave the range. */
export function preloadShare(answer: Answer, id: CornerId): number | null {
  const { document } = answer;
  const corner = answer.corners.find((one) => one.id === id);
  if (!corner) return null;
  if (corner.cam && document.corners[id].torsion) return camShare(answer, id);
  if (!document.corners[id].adjustable) return 0.5;
  const { collarMinMm: min, collarMaxMm: max, readingSign } = corner.spec;
  if (min === null || max === null || corner.collarMm === null) return null;
  const along = (corner.collarMm - min) / (max - min);
  return readingSign === 1 ? along : 1 - along;
}

export type MissingForVerdict =
  | 'rider-sag'
  | 'travel-used'
  | 'static-sag-too'
  | 'sag-better'
  | 'torsion-or-window'
  | 'spring-or-window'
  | 'collar-or-room';

/**
 * What has to be given or measured before a corner's spring can be judged, null where it can be. An adjuster
 * without a known range and a preload that is only assumed say nothing either.
 */
export function missingForVerdict(answer: Answer, id: CornerId): MissingForVerdict | null {
  const { document, machine } = answer;
  const { sagWindow, adjustable, torsion } = document.corners[id];
  const way = wayOf(document.corners[id]);
  const { springs, preload } = machine.sources[id];
  if (document.riders.length > 0 && sagWindow) {
    if (!isSagRead(answer.state, id, 'ridden')) return 'rider-sag';
    if (!isSagRead(answer.state, id, 'alone')) return 'static-sag-too';
  } else if (sagWindow && !isRiderSagRead(answer, id)) return 'travel-used';
  const corner = answer.corners.find((one) => one.id === id);
  if (document.riders.length > 0 && sagWindow && (corner?.sagSdMm ?? 0) > tolerances.sagKnownMm)
    return 'sag-better';
  if (sagWindow || wayNamed(document.corners[id]) === 'pressure') return null;
  if (springs === 'assumed' && torsion) return 'torsion-or-window';
  if (springs === 'assumed') return 'spring-or-window';
  const ranged = answer.corners.some(
    (one) => one.id === id && one.stopAtMm !== null && one.spec.collarMaxMm !== null,
  );
  if (preload === 'assumed' && !ranged && way.preloadByCollar && adjustable) return 'collar-or-room';
  return null;
}

/** Sag now with nobody on, mm at the wheel: as read since the last turn; null where it was never read, or is hardly known. */
function staticSagNow(answer: Answer, id: CornerId): number | null {
  const { document, machine, now, specifiedAfter, predictAt, state } = answer;
  if (document.riders.length === 0 || !isSagRead(state, id, 'alone')) return null;
  const read = sagAsRead(answer, id, 'alone');
  if (read) return read.sagMm;
  const { km, level } = specifiedAfter;
  const { travel, travelSd } = predictAt({ ...now, km, level, aboard: machine.alone });
  const i = machine.corners.indexOf(id);
  return (travelSd[i] ?? Infinity) > tolerances.sagKnownMm ? null : (travel[i] ?? null);
}

/** Where a cam stands now, as a share of its positions, 0 to 1. */
function camShare({ document, corners }: Answer, id: CornerId): number {
  const { torsion } = document.corners[id];
  const positions = torsion ? camDegrees(torsion).length : 1;
  const now = corners.find((one) => one.id === id)?.cam?.now ?? 0;
  return positions < 2 ? 0.5 : now / (positions - 1);
}

/** Where a crossover takes over after the plan, in the three ways of stating it. */
export interface RingStanding {
  /** Slider to ring at ride height, mm along the damper. */
  gapMm: number;
  /** Wheel travel from ride height to the transition, mm. */
  wheelMm: number;
  /** The same as a share of the bump travel left; above 1 it never comes. */
  share: number;
  /** Gap in mm that would put it at a share of the bump travel. */
  gapFor: (share: number) => number;
}

/** The rings of a corner as they will stand; only those between springs of known constant rate. */
export function ringStandings(answer: Answer, id: CornerId): RingStanding[] {
  const { document, machine, predictAt, specifiedAfter } = answer;
  const i = machine.corners.indexOf(id);
  const { solver } = predictAt(specifiedAfter).outcome;
  const model = solver.corners[i] as CornerModel;
  const { springs } = document.corners[id];
  const rates = springs.map(({ rateNPerMm }) => rateNPerMm ?? NaN);
  const corner = answer.corners.find((one) => one.id === id);
  return (corner?.rings ?? []).flatMap(({ after, gapMm }): RingStanding[] => {
    const place = {
      upperNPerMm: together(rates.slice(0, after + 1)),
      lowerNPerMm: together(rates.slice(after + 1)),
      ratio: model.ratioAt(solver.z[i] ?? 0),
      bumpMm: model.zMax - (solver.z[i] ?? 0),
      sliderMm: 0,
      sign: 1 as const,
    };
    const wheelMm = transitionMm(place, gapMm);
    return Number.isFinite(wheelMm)
      ? [
          {
            gapMm,
            wheelMm,
            share: shareOfBump(place, gapMm),
            gapFor: (share) => gapForShare(place, share),
          },
        ]
      : [];
  });
}

/** Rate of springs in series, N/mm. */
function together(rates: readonly number[]): number {
  return 1 / rates.reduce((sum, rate) => sum + 1 / rate, 0);
}
