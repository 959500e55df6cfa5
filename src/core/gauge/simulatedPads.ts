import { standardNormal, type Uniform } from '../numerics/random.ts';

/** Pads in the order they are laid. */
export const padPlaces = ['LF', 'RF', 'LR', 'RR'] as const;

const ROLL_S = 0.5;
const STEADY_KG = 0.3;
const NOISE_KG = 0.15;
/** A machine is left a little differently by its springs each time it is rolled on: kg across the diagonals. */
const LEFT_BY_FRICTION_KG = 0.8;

/**
 * Four pads that are not there: they tell what real ones would stream when a machine is rolled on to them. What stands on them is
 * said to them in kg; time is in seconds from when they were laid.
 */
export class SimulatedPads {
  private to: readonly number[] = [268, 262, 277, 283];
  private from: readonly number[] = this.to;
  private at = -Infinity;

  constructor(private readonly uniform: Uniform) {}

  /** Rolls a machine on to the pads that weighs so much on each, kg, at a time in seconds. */
  roll(kg: readonly number[], at: number): void {
    this.from = padPlaces.map((_, i) => this.trueAt(i, at));
    const stuck = LEFT_BY_FRICTION_KG * standardNormal(this.uniform);
    this.to = kg.map((one, i) => Math.max(one + (i === 0 || i === 3 ? stuck : -stuck), 0));
    this.at = at;
  }

  private trueAt(i: number, seconds: number): number {
    const [from, to] = [this.from[i] ?? 0, this.to[i] ?? 0];
    return to + (from - to) * Math.exp(-Math.max(seconds - this.at, 0) / ROLL_S);
  }

  /** What they stream at a time in seconds. */
  read(seconds: number): { name: string; unit: 'kg'; value: number; steady: boolean }[] {
    return padPlaces.map((place, i) => {
      const kg = this.trueAt(i, seconds);
      return {
        name: `pad ${place}`,
        unit: 'kg',
        value: Math.round(10 * (kg + NOISE_KG * standardNormal(this.uniform))) / 10,
        // Rolling takes its time, even where the machine comes to stand as it stood.
        steady: seconds - this.at > ROLL_S && Math.abs(kg - (this.to[i] ?? 0)) < STEADY_KG,
      };
    });
  }
}

/** The corner that a pad's name speaks of: `LF` or `front left` in it, in any case; null where neither is. */
export function padPlace(name: string): (typeof padPlaces)[number] | null {
  const words = name.toLowerCase().split(/[^a-z]+/);
  const has = (...one: string[]) => one.every((word) => words.includes(word));
  return (
    padPlaces.find((place) => {
      const [side, end] = [place[0] === 'L' ? 'left' : 'right', place[1] === 'F' ? 'front' : 'rear'];
      return has(place.toLowerCase()) || has(side, end);
    }) ?? null
  );
}
