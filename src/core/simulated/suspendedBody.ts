import type { ContactDescription, MachineDescription } from '../machine/description.ts';
import type { ContactDepartures, Departures } from './departures.ts';
import type { Rest, Standing } from './standing.ts';
import type { Freedom } from './straighten.ts';
import { wheelForceOf } from './wheelForce.ts';

const G = 9.80665;
const LIMIT_MM = 3000;
const { abs, max, sign } = Math;

interface Wheel {
  contact: ContactDescription;
  off: ContactDepartures;
  /** N of its suspension by travel, with what friction holds. */
  forceN: (travelMm: number) => number;
  /** Rise of the body here for each of its freedoms. */
  arms: number[];
}

interface Wound {
  a: number;
  b: number;
  rateNPerMm: number;
  offsetMm: number;
}

/**
 * Forces on a body and its wheels in any state: heave in mm, pitch and roll in mm a metre about the middle of its mass, the
 * body's twist, then each wheel's travel. The parts' forces are written anew here; no line is shared with the solver.
 */
export class SuspendedBody {
  readonly state: number[];
  readonly freedoms: Freedom[];
  private readonly wheels: Wheel[];
  private readonly wound: Wound[];
  private readonly weightN: number;
  private readonly twist: { nPerMm: number; at: number; weightN: number } | null;
  private readonly bodyFreedoms: number;

  constructor(machine: MachineDescription, { seatsBy = [], heldN = [] }: Standing, departures: Departures) {
    const { contacts, masses } = machine;
    const weights = masses.map(({ kg }, i) => kg * G * (1 + (departures.massesBy[i] ?? 0)));
    this.weightN = weights.reduce((sum, one) => sum + one, 0);
    const middle = (along: 'x' | 'y') =>
      masses.reduce((sum, mass, i) => sum + (weights[i] as number) * mass[along], 0) / this.weightN;
    const [xm, ym] = [middle('x'), middle('y')];
    const rolls = contacts.some(({ y }) => y !== 0);
    const { twistNPerMm } = departures;
    const widest = (along: 'x' | 'y') => max(...contacts.map((contact) => abs(contact[along])), 1);
    this.wheels = contacts.map((contact, i) => {
      const off = departures.contacts[i] as ContactDepartures;
      const suspension = wheelForceOf(contact, off, seatsBy[i] ?? 0);
      const held = heldN[i] ?? 0;
      return {
        contact,
        off,
        forceN: (travelMm) => suspension(travelMm) + held,
        arms: [
          1,
          (contact.x - xm) / 1000,
          ...(rolls ? [(contact.y - ym) / 1000] : []),
          ...(rolls && twistNPerMm !== null ? [sign(contact.x) * sign(contact.y)] : []),
        ],
      };
    });
    this.bodyFreedoms = this.wheels[0]?.arms.length ?? 0;
    this.twist =
      rolls && twistNPerMm !== null
        ? {
            nPerMm: twistNPerMm,
            at: this.bodyFreedoms - 1,
            // A mass off both middle lines twists the body it lies in.
            weightN: masses.reduce(
              (sum, { x, y }, i) => sum + ((weights[i] as number) * x * y) / (widest('x') * widest('y')),
              0,
            ),
          }
        : null;
    const place = (name: string) => contacts.findIndex((contact) => contact.name === name);
    this.wound = [...machine.bars, ...departures.bars]
      .filter(({ hooked }) => hooked)
      .map(({ between: [a, b], rateNPerMm, offsetMm }) => ({
        a: place(a),
        b: place(b),
        rateNPerMm,
        offsetMm,
      }));
    this.state = [
      -60,
      ...Array.from({ length: this.bodyFreedoms - 1 }, () => 0),
      ...contacts.map(({ travelMm }) => travelMm / 3),
    ];
    this.freedoms = [
      ...Array.from({ length: this.bodyFreedoms }, (_, a) => ({
        low: -LIMIT_MM,
        high: LIMIT_MM,
        force: () => this.bodyN(a),
      })),
      ...contacts.map(({ travelMm }, i) => ({ low: 0, high: travelMm, force: () => this.wheelN(i) })),
    ];
  }

  /** How it stands in the state it is in. */
  stand(): Rest {
    return {
      travelMm: this.wheels.map((_, i) => this.travel(i)),
      heightMm: this.wheels.map((_, i) => this.height(i)),
      padsN: this.wheels.map((_, i) => this.tyre(i)[0]),
    };
  }

  private travel(i: number): number {
    return this.state[this.bodyFreedoms + i] as number;
  }

  private height(i: number): number {
    const { arms } = this.wheels[i] as Wheel;
    let mm = 0;
    for (let a = 0; a < arms.length; a++) mm += (arms[a] as number) * (this.state[a] as number);
    return mm;
  }

  /** N of a tyre, and N that a mm more of it takes. */
  private tyre(i: number): [number, number] {
    const { contact, off } = this.wheels[i] as Wheel;
    const mm = max(contact.padMm + off.floorMm + off.tyreRadiusMm - this.height(i) - this.travel(i), 0);
    const rate = contact.tyreRateNPerMm * (1 + off.tyreBy);
    return [rate * mm * (1 + (off.tyreGrows * mm) / 20), mm > 0 ? rate * (1 + (off.tyreGrows * mm) / 10) : 0];
  }

  private wheelN(i: number): number {
    const { forceN, contact } = this.wheels[i] as Wheel;
    let sum = forceN(this.travel(i)) + contact.unsprungKg * G - this.tyre(i)[0];
    for (const { a, b, rateNPerMm, offsetMm } of this.wound) {
      if (a !== i && b !== i) continue;
      const n = rateNPerMm * (this.travel(a) - this.travel(b) - offsetMm);
      sum += a === i ? n : -n;
    }
    return sum;
  }

  private bodyN(a: number): number {
    // About its own middle, weight neither pitches nor rolls.
    let sum = a === 0 ? this.weightN : 0;
    if (this.twist && a === this.twist.at)
      sum += this.twist.weightN + this.twist.nPerMm * (this.state[a] as number);
    this.wheels.forEach(({ arms, contact }, i) => {
      sum += (contact.unsprungKg * G - this.tyre(i)[0]) * (arms[a] as number);
    });
    return sum;
  }

  /** N on each freedom for each mm of another. */
  stiffness(): number[][] {
    const rows = this.state.map(() => this.state.map(() => 0));
    const add = (r: number, c: number, by: number) => {
      (rows[r] as number[])[c] = ((rows[r] as number[])[c] as number) + by;
    };
    this.wheels.forEach(({ forceN, arms }, i) => {
      const rate = this.tyre(i)[1];
      const at = this.bodyFreedoms + i;
      const z = this.travel(i);
      add(at, at, rate + max((forceN(z + 0.01) - forceN(z - 0.01)) / 0.02, 1e-3));
      arms.forEach((arm, a) => {
        add(a, at, rate * arm);
        add(at, a, rate * arm);
        arms.forEach((other, b) => add(a, b, rate * arm * other));
      });
    });
    for (const { a, b, rateNPerMm } of this.wound) {
      const [p, q] = [this.bodyFreedoms + a, this.bodyFreedoms + b];
      for (const [r, c, way] of [[p, p, 1], [q, q, 1], [p, q, -1], [q, p, -1]] as const) add(r, c, way * rateNPerMm); // oxfmt-ignore
    }
    // A body with all wheels in the air is held by next to nothing.
    for (let a = 0; a < this.bodyFreedoms; a++) add(a, a, 1e-6);
    if (this.twist) add(this.twist.at, this.twist.at, this.twist.nPerMm);
    return rows;
  }
}
