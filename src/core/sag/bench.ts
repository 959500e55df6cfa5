import { sagWish } from '../document/sagWish.ts';
import { logStepSd } from '../estimate/gains.ts';
import type { Answer } from '../planning/answerShape.ts';
import { readSag, windowOf, type SagReading } from './sagWindows.ts';
import type { Situation } from '../estimate/belief.ts';
import { drawValues } from '../estimate/predict.ts';
import { simulate, type Outcome } from '../estimate/simulate.ts';
import type { CornerId } from '../kinds/corners.ts';
import { CornerModel, plainSetting, type CornerSetting } from '../machine/corner.ts';
import { GRAVITY } from '../machine/solver.ts';
import { seededUniform } from '../numerics/random.ts';
import { cornerSpec } from '../estimate/corner.ts';
import { wayOf } from '../adjusting/index.ts';
import { tolerances } from '../tolerances.ts';
import { isSagRead } from '../estimate/sagEvidence.ts';
import { halfBandOf, midReading } from '../document/sagReadings.ts';
import { middleOf } from './schools.ts';
import { springForSags, type NeededSpring } from './rates.ts';
import { bisect } from '../numerics/bisect.ts';

/** mm, absolute. Less static sag than this is none: topped out. */
const TOPPED_OUT_MM = 1;

/** Wheel travel used in one state, mm: as the machine is known by all that was read. */
interface SagState {
  nowMm: number;
  nowSdMm: number;
  /** Once what is asked has been turned. */
  afterMm: number;
  afterSdMm: number;
  /** Sprung weight on this end, kg. */
  kg: number;
}

/** What friction does at one end: the band between press and lift, mm as the tape has it. */
interface Friction {
  bandMm: number;
  verdict: 'good' | 'fair' | 'poor';
}

/** One end of a machine on the sag bench. */
export interface SagEnd {
  id: CornerId;
  travelMm: number;
  alone: SagState;
  /** As ridden: full gear, luggage, full tank. */
  ridden: SagState;
  /** The rider's sag as read: in the clothes, and with the fuel, that were on then. */
  asReadMm: number;
  friction: Friction | null;
  /** Against the windows, as it will stand after the plan. */
  riderSag: SagReading | null;
  staticSag: SagReading | null;
  /** Whether anything is known of it with nobody on: that was read, or its springs were named. */
  aloneKnown: boolean;
  /** Topped out with nobody on, now and after; never by a guess. */
  toppedOut: { now: boolean; after: boolean };
  /** Mean rate of the spring at its place, N/mm: as fitted and as the readings have it. */
  rate: { nominalNPerMm: number; nPerMm: number; known: boolean };
  /**
   * Sag that one cam position, groove or turn more takes away here where it is set, mm, as the readings have it, and the
   * spread of its logarithm.
   */
  perStep: { mm: number; logSd: number };
  /** Preload after the plan, mm along the spring, and its force. */
  preload: { mm: number; forceN: number };
  /** The plain coil that would have both sags in the middle of their windows, with the spread of its rate. */
  needed: (NeededSpring & { sdNPerMm: number }) | null;
}

const DRAWS = 48;

/** What the bench says of every end that was read; empty where nobody is in the book. */
export function sagEnds(answer: Answer): SagEnd[] {
  const { machine, now, after, specifiedAfter } = answer;
  if (answer.document.riders.length === 0) return [];
  const { km, level } = specifiedAfter;
  const aloneOn = (situation: Situation): Situation => ({ ...situation, km, level, aboard: machine.alone });
  const states = {
    alone: [aloneOn(now), aloneOn(after)],
    ridden: [{ ...now, km, level, aboard: specifiedAfter.aboard }, specifiedAfter],
  } as const;
  const drawn = drawnOutcomes(answer, states.alone[1], states.ridden[1]);
  return answer.corners.map((corner) => {
    const { id } = corner;
    const i = machine.corners.indexOf(id);
    const stateOf = ([from, to]: readonly [Situation, Situation]): SagState => {
      const [here, there] = [answer.predictAt(from), answer.predictAt(to)];
      return {
        nowMm: here.travel[i] ?? 0,
        nowSdMm: here.travelSd[i] ?? 0,
        afterMm: there.travel[i] ?? 0,
        afterSdMm: there.travelSd[i] ?? 0,
        kg: sprungN(there.outcome, i) / GRAVITY,
      };
    };
    const [alone, ridden] = [stateOf(states.alone), stateOf(states.ridden)];
    const travelMm = corner.spec.travelMm.value;
    const { sagWindow, staticWindow } = answer.document.corners[id];
    const aloneRead = isSagRead(answer.state, id, 'alone');
    const aloneKnown = aloneRead || machine.sources[id].springs !== 'assumed';
    return {
      id,
      travelMm,
      alone,
      ridden,
      asReadMm: answer.predictAt({ ...now, km, level, aboard: machine.aboard[0] ?? [] }).travel[i] ?? 0,
      friction: frictionAt(answer, id, travelMm),
      riderSag: sagWindow && readSag(windowOf(sagWindow, 'rider'), ridden.afterMm, travelMm),
      // What nobody read with nobody on is held against nothing.
      staticSag: aloneRead
        ? staticWindow && readSag(windowOf(staticWindow, 'static'), alone.afterMm, travelMm)
        : null,
      aloneKnown,
      toppedOut: {
        now: aloneKnown && alone.nowMm < TOPPED_OUT_MM,
        after: aloneKnown && alone.afterMm < TOPPED_OUT_MM,
      },
      perStep: { mm: perStepMm(answer, id, i), logSd: logStepSd(answer.fit, i) },
      ...springOf(answer, id, i),
      needed: aloneRead && isSagRead(answer.state, id, 'ridden') ? neededAt(answer, id, i, drawn) : null,
    };
  });
}

