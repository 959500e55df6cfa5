import type { MachineDescription } from '../machine/description.ts';
import { closeIn } from './closeIn.ts';
import { noDepartures, type Departures } from './departures.ts';
import { straighten } from './straighten.ts';
import type { Rest, Standing } from './standing.ts';
import { SuspendedBody } from './suspendedBody.ts';

const SWEEPS = 20_000;
const STILL_MM = 1e-6;
const { abs, max } = Math;

/**
 * Lets a machine come to rest: the energy of body and wheels is brought down. A few straight steps of all freedoms together come
 * near; then each freedom alone closes in on where its own force vanishes, until none moves.
 */
export function rest(
  machine: MachineDescription,
  standing: Standing = {},
  departures: Departures = noDepartures(machine),
): Rest {
  const body = new SuspendedBody(machine, standing, departures);
  const { state, freedoms } = body;
  straighten(state, freedoms, () => body.stiffness());
  for (let sweep = 0; sweep < SWEEPS; sweep++) {
    let moved = 0;
    // Wheels before the body, which rests on them.
    for (let k = state.length - 1; k >= 0; k--) {
      const { low, high, force } = freedoms[k] as (typeof freedoms)[number];
      const before = state[k] as number;
      state[k] = closeIn(low, high, before, (value) => {
        state[k] = value;
        return force();
      });
      moved = max(moved, abs((state[k] as number) - before));
    }
    if (moved < STILL_MM) break;
  }
  return body.stand();
}
