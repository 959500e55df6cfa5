import type { CornerId } from '#core/kinds/corners.ts';

/** Corner number as painted on the sheet and typed as a key. */
export const cornerNumbers: Record<CornerId, number> = {
  ...{ LF: 1, RF: 2, LR: 3, RR: 4 },
  ...{ LS: 1, RS: 2, FA: 3, RA: 4 },
  ...{ FW: 1, RW: 2, RM: 3 },
};

/** First letter raised. */
export function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}
