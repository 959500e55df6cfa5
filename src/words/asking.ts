import type { Axle } from '#core/kinds/corners.ts';
import { type Asking } from '#core/estimate/worth.ts';

const ASKS: Record<Asking['ask'], (axle: Axle) => string> = {
  travel: (axle) => `measuring the ${axle} travel used`,
  weigh: (axle) => `weighing the ${axle}`,
  springs: (axle) => `the ${axle} spring rates`,
  preload: (axle) => `the ${axle} preload`,
  ratio: (axle) => `measuring the ${axle} motion ratio, wheel against damper,`,
};

/** A question in the workshop's words; `say` writes mm in the reader's units. */
export function askingWords({ ask, axle, sdMm, withItMm }: Asking, say: (mm: number) => string): string {
  const words = ASKS[ask](axle);
  return `${words.charAt(0).toUpperCase()}${words.slice(1)} would narrow the heights there from ± ${say(sdMm)} to ± ${say(withItMm)}.`;
}
