import type { ContactDescription } from '../machine/description.ts';
import type { ContactDepartures } from './departures.ts';
import { mapOf } from './ratioWay.ts';
import { springForceOf } from './springForce.ts';

const { cos, max, PI, pow, sin } = Math;
const ATMOSPHERE_BAR = 1.01325;

/**
 * N with which springs, gas, stop and bush push a wheel down, by its travel in mm. By virtual work: each force along its part
 * times that part's way for the wheel's.
 */
export function wheelForceOf(
  contact: ContactDescription,
  off: ContactDepartures,
  seatBy: number,
): (travelMm: number) => number {
  const { ratio, springRatio, springs, gas, stop, topOut, travelMm } = contact;
  const damper = bent(mapOf(ratio, travelMm), off, travelMm);
  const spring = springRatio ? bent(mapOf(springRatio, travelMm), off, travelMm) : damper;
  const push = springForceOf(springs, contact.preloadMm + off.preloadByMm + seatBy);
  return (z) => {
    const [s, ds] = damper(z);
    let along = 0;
    if (gas) {
      const p0 = (gas.gaugeBar + ATMOSPHERE_BAR) / 10;
      const v0 = gas.volumeCm3 * 1000;
      along += (p0 * pow(v0 / (v0 - gas.areaMm2 * s), gas.exponent) - ATMOSPHERE_BAR / 10) * gas.areaMm2;
    }
    if (stop) along += tableForce(stop.rows, s - stop.contactMm);
    if (topOut) along -= topOut.rateNPerMm * max(topOut.lengthMm - s, 0);
    const [r, dr] = spring === damper ? [s, ds] : spring(z);
    const force = push(r) * (1 + off.springBy) * (1 + (off.springGrows * r) / 200);
    return force * dr + along * ds + off.bushNPerMm * (z - off.bushAtMm);
  };
}

type Way = (travelMm: number) => readonly [number, number];

/** A way and its slope, longer than described and bent off it. */
function bent(map: (z: number) => number, { ratioBy, bendMm }: ContactDepartures, travelMm: number): Way {
  const turn = (2 * PI) / travelMm;
  return (z) => {
    const slope = (map(z + 1e-4) - map(z - 1e-4)) / 2e-4;
    return [
      map(z) * (1 + ratioBy) + bendMm * sin(turn * z),
      slope * (1 + ratioBy) + bendMm * turn * cos(turn * z),
    ];
  };
}

function tableForce(rows: readonly (readonly [number, number])[], x: number): number {
  if (x <= 0) return 0;
  let i = 1;
  while (i < rows.length - 1 && (rows[i]?.[0] ?? 0) < x) i++;
  const [[x0, f0], [x1, f1]] = [
    rows[i - 1] as readonly [number, number],
    rows[i] as readonly [number, number],
  ];
  return f0 + ((x - x0) * (f1 - f0)) / (x1 - x0);
}
