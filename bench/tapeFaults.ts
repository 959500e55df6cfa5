import { hideTapeMachine, readTapes, turnCollars } from '../tests/fixtures/tapeShop.ts';
import type { JobMisfit } from '#core/estimate/estimate.ts';
import { thePage } from './tapePlayers.ts';

/** One corner's fault, or the direction taken wrong at a whole axle or at every corner. */
export type Fault = 'none' | 'turned-other-way' | 'axle-other-way' | 'all-other-way' | 'odd-reading';

/**
 * Plays machines through a first round with one fault in it (collars turned the other way, or one reading 20 mm off), or
 * up to four rounds with none, and counts what is suspected and whether the fault is named first.
 */
export function playFault(
  fault: Fault,
  machines: number,
): { said: number; stopped: number; named: number; plays: number } {
  const tally = { said: 0, stopped: 0, named: 0, plays: 0 };
  for (let seed = 0; seed < machines; seed++) {
    const machine = hideTapeMachine(seed, 15);
    const page = thePage(machine);
    const wrong = seed % machine.places.length;
    const isWrong = (i: number) => {
      if (fault === 'all-other-way') return true;
      return fault === 'axle-other-way'
        ? machine.places[i]?.axle === machine.places[wrong]?.axle
        : i === wrong;
    };
    let done = machine.places.map(() => 0);
    let said = false;
    let stopped = false;
    for (let round = 0; round <= 4; round++) {
      const readings = readTapes(machine);
      if (fault === 'odd-reading' && round === 1)
        readings[wrong] = (readings[wrong] ?? 0) + (seed % 2 === 0 ? 20 : -20);
      const { stop, movesBy } = page.next(readings, done);
      const [first] = page.doubt()?.suspicions ?? [];
      said ||= first !== undefined;
      if (fault === 'none') stopped ||= page.stops().length > 0;
      if (fault !== 'none' && round === 1) {
        tally.plays++;
        const { misfit } = first ?? {};
        const odd = fault === 'odd-reading';
        const at = machine.places.flatMap(({ id }, i) =>
          isWrong(i) && (odd || isMoved(done[i])) ? [id] : [],
        );
        const named = isNamed(misfit, odd, at);
        if (named) tally.named++;
        break;
      }
      if (stop) break;
      const back = fault.endsWith('other-way') && round === 0;
      const turned = turnCollars(machine, movesBy.map((mm, i) => (back && isWrong(i) ? -mm : mm))); // oxfmt-ignore
      done = turned.map((mm, i) => (back && isWrong(i) ? -mm : mm));
      // A collar that is hardly turned can go either way.
      if (back && !done.some((mm, i) => isWrong(i) && isMoved(mm))) break;
    }
    if (fault === 'none') {
      tally.plays++;
      if (said) tally.said++;
      if (stopped) tally.stopped++;
    }
  }
  return tally;
}

/** mm of seat from which on the way it went can be told. */
const isMoved = (mm: number | undefined) => Math.abs(mm ?? 0) >= 6;

/** Whether the fault is named at its own corners: those that moved enough to tell at least. */
function isNamed(misfit: JobMisfit | undefined, odd: boolean, at: readonly string[]): boolean {
  if (odd) return misfit?.code === 'odd-reading' && at.includes(misfit.corner);
  return misfit?.code === 'turned-other-way' && at.every((id) => misfit.corners.some((one) => one === id));
}
