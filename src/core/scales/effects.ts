import { sagWish } from '../document/sagWish.ts';
import { wayNamed, wayOf, type WayName } from '../adjusting/index.ts';
import type { Answer } from '../planning/answerShape.ts';
import { canMove } from '../document/fitting.ts';
import { cornerSpec } from '../estimate/corner.ts';
import { influence, seatForce } from '../machine/equilibrium.ts';
import { GRAVITY } from '../machine/solver.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { CornerId } from '../kinds/corners.ts';
import { spreadAt } from './spread.ts';
import type { Outcome } from '../estimate/simulate.ts';

/** What one turn up, one step, one position or a tenth of a bar more of one adjuster does to everything that can be read. */
export interface SeatEffect {
  seat: CornerId;
  /** A lower mount where there is one: there height is set. */
  by: 'seat' | 'mount';
  /** How the seat goes. */
  way: WayName;
  /** What the turn is, mm of seat or mount or steps of pressure, and how far the seat goes to do the same. */
  turnBy: number;
  asSeatBy: number;
  /** By corner: height over its wheel, mm, and weight on its pad, kg, each with one standard deviation. */
  corners: EffectAt[];
}

interface EffectAt {
  id: CornerId;
  heightMm: number;
  heightSdMm: number;
  padKg: number;
  padSdKg: number;
}

/**
 * Effects of every seat where the machine now rests, as the readings have it: the body's own rise over each wheel and the
 * pads' loads, by the implicit function theorem. Pads' changes add to nothing; on equal tracks and rates a seat moved by d at
 * the wheel gives 3/4, 1/4, 1/4 and -1/4 of it. Empty where nothing holds the machine up firmly.
 */
export function seatEffects(answer: Answer): SeatEffect[] {
  const plain = effectsIn(answer, answer.predictAt(answer.now).outcome);
  const figuresOf = (effects: readonly PlainEffect[]) =>
    effects.flatMap(({ corners }) => corners.flatMap(({ heightMm, padKg }) => [heightMm, padKg]));
  const spread = spreadAt(answer, answer.now, (outcome) => {
    const drawn = effectsIn(answer, outcome);
    return drawn.length === plain.length ? figuresOf(drawn) : null;
  });
  let k = 0;
  return plain.map((effect) => ({
    ...effect,
    corners: effect.corners.map((at) => ({
      ...at,
      heightSdMm: spread[k++] ?? 0,
      padSdKg: spread[k++] ?? 0,
    })),
  }));
}

type PlainEffect = Omit<SeatEffect, 'corners'> & {
  corners: Pick<EffectAt, 'id' | 'heightMm' | 'padKg'>[];
};

/** The effects on one machine at rest; empty where nothing holds it up firmly. */
function effectsIn({ document, machine, now }: Answer, outcome: Outcome): PlainEffect[] {
  const { solver } = outcome;
  const seats = influence(solver);
  if (!seats) return [];
  const ids = cornersIn(document);
  const rise = (i: number, j: number) => {
    const { x, y } = machine.believed.machine.contacts[i] ?? { x: 0, y: 0 };
    const basis = new Float64Array(solver.m);
    solver.writeBasis(basis, 0, x, y);
    return basis.reduce((sum, value, a) => sum + value * (seats.body[a]?.[j] ?? 0), 0);
  };
  return ids.flatMap((seat, j): PlainEffect[] => {
    const corner = document.corners[seat];
    if (!canMove(corner)) return [];
    const by = corner.mount && sagWish(document, seat) === null ? 'mount' : 'seat';
    const turnBy =
      by === 'mount' && corner.mount
        ? corner.mount.pitchMm
        : wayOf(corner).oneMore({
            corner,
            spec: cornerSpec(document, seat),
            collarMm: null,
            seatBy: now.seatsBy[j] ?? 0,
          });
    const seatBy = by === 'mount' ? turnBy * mountAsSeat(outcome, j) : turnBy;
    return [
      {
        seat,
        by,
        way: wayNamed(corner),
        turnBy,
        asSeatBy: seatBy,
        corners: ids.map((id, i) => ({
          id,
          heightMm: seatBy * rise(i, j),
          padKg: (seatBy * (seats.padsN[i]?.[j] ?? 0)) / GRAVITY,
        })),
      },
    ];
  });
}

/** mm of seat that does to the body what a mm of lower mount does: (1 / MR at full droop) Kw / (dFw / dc). */
function mountAsSeat({ solver }: Outcome, j: number): number {
  const corner = solver.corners[j];
  const z = solver.z[j] ?? 0;
  if (!corner) return 1;
  const push = seatForce(corner, z);
  corner.evaluate(z);
  return push > 0 ? corner.rateNPerMm / corner.ratioAt(0) / push : 1;
}
