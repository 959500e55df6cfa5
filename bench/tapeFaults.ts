import { hideTapeMachine, readTapes, turnCollars } from '../tests/fixtures/tapeShop.ts';
import { thePage } from './tapePlayers.ts';

export type Fault = 'none' | 'turned-other-way' | 'odd-reading';

/**
 * Plays machines through a first round with one fault in it (one collar turned the other way, or one reading 20 mm off), or
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
        if (misfit?.code === fault && misfit.corner === machine.places[wrong]?.id) tally.named++;
        break;
      }
      if (stop) break;
      const back = fault === 'turned-other-way' && round === 0;
      const turned = turnCollars(machine, movesBy.map((mm, i) => (back && i === wrong ? -mm : mm))); // prettier-ignore
      done = turned.map((mm, i) => (back && i === wrong ? -mm : mm));
      // A collar that is hardly turned can go either way.
      if (back && Math.abs(done[wrong] ?? 0) < 6) break;
    }
    if (fault === 'none') {
      tally.plays++;
      if (said) tally.said++;
      if (stopped) tally.stopped++;
    }
  }
  return tally;
}
