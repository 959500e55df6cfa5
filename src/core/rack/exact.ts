import { frequencyHz } from '../lab/curve.ts';
import { restTravel } from '../machine/rest.ts';
import { CornerModel } from '../machine/corner.ts';
import { GRAVITY } from '../machine/solver.ts';
import { Stack, type RingDescription } from '../springs/stack.ts';
import { ringShares, type Candidate, type SearchProblem } from './problem.ts';
import { BOUND_MM, contactOf, OUT_OF_PLACE_MM, SLACK_MM } from './searcher.ts';
import type { RackSpring } from './spring.ts';
import { ofTheRing, PLENTY, type Obstacle, type Runout } from './verdict.ts';
import { bisect } from '../numerics/bisect.ts';

/** A combination worked out in full. */
export interface Found {
  kind: 'single' | 'tender' | 'dual';
  upper: RackSpring | null;
  lower: RackSpring;
  /** Compression at full droop and room for the springs there, mm. */
  preloadMm: number;
  roomMm: number;
  /** Face of the seat to ring, mm, and the upper spring's compression there; null without a ring. */
  ring: { fromSeatMm: number; limitMm: number } | null;
  /** Wheel travel used, by load case, mm. */
  sagMm: number[];
  /** Wheel travel where the ring takes over; null where it does not, or there is none. */
  transitionMm: number | null;
  /** At ride height, with what is carried there. */
  frequencyHz: number;
  worst: Runout;
  worstMm: number;
  /** Least margin as a share of plenty. */
  share: number;
  obstacle: Obstacle;
  /** How far off, as a share of plenty; 0 where nothing stands in the way. */
  shortBy: number;
}

/**
 * One combination through the full model: any springs, progressive ones too. The seat goes where the first case stands
 * on its target, as far as there is room; the ring where it is wished, or where that does not do, elsewhere in its range.
 */
export function workOut(problem: SearchProblem, upper: Candidate | null, lower: Candidate): Found {
  const ringed = upper !== null && !upper.spring.tender && problem.ring;
  const shares = ringed ? ringShares(ringed) : [null];
  let nearest: Found | null = null;
  for (const share of shares) {
    const found = workOutAt(problem, upper, lower, share);
    if (found.obstacle === 'none') return found;
    if (!nearest || found.shortBy < nearest.shortBy) nearest = found;
    if (!ofTheRing.has(found.obstacle)) break;
  }
  return nearest as Found;
}

function workOutAt(
  problem: SearchProblem,
  upper: Candidate | null,
  lower: Candidate,
  ringShare: number | null,
): Found {
  const springs = [...(upper ? [upper] : []), lower];
  const contact = contactOf(problem);
  const stackOf = (rings: RingDescription[]) => ({
    springs: springs.map(({ description }) => description),
    rings,
  });
  const model = (preloadMm: number, rings: RingDescription[] = []) =>
    new CornerModel({ ...contact, preloadMm, springs: { kind: 'stack', stack: stackOf(rings) } });
  const bare = new CornerModel(contact);
  bare.evaluate(problem.targetMm);
  const loads = problem.cases.map(({ kg }) => kg * GRAVITY);
  const free = springs.reduce((sum, { freeMm }) => sum + freeMm, 0);
  const wanted = free - preloadFor(problem, bare, new Stack(stackOf([])), loads[0] ?? 0);
  const roomMm = Math.min(Math.max(wanted, problem.room.leastMm), problem.room.mostMm);
  const preloadMm = free - roomMm;
  const kind = upper ? (upper.spring.tender ? 'tender' : 'dual') : 'single';
  const found: Found = {
    kind,
    upper: upper?.spring ?? null,
    lower: lower.spring,
    preloadMm,
    roomMm,
    ring: null,
    sagMm: [],
    transitionMm: null,
    frequencyHz: NaN,
    worst: 'thread',
    worstMm: 0,
    share: Infinity,
    obstacle: 'none',
    shortBy: 0,
  };
  const tally = new Tally(found);
  const rings =
    upper && ringShare !== null ? ringFor(problem, model(preloadMm), upper, ringShare, tally) : [];
  if (!rings) return found;
  const whole = model(preloadMm, rings);
  if (rings[0] && upper)
    found.ring = { fromSeatMm: upper.freeMm - rings[0].limitMm, limitMm: rings[0].limitMm };
  if (!casesFit(problem, whole, loads, wanted, tally)) return found;
  const { least } = problem;
  if (!tally.keeps('seated', preloadMm - least.seatedMm, PLENTY.seated, 'seated')) return found;
  if (!coilsFit(problem, whole, springs, tally)) return found;
  const thread = (problem.room.mostMm - problem.room.leastMm) / 2;
  const { leastMm, mostMm } = problem.room;
  if (thread > 0) tally.keeps('thread', Math.min(roomMm - leastMm, mostMm - roomMm), thread, 'none');
  return found;
}

/** Writes what runs out first, and what stands in the way, into what was found. */
class Tally {
  constructor(readonly found: Found) {}

