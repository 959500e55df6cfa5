import type { SagReading } from '../sag/sagWindows.ts';

export interface SpringSigns {
  /** Sag as it was read and stands now, against its window; null where nobody read it. */
  riderSag: SagReading | null;
  staticSag: SagReading | null;
  /** Share of the adjuster's range that is used up towards more preload, 0 to 1; null where not known. */
  preloadShare: number | null;
}

/** Why, with mm at the wheel. */
export type SpringReason =
  | {
      code:
        | 'sag-too-much-at-the-end'
        | 'sag-too-little-at-the-start'
        | 'static-too-little'
        | 'static-too-much';
      offMm: number;
    }
  /** `thenStatic` where a sag with nobody on is wanted too. */
  | { code: 'sag-out'; offMm: number; state: 'too much' | 'too little'; thenStatic: boolean }
  | { code: 'both-sags-in' | 'rider-sag-in' };

export interface SpringVerdict {
  verdict: 'too soft' | 'too stiff' | 'right' | 'adjust first';
  because: SpringReason;
}

const NEARLY_ALL = 0.9;
const NEARLY_NONE = 0.1;

/**
 * Whether the spring is right at all, from sags as they were read. Preload moves both sags alike; only the rate moves them
 * apart. So with rider sag right the static sag tells the rate, and with rider sag wrong at the end of the adjuster nothing
 * but a spring helps. Null where no rider sag was read: then nothing can be told.
 */
export function springVerdict({ riderSag, staticSag, preloadShare }: SpringSigns): SpringVerdict | null {
  const told = (verdict: SpringVerdict['verdict'], because: SpringReason): SpringVerdict => ({
    verdict,
    because,
  });
  if (!riderSag) return null;
  const { state, offMm } = riderSag;
  if (state === 'too much' && (preloadShare ?? 0) >= NEARLY_ALL)
    return told('too soft', { code: 'sag-too-much-at-the-end', offMm });
  if (state === 'too little' && (preloadShare ?? 1) <= NEARLY_NONE)
    return told('too stiff', { code: 'sag-too-little-at-the-start', offMm });
  if (state !== 'in')
    return told('adjust first', { code: 'sag-out', offMm, state, thenStatic: staticSag !== null });
  if (staticSag?.state === 'too little')
    return told('too soft', { code: 'static-too-little', offMm: staticSag.offMm });
  if (staticSag?.state === 'too much')
    return told('too stiff', { code: 'static-too-much', offMm: staticSag.offMm });
  return told('right', { code: staticSag ? 'both-sags-in' : 'rider-sag-in' });
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
