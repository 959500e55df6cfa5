import type { SagReading } from '../sag/sagWindows.ts';

export interface SpringSigns {
  riderSag: SagReading | null;
  staticSag: SagReading | null;
  /** Share of the adjuster's range that is used up towards more preload, 0 to 1; null where not known. */
  preloadShare: number | null;
  /** A torsion cam that has to stand above its middle position. */
  camHigh?: boolean;
  /** Compression of the spring at full droop, mm; below zero it is loose. */
  seatedMm: number | null;
}

/** Why, with mm at the wheel or along the spring. */
export type SpringReason =
  | {
      code:
        'sag-too-much-at-the-end' | 'sag-too-little-at-the-start' | 'static-too-little' | 'static-too-much';
      offMm: number;
    }
  | { code: 'sag-out'; offMm: number; state: 'too much' | 'too little' }
  | { code: 'loose'; looseMm: number }
  | { code: 'cam-high' | 'near-its-end' | 'both-sags-in' | 'rider-sag-in' | 'nothing-against' };

export interface SpringVerdict {
  verdict: 'too soft' | 'too stiff' | 'right' | 'adjust first';
  because: SpringReason;
}

const NEARLY_ALL = 0.9;
const NEARLY_NONE = 0.1;

/**
 * Whether the spring is right at all. Preload moves both sags alike; only the rate moves them apart. So with rider sag
 * right the static sag tells the rate, and with rider sag wrong at the end of the adjuster nothing but a spring helps.
 */
export function springVerdict({
  riderSag,
  staticSag,
  preloadShare,
  camHigh = false,
  seatedMm,
}: SpringSigns): SpringVerdict {
  const told = (verdict: SpringVerdict['verdict'], because: SpringReason): SpringVerdict => ({
    verdict,
    because,
  });
  if (riderSag?.state === 'too much' && (preloadShare ?? 0) >= NEARLY_ALL)
    return told('too soft', { code: 'sag-too-much-at-the-end', offMm: riderSag.offMm });
  if (riderSag?.state === 'too little' && (preloadShare ?? 1) <= NEARLY_NONE)
    return told('too stiff', { code: 'sag-too-little-at-the-start', offMm: riderSag.offMm });
  if (riderSag && riderSag.state !== 'in')
    return told('adjust first', { code: 'sag-out', offMm: riderSag.offMm, state: riderSag.state });
  if (riderSag && staticSag?.state === 'too little')
    return told('too soft', { code: 'static-too-little', offMm: staticSag.offMm });
  if (riderSag && staticSag?.state === 'too much')
    return told('too stiff', { code: 'static-too-much', offMm: staticSag.offMm });
  if (seatedMm !== null && seatedMm < 0) return told('too stiff', { code: 'loose', looseMm: -seatedMm });
  if (camHigh) return told('too soft', { code: 'cam-high' });
  if ((preloadShare ?? 0) >= NEARLY_ALL) return told('too soft', { code: 'near-its-end' });
  return told('right', {
    code: riderSag ? (staticSag ? 'both-sags-in' : 'rider-sag-in') : 'nothing-against',
  });
}

/**
 * Rate in N/mm of the spring that would carry a wheel load (N, sprung) at a sag (mm at the wheel) with a preload (mm along
 * the spring): k = (W / MR) / (MR z + p), `ratio` being spring per wheel.
 */
export function rateForSag(load: {
  wheelN: number;
  ratio: number;
  sagMm: number;
  preloadMm: number;
}): number {
  return load.wheelN / load.ratio / (load.ratio * load.sagMm + load.preloadMm);
}
