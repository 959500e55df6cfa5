import type { ContactDescription } from '../machine/description.ts';
import type { SpringDescription } from '../springs/spring.ts';
import type { StackDescription } from '../springs/stack.ts';
import { closeIn } from './closeIn.ts';

const HUGE = 1e12;
const NEVER = Infinity;
const { max, min, pow } = Math;

/** Force of the springs along themselves, by their compression from full droop, with mm of preload. */
export function springForceOf(
  springs: ContactDescription['springs'],
  preload: number,
): (r: number) => number {
  if (springs.kind === 'air') return (r) => airForce(springs.air, r);
  if (springs.kind === 'torsion') {
    const { rateNMmPerDeg, count, leverMm, camDegrees } = springs.torsion;
    const cam = camDegrees[springs.cam] ?? 0;
    return (r) => {
      const degrees = cam + ((r + preload) / leverMm) * (180 / Math.PI);
      return max((count * rateNMmPerDeg * degrees) / leverMm, 0);
    };
  }
  const force = seriesForce(springs.stack, preload);
  return (r) => force(r + preload);
}

type Air = Extract<ContactDescription['springs'], { kind: 'air' }>['air'];

/** Pressure by search: the two chambers' volumes must fill what the stroke leaves. */
function airForce(air: Air, s: number): number {
  const start = air.gaugeBar + 1.01325;
  const room = air.volumeCm3 * 1000 + (air.second ? air.second.volumeCm3 * 1000 : 0) - air.areaMm2 * s;
  const filled = (p: number) => {
    const main = air.volumeCm3 * 1000 * pow(start / p, 1 / air.exponent);
    if (!air.second) return main;
    const own = air.second.gaugeBar + 1.01325;
    return main + air.second.volumeCm3 * 1000 * (p < own ? 1 : pow(own / p, 1 / air.exponent));
  };
  let [low, high] = [start * 0.01, start * 1e4];
  for (let k = 0; k < 70; k++) {
    const middle = (low + high) / 2;
    if (filled(middle) > room) low = middle;
    else high = middle;
  }
  return ((low + high) / 2 - 1.01325) * 0.1 * air.areaMm2;
}

/** Common force of springs in series at a compression, by search from the last one found. */
export function seriesForce(stack: StackDescription, preload: number): (x: number) => number {
  const freeze = freezeForces(stack, preload);
  const { springs } = stack;
  const total = (force: number) => {
    let sum = 0;
    for (let i = 0; i < springs.length; i++)
      sum += own(springs[i] as SpringDescription, min(force, freeze[i] as number));
    return sum;
  };
  const most = total(1e8);
  let last = 100;
  return (x) => {
    if (x <= 0) return 0;
    if (x >= most) return HUGE;
    last = closeIn(0, 1e8, last, (force) => total(force) - x);
    return last;
  };
}

/** Force from which each spring is held by a ring: the rings are let act one after another, soonest first. */
function freezeForces({ springs, rings }: StackDescription, preload: number): number[] {
  const freeze = springs.map(() => NEVER);
  const left = [...rings];
  while (left.length > 0) {
    const when = left.map(({ after, limitMm, on }) => {
      const limit = limitMm + (on === 'body' ? preload : 0);
      const sum = (force: number) =>
        springs
          .slice(0, after + 1)
          .reduce((all, spring, i) => all + own(spring, min(force, freeze[i] ?? NEVER)), 0);
      if (sum(1e7) < limit) return NEVER;
      let [low, high] = [0, 1e7];
      for (let k = 0; k < 100; k++) {
        const middle = (low + high) / 2;
        if (sum(middle) < limit) low = middle;
        else high = middle;
      }
      return (low + high) / 2;
    });
    const first = when.indexOf(min(...when));
    const [ring] = left.splice(first, 1);
    if (!Number.isFinite(when[first] ?? NEVER)) break;
    for (let i = 0; i <= (ring?.after ?? -1); i++) freeze[i] = min(freeze[i] ?? NEVER, when[first] ?? NEVER);
  }
  return freeze;
}

/** One spring's compression under a force, at most its solid length. */
function own(spring: SpringDescription, force: number): number {
  const most = spring.solidMm ?? NEVER;
  if (spring.kind === 'linear') return min(force / spring.rateNPerMm, most);
  return min(inverse(spring.rows, force), most);
}

function inverse(rows: readonly (readonly [number, number])[], force: number): number {
  const all = [[0, 0] as const, ...rows.filter(([mm]) => mm > 0)];
  for (let i = 1; i < all.length; i++) {
    const [[x0, f0], [x1, f1]] = [
      all[i - 1] as readonly [number, number],
      all[i] as readonly [number, number],
    ];
    if (force <= f1 || i === all.length - 1) return x0 + ((force - f0) * (x1 - x0)) / (f1 - f0);
  }
  return 0;
}
