import type { Answer } from '../planning/answerShape.ts';
import { wayNamed, wayOf } from '../adjusting/index.ts';
import { camDegrees } from '../document/taken.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { CornerModel } from '../machine/corner.ts';
import { isSagRead } from '../estimate/sagEvidence.ts';
import { tolerances } from '../tolerances.ts';
import { gapForShare, shareOfBump, transitionMm } from './ringSchools.ts';
import { readSag, windowOf } from '../sag/sagWindows.ts';
import { springVerdict, type SpringVerdict } from './springVerdict.ts';

/**
 * Whether a corner's spring is right, as it will stand after the plan. Null where nobody has said which spring it is and
 * no sag is wanted of it: nothing can be told then.
 */
export function cornerVerdict(answer: Answer, id: CornerId): SpringVerdict | null {
  const { document, machine } = answer;
  const corner = answer.corners.find((one) => one.id === id);
  const { sagWindow, staticWindow, adjustable } = document.corners[id];
  const named = machine.sources[id].springs !== 'assumed';
  if (!corner || (!named && !sagWindow)) return null;
  const { collarMinMm: min, collarMaxMm: max, travelMm, readingSign } = corner.spec;
  const stop = corner.stopAtMm;
  const along = min !== null && max !== null && stop !== null ? (stop - min) / (max - min) : null;
  const preload = along === null ? null : readingSign === 1 ? along : 1 - along;
  const window = sagWindow && windowOf(sagWindow, 'rider');
  const aloneMm = staticSagAfter(answer, id);
  // What the page calls not known well enough judges no spring.
  const known = document.riders.length === 0 || corner.sagSdMm <= tolerances.sagKnownMm;
  return springVerdict({
    riderSag: window && known ? readSag(window, corner.sagMm, travelMm.value) : null,
    staticSag:
      staticWindow && aloneMm !== null
        ? readSag(windowOf(staticWindow, 'static'), aloneMm, travelMm.value)
        : null,
    preloadShare:
      corner.cam && document.corners[id].torsion ? camShare(answer, id) : adjustable ? preload : 0.5,
    camHigh: corner.cam !== null && camShare(answer, id) > 0.5,
    seatedMm: named ? modelAfter(answer, id).preloadMm : null,
  });
}

export type MissingForVerdict =
  'rider-sag' | 'static-sag-too' | 'sag-better' | 'torsion-or-window' | 'spring-or-window' | 'collar-or-room';

/**
 * What has to be given or measured before a corner's spring can be judged, null where it can be. An adjuster
 * without a known range and a preload that is only assumed say nothing either.
 */
export function missingForVerdict(answer: Answer, id: CornerId): MissingForVerdict | null {
  const { document, machine } = answer;
  const { sagWindow, staticWindow, adjustable, torsion } = document.corners[id];
  const way = wayOf(document.corners[id]);
  const { springs, preload } = machine.sources[id];
  if (document.riders.length > 0 && sagWindow && springs === 'assumed') {
    if (!isSagRead(answer.state, id, 'ridden')) return 'rider-sag';
    if (staticWindow && !isSagRead(answer.state, id, 'alone')) return 'static-sag-too';
  }
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

/** Sag after the plan with nobody on, mm at the wheel; null where it was never read there, or is hardly known. */
function staticSagAfter(
  { document, machine, specifiedAfter, predictAt, state }: Answer,
  id: CornerId,
): number | null {
  if (document.riders.length === 0 || !isSagRead(state, id, 'alone')) return null;
  const { travel, travelSd } = predictAt({ ...specifiedAfter, aboard: machine.alone });
  const i = machine.corners.indexOf(id);
  return (travelSd[i] ?? Infinity) > tolerances.sagKnownMm ? null : (travel[i] ?? null);
}

function camShare({ document, corners }: Answer, id: CornerId): number {
  const { torsion } = document.corners[id];
  const positions = torsion ? camDegrees(torsion).length : 1;
  const after = corners.find((one) => one.id === id)?.cam?.after ?? 0;
  return positions < 2 ? 0.5 : after / (positions - 1);
}

function modelAfter({ machine, predictAt, specifiedAfter }: Answer, id: CornerId): CornerModel {
  const { solver } = predictAt(specifiedAfter).outcome;
  return solver.corners[machine.corners.indexOf(id)] as CornerModel;
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
