import { usableMap, type RatioDescription } from '../geometry/ratioMap.ts';
import { hungAt } from './corner.ts';
import type { JobDocument } from '../document/types.ts';
import { ratioRange, suspensionsOf } from '../kinds/suspension.ts';
import type { Spread } from './belief.ts';
import { axleOf, twinOf, type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { Axle } from '../kinds/corners.ts';
import { priors, rangeSd } from './prior.ts';

/** relative. A ratio that earlier jobs have taught may differ so much today: other load, other tyres. */
const RELEARNT_SD = 0.01;

/** A ratio taken off the machine: damper travel over wheel travel between standing and hanging. */
export interface MeasuredRatio {
  ratio: number;
  /** One standard deviation of its logarithm. */
  sd: number;
  /** Wheel travel over which it was taken, mm. */
  overMm: number;
}

export type MeasuredRatios = Partial<Record<Axle, MeasuredRatio>>;

/** What the ratio of an axle is known by, surest first. */
export type RatioBasis = 'measured' | 'taught' | 'geometry' | 'arm' | 'stated' | 'suspension' | 'class';

/** What a corner's ratio is known by. */
export function ratioBasis(document: JobDocument, id: CornerId, measured: MeasuredRatios): RatioBasis {
  const { ratioFrom, ratio, suspension } = document.corners[id];
  if (measured[axleOf(id)]) return 'measured';
  if (document.machine.learnt?.ratios[id]) return 'taught';
  if (ratioFrom?.kind === 'table' || ratioFrom?.kind === 'linkage') return 'geometry';
  if (ratioFrom?.kind === 'levers') return 'arm';
  if (ratioFrom || ratio !== null) return 'stated';
  return suspension === null ? 'class' : 'suspension';
}

/** Whether nobody has said or measured anything of a corner's ratio: at most its suspension was picked. */
export function isRatioUnsaid(document: JobDocument, id: CornerId, measured: MeasuredRatios): boolean {
  const basis = ratioBasis(document, id, measured);
  return basis === 'class' || basis === 'suspension';
}

/** Spread of the logarithm of one corner's ratio, what it shares with its axle included. */
function ratioSd(document: JobDocument, id: CornerId, measured: MeasuredRatios): number {
  const range = ratioRange(hungAt(document, id));
  switch (ratioBasis(document, id, measured)) {
    case 'measured':
      return measured[axleOf(id)]?.sd ?? priors.measuredRatio;
    case 'taught':
      return isOthers(document) ? (document.machine.learnt?.ratios[id]?.sd ?? RELEARNT_SD) : RELEARNT_SD;
    case 'geometry':
      return priors.measuredRatio;
    case 'arm':
      return priors.armRatio;
    case 'stated':
      return priors.statedRatio;
    case 'suspension':
      return rangeSd(range, true);
    case 'class':
      return rangeSd(range, suspensionsOf(document.machine.class, axleOf(id)).length === 1);
  }
}

/** Whether what was learnt is of other machines of its kind: another machine is another one, however well they were learnt. */
function isOthers({ machine: { learnt } }: JobDocument): boolean {
  return learnt !== null && learnt.others !== null;
}

/** What an axle's corners share of what is not known of their ratios: as much as the best known of them. */
export function axleRatioSd(document: JobDocument, axle: Axle, measured: MeasuredRatios): number {
  const own = cornersIn(document).filter((id) => axleOf(id) === axle);
  const best = Math.min(...own.map((id) => ratioSd(document, id, measured)));
  return own.some((id) => isOneOfTwoArms(document, id)) ? SHARED_BY_ARMS * best : best;
}

interface Described {
  ratio: RatioDescription;
  travelMm: number;
  measuredRatio: MeasuredRatios;
}

/** Log of true over described ratio of one corner beside what its axle shares. */
export function ownRatio(document: JobDocument, id: CornerId, described: Described): Spread {
  const { ratio, travelMm, measuredRatio } = described;
  const taught = document.machine.learnt?.ratios[id];
  const measured = measuredRatio[axleOf(id)];
  const whole = ratioSd(document, id, measuredRatio);
  const shared = axleRatioSd(document, axleOf(id), measuredRatio);
  const rest = Math.sqrt(Math.max(whole * whole - shared * shared, 0));
  const sd = Math.max(rest, twinOf(id) ? priors.twinRatio : 0);
  if (measured) return { mean: logOver(measured.ratio, ratio, travelMm, measured.overMm), sd };
  if (taught) {
    const mean = logOver(taught.ratio, ratio, travelMm, travelMm);
    return { mean, sd: isOthers(document) ? sd : Math.max(taught.sd, sd) };
  }
  return { mean: 0, sd };
}

/** Two arms of a skid are two mechanisms: what is not known of one says only something of the other. */
const SHARED_BY_ARMS = 0.8;

function isOneOfTwoArms(document: JobDocument, id: CornerId): boolean {
  const axle = cornersIn(document).filter((one) => axleOf(one) === axleOf(id));
  return axle.length > 1 && twinOf(id) === null;
}

/** Log of a mean ratio over the one described, both over the first `overMm` of travel. */
function logOver(mean: number, ratio: RatioDescription, travelMm: number, overMm: number): number {
  const map = usableMap(ratio, travelMm);
  map?.evaluate(overMm);
  return map && map.value > 0 ? Math.log((mean * overMm) / map.value) : 0;
}
