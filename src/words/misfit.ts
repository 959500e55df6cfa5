import type { JobMisfit, Suspicion } from '#core/estimate/estimate.ts';
import type { Say } from './figures.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { cornersTold } from './corners.ts';

const round = (k: number) => (k === 0 ? 'the first readings' : `round ${k}`);

/** What could be wrong, as a sentence. */
export function misfitWords(misfit: JobMisfit, say: Say): string {
  switch (misfit.code) {
    case 'ratio':
      return `The ${misfit.axle} motion ratio is not what was taken for it.`;
    case 'turned-other-way':
      return `The ${cornersTold(misfit.corners)} ${misfit.corners.length === 1 ? 'collar was' : 'collars were'} turned the other way in ${round(misfit.round)}.`;
    case 'odd-reading':
      return `One reading at the ${cornerNames[misfit.corner]} is off, most likely in ${round(misfit.round)}: misread, or taken at another point.`;
    case 'aboard':
      return `Something is on board in ${round(misfit.round)} that was not before, or is missing.`;
    case 'hooked-bar':
      return `An anti-roll bar is still hooked up at the ${misfit.axle}.`;
    case 'one-corner':
      return `Why is one corner off? Only the ${cornerNames[misfit.corner]} is, ${say(Math.abs(misfit.offMm))} ${misfit.offMm < 0 ? 'low' : 'high'}; the other three are within tolerance.`;
  }
}

/** What settles it. */
export function checkWords(misfit: JobMisfit): string {
  switch (misfit.code) {
    case 'ratio':
      return 'Measure the ratio: heights and damper lengths, standing and hanging.';
    case 'turned-other-way':
      return misfit.corners.length === 1
        ? 'Before anything is turned, compare the collar with where the record says it should be.'
        : 'Before anything is turned, compare one of the collars with where the record says it should be.';
    case 'odd-reading':
      return 'Roll it, measure again at the same point, and correct the reading.';
    case 'aboard':
      return 'Compare what is on board with the first readings: fuel, tools, driver, spare wheel.';
    case 'hooked-bar':
      return 'Undo the links, roll it, and measure again.';
    case 'one-corner':
      return 'Seats alone do not do that to a rigid body. Look at these first.';
  }
}

/** How likely it is, in words: how often such a thing happens at all is chosen, so that a percentage would say too much. */
export function likelyWords({ probability }: Suspicion): string {
  if (probability >= 0.9) return 'Almost sure';
  return probability >= 0.5 ? 'Most likely' : 'Perhaps';
}
