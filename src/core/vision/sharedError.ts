import type { Pictured } from '../document/factKinds.ts';
import type { Reading } from './lengthIn.ts';

/** Shares of each cause's variance that all pictures of a wheel have in common, whoever takes them and when. */
const SHARED = {
  ...{ rim: 0, point: 0, diameter: 1, lipOut: 0.8, level: 0.5, lens: 0.8 },
  ...{ sheet: 0, print: 1 },
} as const;

/** No picture is read better than this by itself, mm. */
const LEAST_OWN_SD_MM = 0.3;

/** What of a reading's uncertainty other pictures of the same wheel share, and what is its own. */
export function errorOf({ causes }: Pick<Reading, 'causes'>): Pick<Pictured, 'ownSdMm' | 'sharedSdMm'> {
  let [own, shared] = [0, 0];
  for (const [cause, variance] of Object.entries(causes)) {
    const share = SHARED[cause as keyof typeof SHARED];
    shared += share * variance;
    own += (1 - share) * variance;
  }
  return {
    ownSdMm: Math.max(Math.sqrt(own), LEAST_OWN_SD_MM),
    sharedSdMm: Math.max(Math.sqrt(shared), 0.05),
  };
}

/** How far the mean of several pictures may be out, mm: what they share, and the mean of what each has by itself. */
export function meanSd(pictures: readonly Pick<Pictured, 'ownSdMm' | 'sharedSdMm'>[]): number {
  const n = pictures.length;
  const own = pictures.reduce((sum, { ownSdMm }) => sum + ownSdMm * ownSdMm, 0) / (n * n);
  const shared = Math.max(...pictures.map(({ sharedSdMm }) => sharedSdMm));
  return Math.hypot(Math.sqrt(own), shared);
}
