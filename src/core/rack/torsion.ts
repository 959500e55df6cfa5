import { CornerModel } from '../machine/corner.ts';
import { GRAVITY } from '../machine/solver.ts';
import { restTravel } from '../machine/rest.ts';
import { torsionTaken } from '../document/taken.ts';
import { sagEnds } from '../sag/bench.ts';
import { sagWindowAt } from '../document/sagWish.ts';
import type { SagLimits } from '../document/types.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { Answer } from '../planning/answerShape.ts';
import { torsionRateOf, type RackSpring } from './spring.ts';

/** A torsion spring of the rack where it would stand best: its place on the cam, counted from 0, and both sags there, mm. */
export interface TorsionFit {
  spring: RackSpring;
  rateNMmPerDeg: number;
  place: number;
  riderMm: number;
  aloneMm: number;
  /** Whether either sag then lies in its window; null where none is wanted. */
  riderIn: boolean;
  aloneIn: boolean | null;
}

/** What a corner with torsion springs is now: for those of the rack to stand beside. */
export interface TorsionSearch {
  fits: TorsionFit[];
  /** Springs of the rack of whose rate nothing is known. */
  rateless: RackSpring[];
}

/**
 * The torsion springs of the rack in a corner as it is known by all that was read, each at the place of its cam that brings the
 * rider's sag nearest the middle of its window; those that do best first. Null where the corner has none, or no window.
 */
export function searchTorsion(
  answer: Answer,
  id: CornerId,
  springs: readonly RackSpring[],
): TorsionSearch | null {
  const { torsion, staticWindow } = answer.document.corners[id];
  const window = sagWindowAt(answer.document, id);
  const end = sagEnds(answer).find((one) => one.id === id);
  if (!torsion || !window || !end) return null;
  const own = springs.filter((one) => one.torsion !== null);
  const fits = own.flatMap((spring): TorsionFit[] => {
    const rate = torsionRateOf(spring)?.value ?? null;
    if (rate === null) return [];
    const described = torsionTaken(
      { ...torsion, rateNMmPerDeg: rate, leverMm: spring.torsion?.legMm ?? torsion.leverMm },
      rate,
    );
    const at = (place: number) => {
      const model = modelWith(answer, id, { torsion: described, place });
      const sag = (kg: number) => (model ? restTravel(model, kg * GRAVITY) : NaN);
      return { place, riderMm: sag(end.ridden.kg), aloneMm: sag(end.alone.kg) };
    };
    const places = described.camDegrees.map((_, place) => at(place));
    const middle = (window.fromMm + window.toMm) / 2;
    const [best] = [...places].sort((a, b) => Math.abs(a.riderMm - middle) - Math.abs(b.riderMm - middle));
    if (!best) return [];
    return [
      {
        spring,
        rateNMmPerDeg: rate,
        ...best,
        riderIn: isIn(window, best.riderMm),
        aloneIn: staticWindow && isIn(staticWindow, best.aloneMm),
      },
    ];
  });
  // In both windows first, then in the rider's; of those alike the one that leaves most of its cam. Those out, by how far.
  const offMm = ({ riderMm }: TorsionFit) => Math.max(window.fromMm - riderMm, riderMm - window.toMm, 0);
  const score = (fit: TorsionFit) =>
    fit.riderIn ? (fit.aloneIn === false ? 100 : 0) + fit.place : 1000 + offMm(fit);
  return {
    fits: fits.sort((a, b) => score(a) - score(b)),
    rateless: own.filter((one) => torsionRateOf(one) === null),
  };
}

const isIn = ({ fromMm, toMm }: SagLimits, mm: number) => mm >= fromMm && mm <= toMm;

/** The corner as learnt with other torsion springs in it, at a place of its cam. */
function modelWith(
  { machine, predictAt, now }: Answer,
  id: CornerId,
  { torsion, place }: { torsion: ReturnType<typeof torsionTaken>; place: number },
): CornerModel | null {
  const i = machine.corners.indexOf(id);
  const contact = machine.believed.machine.contacts[i];
  const setting = predictAt(now).outcome.settings[i];
  if (!contact || !setting) return null;
  return new CornerModel(
    { ...contact, springs: { kind: 'torsion', torsion, cam: place } },
    // Another spring has its own rate, and stands where its cam does.
    { ...setting, springScales: [1], seatBy: 0 },
  );
}