/** mm of sag that one step more takes away with whom on it is set: a cam's next position, a groove, a turn, 0.1 bar. */
function perStepMm(
  { document, machine, now, specifiedAfter, predictAt }: Answer,
  id: CornerId,
  i: number,
): number {
  const corner = document.corners[id];
  const seatBy = now.seatsBy[i] ?? 0;
  const step = wayOf(corner).oneMore({ corner, spec: cornerSpec(document, id), collarMm: null, seatBy });
  const { km, level } = specifiedAfter;
  const aboard = sagWish(document, id)?.who === 'alone' ? machine.alone : specifiedAfter.aboard;
  const at = (by: number) => {
    const seatsBy = now.seatsBy.map((mm, k) => (k === i ? mm + by : mm));
    return predictAt({ ...now, km, level, aboard, seatsBy }).travel[i] ?? 0;
  };
  return at(0) - at(step);
}

/** Load that the springs of a contact hold up where it rests, N at the wheel. */
function sprungN({ solver }: Outcome, i: number): number {
  const corner = solver.corners[i] as CornerModel;
  corner.evaluate(solver.z[i] ?? 0);
  return corner.forceN - solver.pressN(i);
}

function springOf(answer: Answer, id: CornerId, i: number): Pick<SagEnd, 'rate' | 'preload'> {
  const { outcome } = answer.predictAt(answer.specifiedAfter);
  const corner = outcome.solver.corners[i] as CornerModel;
  corner.evaluate(outcome.solver.z[i] ?? 0);
  const nPerMm = corner.elastic.rateNPerMm;
  const forceN = corner.elastic.forceN;
  corner.elastic.evaluate(corner.preloadMm);
  const preload = { mm: corner.preloadMm, forceN: corner.elastic.forceN };
  const known = answer.machine.sources[id].springs !== 'assumed';
  const nominalNPerMm = nominalRate(corner, outcome.settings[i] ?? plainSetting, forceN) ?? nPerMm;
  return { rate: { nominalNPerMm, nPerMm, known: known && forceN > 0 }, preload };
}

/** Rate of the springs as they were named where they push so hard, N/mm: what the readings make of each is taken out. */
function nominalRate(
  { description, zMax }: CornerModel,
  setting: CornerSetting,
  forceN: number,
): number | null {
  const named = new CornerModel(description, { ...setting, springScales: setting.springScales.map(() => 1) });
  const { elastic } = named;
  const most = named.springAt(zMax) + Math.max(named.preloadMm, 0) + 100;
  const pressed = bisect(0, most, (mm) => {
    elastic.evaluate(mm);
    return elastic.forceN < forceN;
  });
  elastic.evaluate(pressed);
  return Number.isFinite(elastic.rateNPerMm) ? elastic.rateNPerMm : null;
}

/** Drawn machines at rest alone and ridden: what their spread is worked out from. */
function drawnOutcomes({ fit }: Answer, alone: Situation, ridden: Situation): [Outcome, Outcome][] {
  const uniform = seededUniform(tolerances.planSeed);
  const all = [fit.values, ...Array.from({ length: DRAWS }, () => drawValues(fit, uniform))];
  return all.map((values) => [simulate(fit.believed, values, alone), simulate(fit.believed, values, ridden)]);
}

function neededAt(
  { document }: Answer,
  id: CornerId,
  i: number,
  drawn: readonly (readonly [Outcome, Outcome])[],
): SagEnd['needed'] {
  const { sagWindow, staticWindow, sagMm, air, torsion } = document.corners[id];
  if (!sagWindow || !staticWindow || air || torsion) return null;
  const all = drawn.map(([light, heavy]) =>
    springForSags(
      heavy.solver.corners[i] as CornerModel,
      { loadN: sprungN(light, i), travelMm: middleOf(staticWindow) },
      { loadN: sprungN(heavy, i), travelMm: sagMm ?? middleOf(sagWindow) },
    ),
  );
  const [best, ...others] = all;
  if (!best) return null;
  const rates = others.flatMap((one) => one?.rateNPerMm ?? []);
  const variance =
    rates.reduce((sum, rate) => sum + (rate - best.rateNPerMm) ** 2, 0) / Math.max(rates.length, 1);
  return { ...best, sdNPerMm: Math.sqrt(variance) };
}

/** The widest band read at an end, the newest round first, and how it is judged against the travel. */
function frictionAt({ state, document, machine }: Answer, id: CornerId, travelMm: number): Friction | null {
  const sag = state.rounds.findLast((round) => {
    const here = round.sag[id];
    return here && halfBandOf(here).seen;
  })?.sag[id];
  if (!sag) return null;
  const half = halfBandOf(sag);
  const bands = Object.values(sag.states).flatMap((one) => midReading(one, half)?.bandMm ?? []);
  // Pressed and lifted changed over is no friction below nothing: it is asked about where it was typed.
  const bandMm = Math.max(...bands, 0);
  // A band read on the shaft is the wheel's by the ratio.
  const { kind } = document.corners[id].reference;
  const description = machine.believed.machine.contacts[machine.corners.indexOf(id)];
  const ratio = kind === 'shaft' && description ? new CornerModel(description).meanRatio : 1;
  const share = bandMm / ratio / travelMm;
  const { good, poor } = tolerances.frictionBand;
  return { bandMm, verdict: share <= good ? 'good' : share <= poor ? 'fair' : 'poor' };
}