  keeps(kind: Runout, mm: number, plenty: number, obstacle: Obstacle): boolean {
    if (mm < 0 && obstacle !== 'none') return this.fails(obstacle, -mm, plenty);
    if (mm / plenty < this.found.share)
      Object.assign(this.found, { worst: kind, worstMm: mm, share: mm / plenty });
    return true;
  }

  fails(obstacle: Obstacle, off: number, plenty: number): false {
    Object.assign(this.found, { obstacle, shortBy: off / plenty });
    return false;
  }
}

/** Compression at full droop that stands the first case on its target. */
function preloadFor({ targetMm }: SearchProblem, bare: CornerModel, stack: Stack, loadN: number): number {
  const slope = springSlope(bare, targetMm);
  const force = Math.max(loadN - bare.forceN, 0) / slope;
  stack.build(0);
  return stack.compressionAt(force) - bare.springAt(targetMm);
}

function springSlope(model: CornerModel, travelMm: number): number {
  model.spring.evaluate(travelMm);
  return model.spring.slope;
}

function ringFor(
  { ring, travelMm, least, cases }: SearchProblem,
  model: CornerModel,
  upper: Candidate,
  share: number,
  tally: Tally,
): RingDescription[] | null {
  if (!ring) return [];
  const rest = restTravel(model, (cases[0]?.kg ?? 0) * GRAVITY);
  const upperAt = (z: number) => model.stack?.springCompression(0, model.springAt(z) + model.preloadMm) ?? 0;
  const wanted = upperAt(rest + share * (travelMm - rest));
  const limitMm = upper.freeMm - Math.min(Math.max(upper.freeMm - wanted, ring.leastMm), ring.mostMm);
  const off = Math.abs(wanted - limitMm);
  if (off > OUT_OF_PLACE_MM) return tally.fails('ring-out', off, PLENTY.coil) || null;
  const before = upper.wayMm - limitMm;
  if (before < least.coilMm) return tally.fails('bound-first', least.coilMm - before, PLENTY.coil) || null;
  const resting = upperAt(rest);
  if (limitMm <= resting + 0.05)
    return tally.fails('ring-touches', resting - limitMm + 0.05, PLENTY.coil) || null;
  return [{ after: 0, limitMm, on: 'seat' }];
}

function casesFit(
  { cases, stop, travelMm, least }: SearchProblem,
  model: CornerModel,
  loads: readonly number[],
  wantedRoom: number,
  tally: Tally,
): boolean {
  const { found } = tally;
  const stopMm = stop ? travelMm - stop.leftMm : travelMm;
  for (const [c, { fromMm, toMm, kg }] of cases.entries()) {
    const z = restTravel(model, loads[c] ?? 0);
    found.sagMm.push(z);
    if (c === 0) {
      model.evaluate(z);
      found.frequencyHz = frequencyHz(model.rateNPerMm, kg);
      const event = model.stack?.events.find(({ kind }) => kind === 'ring');
      found.transitionMm = event ? wheelAt(model, event.compressionMm) : null;
    }
    const half = Math.max((toMm - fromMm) / 2, 1);
    const off = Math.max(fromMm - z, z - toMm);
    if (off > SLACK_MM) {
      const room = wantedRoom - found.roomMm;
      if (c === 0 && Math.abs(room) > 1e-6)
        return tally.fails(room > 0 ? 'room-long' : 'room-short', Math.abs(room), PLENTY.coil);
      return tally.fails(z < fromMm ? 'sag-little' : 'sag-much', off, half);
    }
    tally.keeps('sag', Math.max(-off, 0), half, 'none');
    if (!tally.keeps('bump', stopMm - z - least.bumpMm, PLENTY.bump, 'bump')) return false;
  }
  return true;
}

function wheelAt(model: CornerModel, compressionMm: number): number | null {
  const wanted = compressionMm - model.preloadMm;
  if (wanted > model.springAt(model.zMax)) return null;
  return bisect(0, model.zMax, (z) => model.springAt(z) < wanted);
}

function coilsFit(
  { travelMm, least }: SearchProblem,
  model: CornerModel,
  springs: readonly Candidate[],
  tally: Tally,
): boolean {
  const { stack } = model;
  if (!stack) return false;
  const x = model.springAt(travelMm) + model.preloadMm;
  if (x > stack.solidMm) return tally.fails('coil', x - stack.solidMm + least.coilMm, PLENTY.coil);
  const ways = springs.flatMap(({ wayMm, spring }, i) =>
    spring.tender ? [] : [wayMm - stack.springCompression(i, x)],
  );
  const left = Math.min(...ways);
  if (left < BOUND_MM) return tally.fails('coil', least.coilMm - left + BOUND_MM, PLENTY.coil);
  if (!tally.keeps('coil', left - least.coilMm, PLENTY.coil, 'coil')) return false;
  stack.evaluate(x);
  const over = springs.map(({ maxN, spring, description }, i) => {
    if (spring.tender) return -Infinity;
    const held = i < springs.length - 1 && description.kind === 'linear';
    const n = held
      ? Math.min(stack.forceN, description.rateNPerMm * stack.springCompression(i, x))
      : stack.forceN;
    return n - maxN;
  });
  const most = Math.max(...over);
  return most <= 0 || tally.fails('load', most / 100, PLENTY.coil);
}
