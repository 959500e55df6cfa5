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

export interface SpringVerdict {
  verdict: 'too soft' | 'too stiff' | 'right' | 'adjust first';
  /** Why, with the numbers in mm. */
  because: string;
}

const NEARLY_ALL = 0.9;
const NEARLY_NONE = 0.1;

const mm = (value: number) => `${value.toFixed(0)} mm`;

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
  if (riderSag?.state === 'too much' && (preloadShare ?? 0) >= NEARLY_ALL)
    return {
      verdict: 'too soft',
      because: `rider sag is ${mm(riderSag.offMm)} too much with the preload nearly used up`,
    };
  if (riderSag?.state === 'too little' && (preloadShare ?? 1) <= NEARLY_NONE)
    return {
      verdict: 'too stiff',
      because: `rider sag is ${mm(riderSag.offMm)} too little with hardly any preload`,
    };
  if (riderSag && riderSag.state !== 'in')
    return {
      verdict: 'adjust first',
      because: `rider sag is ${mm(riderSag.offMm)} ${riderSag.state}: bring it in by preload, then look at static sag`,
    };
  if (riderSag && staticSag?.state === 'too little')
    return {
      verdict: 'too soft',
      because: `rider sag is right but static sag is ${mm(staticSag.offMm)} too little: the preload stands in for rate`,
    };
  if (riderSag && staticSag?.state === 'too much')
    return {
      verdict: 'too stiff',
      because: `rider sag is right but static sag is ${mm(staticSag.offMm)} too much: the rider hardly moves it`,
    };
  if (seatedMm !== null && seatedMm < 0)
    return {
      verdict: 'too stiff',
      because: `the spring is ${mm(-seatedMm)} loose at full droop: it carries the load without being pressed`,
    };
  if (camHigh)
    return {
      verdict: 'too soft',
      because:
        'the cam stands above its middle position in the garage: nothing is left for a load or rough ground',
    };
  if ((preloadShare ?? 0) >= NEARLY_ALL)
    return { verdict: 'too soft', because: 'the adjuster is near the end of its range to reach this height' };
  return {
    verdict: 'right',
    because: riderSag
      ? staticSag
        ? 'rider and static sag are both in'
        : 'rider sag is in'
      : 'nothing that was read says otherwise',
  };
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
