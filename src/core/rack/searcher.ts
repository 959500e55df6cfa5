import { CornerModel } from '../machine/corner.ts';
import type { ContactDescription } from '../machine/description.ts';
import { GRAVITY } from '../machine/solver.ts';
import { ratioMap } from '../geometry/ratioMap.ts';
import { ringShares, type Candidate, type SearchProblem } from './problem.ts';
import { obstacles, ofTheRing, PLENTY, type Obstacle, type Runout } from './verdict.ts';

/** Pieces that the travel is cut into. */
const PIECES = 512;

const code = (obstacle: Obstacle) => obstacles.indexOf(obstacle);
const ROOM_SHORT = code('room-short');
const ROOM_LONG = code('room-long');
const SAG_LITTLE = code('sag-little');
const SAG_MUCH = code('sag-much');
const SEATED = code('seated');
const RING_OUT = code('ring-out');
const RING_TOUCHES = code('ring-touches');
const BOUND_FIRST = code('bound-first');
const COIL = code('coil');
const LOAD = code('load');
const BUMP = code('bump');

/** `ofTheRing` by code. */
const OF_THE_RING = obstacles.map((one) => ofTheRing.has(one));

/**
 * Tries combinations of straight springs on one wheel: millions of them, so nothing is allocated and the wheel's geometry
 * is read off a grid. With r(z) the spring's compression, r'(z) its slope and g(z) the wheel force of gas and stop, the
 * wheel rests where F(r(z) + p) r'(z) + g(z) = W. One or two springs in series have at most one knee before they are
 * solid, at lock_1 of the upper (its ring or its coil bind): F = k12 x up to it, k2 from there on, no end once both are shut.
 */
export class Searcher {
  /** What the combination last tried gives. */
  obstacle = 0;
  /** How far off it is, as a share of what would be plenty: for the nearest of those that fail. */
  shortBy = 0;
  preloadMm = 0;
  roomMm = 0;
  /** Upper spring's compression at which the ring stops it; infinite without one. */
  limitMm = Infinity;
  worst: Runout = 'thread';
  worstMm = 0;
  /** Least margin as a share of plenty: what combinations are put in order by. */
  share = 0;
  readonly sagMm: Float64Array;
  private readonly r = new Float64Array(PIECES + 1);
  private readonly slope = new Float64Array(PIECES + 1);
  private readonly other = new Float64Array(PIECES + 1);
  private readonly loadN: Float64Array;
  private readonly step: number;
  private readonly shares: readonly number[];
  private readonly endMm: number;
  private readonly stopMm: number;
  /** Spring compression, without preload, where the wheel is to stand. */
  private readonly targetR: number;
  /** Force that the springs carry where the wheel is to stand. */
  private readonly restN: number;
  /** Room that would stand the wheel on its target. */
  private wantedRoom = 0;
  /** Which way the ring would have to go, by what failed last. */
  private wants: 'earlier' | 'later' | 'either' = 'either';
  // The stack tried now.
  private k1 = 0;
  private k2 = 0;
  private lock1 = 0;
  private lock2 = 0;
  private k12 = 0;
  private kneeX = 0;
  private kneeF = 0;
  private kneeK = 0;
  private solidX = 0;

  constructor(private readonly problem: SearchProblem) {
    const { travelMm, cases, targetMm, stop } = problem;
    this.step = travelMm / PIECES;
    this.shares = problem.ring ? ringShares(problem.ring) : [];
    this.endMm = travelMm;
    this.stopMm = stop ? travelMm - stop.leftMm : travelMm;
    this.loadN = Float64Array.from(cases, ({ kg }) => kg * GRAVITY);
    this.sagMm = new Float64Array(cases.length);
    this.fillGrid();
    this.targetR = this.at(this.r, targetMm);
    this.restN =
      Math.max((this.loadN[0] as number) - this.at(this.other, targetMm), 0) / this.at(this.slope, targetMm);
  }

  /** Least force that a spring carries at rest anywhere in the first window: what each alone must stand. */
  leastRestN(): number {
    const [first] = this.problem.cases;
    let least = Infinity;
    for (let i = 0; i <= PIECES; i++) {
      const z = i * this.step;
      if (z < (first?.fromMm ?? 0) - this.step || z > (first?.toMm ?? Infinity) + this.step) continue;
      least = Math.min(
        least,
        ((this.loadN[0] as number) - (this.other[i] as number)) / (this.slope[i] as number),
      );
    }
    return Math.max(least, 0);
  }

  private fillGrid(): void {
    const contact = contactOf(this.problem);
    const without = new CornerModel(contact);
    const pressed = new CornerModel({
      ...contact,
      springs: {
        kind: 'stack',
        stack: { springs: [{ kind: 'linear', rateNPerMm: 1, solidMm: null }], rings: [] },
      },
      preloadMm: KNOWN_N,
    });
    for (let i = 0; i <= PIECES; i++) {
      const z = i * this.step;
      without.evaluate(z);
      pressed.evaluate(z);
      this.r[i] = without.springAt(z);
      this.other[i] = without.forceN;
      this.slope[i] = (pressed.forceN - without.forceN) / (KNOWN_N + (this.r[i] as number));
    }
  }

  private at(values: Float64Array, travelMm: number): number {
    const place = Math.min(Math.max(travelMm / this.step, 0), PIECES);
    const i = Math.min(Math.floor(place), PIECES - 1);
    const share = place - i;
    return (values[i] as number) * (1 - share) + (values[i + 1] as number) * share;
  }

  /** Tries one spring alone. True when it meets everything; what it gives stands in the fields. */
  single(only: Candidate): boolean {
    this.k1 = Infinity;
    this.lock1 = 0;
    return this.attempt(null, only);
  }

  /** Tries two springs, the first at the seat: a tender before a main spring, or two with a ring between. */
  pair(upper: Candidate, lower: Candidate): boolean {
    this.k1 = upper.rate;
    this.lock1 = upper.wayMm;
    if (upper.spring.tender || this.shares.length === 0) return this.attempt(upper, lower);
    this.setsOut(upper, lower);
    return this.ringed(upper, lower);
  }

  private attempt(upper: Candidate | null, lower: Candidate): boolean {
    this.setsOut(upper, lower);
    return this.meets(upper, lower);
  }

  /**
   * Tries the ring at every share, the wished one first. What fails at one tells which way the ring must go: a later
   * ring only softens, so that shares on the other side cannot mend it and are left out.
   */
  private ringed(upper: Candidate, lower: Candidate): boolean {
    const restMm = this.rest(this.loadN[0] as number);
    let [after, before] = [-Infinity, Infinity];
    let [nearest, obstacle] = [Infinity, 0];
    for (const share of this.shares) {
      if (share <= after || share >= before) continue;
      this.openRing(upper);
      if (this.placeRing(upper, share, restMm) && this.meets(upper, lower)) return true;
      if (this.shortBy < nearest) [nearest, obstacle] = [this.shortBy, this.obstacle];
      if (!OF_THE_RING[this.obstacle]) break;
      if (this.wants === 'later') after = share;
      if (this.wants === 'earlier') before = share;
    }
    this.shortBy = nearest;
    this.obstacle = obstacle;
    return false;
  }

  /** The stack as it is without its ring. */
  private openRing(upper: Candidate): void {
    this.wants = 'either';
    this.obstacle = 0;
    this.share = Infinity;
    this.limitMm = Infinity;
    this.lock1 = upper.wayMm;
    this.join();
  }

  /** Seat and preload: where the wheel is to stand the springs carry the load whatever they are. */
  private setsOut(upper: Candidate | null, lower: Candidate): void {
    const { room } = this.problem;
    this.k2 = lower.rate;
    this.lock2 = lower.wayMm;
    this.limitMm = Infinity;
    this.obstacle = 0;
    this.share = Infinity;
    this.join();
    const free = lower.freeMm + (upper ? upper.freeMm : 0);
    this.wantedRoom = free - (this.compression(this.restN) - this.targetR);
    this.roomMm = Math.min(Math.max(this.wantedRoom, room.leastMm), room.mostMm);
    this.preloadMm = free - this.roomMm;
  }

  /** Load cases, seating, coils and thread, in this order. */
  private meets(upper: Candidate | null, lower: Candidate): boolean {
    const { room, least } = this.problem;
    for (let c = 0; c < this.sagMm.length; c++) if (!this.caseFits(c)) return false;
    this.left('seated', this.preloadMm - least.seatedMm, PLENTY.seated);
    if (this.preloadMm < least.seatedMm)
      return this.fail(SEATED, least.seatedMm - this.preloadMm, PLENTY.seated);
    if (!this.coilsFit(upper, lower)) return false;
    const thread = (room.mostMm - room.leastMm) / 2;
    if (thread > 0)
      this.left('thread', Math.min(this.roomMm - room.leastMm, room.mostMm - this.roomMm), thread);
    return true;
  }

  /** Works out the stack's two pieces from rates and locks. */
  private join(): void {
    const { k1, k2, lock1, lock2 } = this;
    this.solidX = lock1 + lock2;
    this.k12 = k1 === Infinity ? k2 : (k1 * k2) / (k1 + k2);
    if (k1 === Infinity) {
      [this.kneeX, this.kneeF, this.kneeK] = [lock2, k2 * lock2, Infinity];
      return;
    }
    const [f1, f2] = [k1 * lock1, k2 * lock2];
    this.kneeF = Math.min(f1, f2);
    this.kneeX = this.kneeF === Infinity ? Infinity : this.kneeF / k1 + this.kneeF / k2;
    this.kneeK = f1 <= f2 ? k2 : k1;
  }

  private force(x: number): number {
    if (x <= 0) return 0;
    if (x <= this.kneeX) return x * this.k12;
    return x > this.solidX ? Infinity : this.kneeF + (x - this.kneeX) * this.kneeK;
  }

  private compression(force: number): number {
    if (force <= this.kneeF) return force / this.k12;
    return Math.min(this.kneeX + (force - this.kneeF) / this.kneeK, this.solidX);
  }

  /** The upper spring's compression when the stack is compressed by x, its ring not there. */
  private upperAt(x: number): number {
    return Math.min(Math.max(this.force(x) / this.k1, 0), this.lock1);
  }

  private placeRing(upper: Candidate, share: number, rest: number): boolean {
    const { ring, least } = this.problem;
    if (!ring) return true;
    const takesOver = rest + share * (this.endMm - rest);
    const wanted = this.upperAt(this.at(this.r, takesOver) + this.preloadMm);
    const place = Math.min(Math.max(upper.freeMm - wanted, ring.leastMm), ring.mostMm);
    const limit = upper.freeMm - place;
    const off = Math.abs(wanted - limit);
    if (off > OUT_OF_PLACE_MM) {
      this.wants = wanted > limit ? 'earlier' : 'later';
      return this.fail(RING_OUT, off, PLENTY.coil);
    }
    const resting = this.upperAt(this.at(this.r, rest) + this.preloadMm);
    const before = upper.wayMm - limit;
    if (before < least.coilMm) {
      this.wants = 'earlier';
      return this.fail(BOUND_FIRST, least.coilMm - before, PLENTY.coil);
    }
    if (limit <= resting + 0.05) {
      this.wants = 'later';
      return this.fail(RING_TOUCHES, resting - limit + 0.05, PLENTY.coil);
    }
    this.limitMm = limit;
    this.lock1 = limit;
    this.join();
    return true;
  }

  private caseFits(c: number): boolean {
    const { wantedRoom } = this;
    const { cases, least } = this.problem;
    const { fromMm, toMm } = cases[c] as SearchProblem['cases'][number];
    const z = this.rest(this.loadN[c] as number);
    this.sagMm[c] = z;
    const half = Math.max((toMm - fromMm) / 2, 1);
    if (z < fromMm - SLACK_MM || z > toMm + SLACK_MM) {
      const off = z < fromMm ? fromMm - z : z - toMm;
      if (c === 0 && wantedRoom > this.roomMm + 1e-6)
        return this.fail(ROOM_LONG, wantedRoom - this.roomMm, PLENTY.coil);
      if (c === 0 && wantedRoom < this.roomMm - 1e-6)
        return this.fail(ROOM_SHORT, this.roomMm - wantedRoom, PLENTY.coil);
      this.wants = z < fromMm ? 'later' : 'earlier';
      return this.fail(z < fromMm ? SAG_LITTLE : SAG_MUCH, off, half);
    }
    this.left('sag', Math.max(Math.min(z - fromMm, toMm - z), 0), half);
    const bump = this.stopMm - z - least.bumpMm;
    if (bump < 0) {
      this.wants = 'earlier';
      return this.fail(BUMP, -bump, PLENTY.bump);
    }
    this.left('bump', bump, PLENTY.bump);
    return true;
  }

  /** Wheel travel at which a load rests: the piece by halving, the place within it by two steps of false position. */
  private rest(loadN: number): number {
    if (this.pushes(0) >= loadN) return 0;
    let [low, high] = [0, PIECES];
    if (this.pushes(PIECES) <= loadN) return this.endMm;
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (this.pushes(middle) < loadN) low = middle;
      else high = middle;
    }
    let [a, b, fa, fb] = [0, 1, this.pushes(low) - loadN, this.pushes(high) - loadN];
    let t = 0.5;
    for (let k = 0; k < 4 || fb === Infinity; k++) {
      // Where the springs go solid in this piece the force has no end: halve it instead.
      t = fb === Infinity ? (a + b) / 2 : (a * fb - b * fa) / (fb - fa);
      if (b - a < 1e-9) break;
      const f = this.pushesWithin(low, t) - loadN;
      if (Math.abs(f) < 1e-6) break;
      if (f < 0) [a, fa] = [t, f];
      else [b, fb] = [t, f];
    }
    return (low + t) * this.step;
  }

  private pushes(i: number): number {
    return (
      this.force((this.r[i] as number) + this.preloadMm) * (this.slope[i] as number) +
      (this.other[i] as number)
    );
  }

  private pushesWithin(i: number, t: number): number {
    const between = (values: Float64Array) => (values[i] as number) * (1 - t) + (values[i + 1] as number) * t;
    return this.force(between(this.r) + this.preloadMm) * between(this.slope) + between(this.other);
  }

  /** Way left to solid and load carried with the wheel at the end of its travel. */
  private coilsFit(upper: Candidate | null, lower: Candidate): boolean {
    const { coilMm } = this.problem.least;
    const x = (this.r[PIECES] as number) + this.preloadMm;
    const solid = this.lock2 + (upper ? this.lock1 : 0);
    if (x > solid) return this.fail(COIL, x - solid + coilMm, PLENTY.coil);
    const force = this.force(x);
    const lowerLeft = lower.wayMm - Math.min(force / this.k2, this.lock2);
    let left = lowerLeft;
    if (upper && !upper.spring.tender)
      left = Math.min(left, upper.wayMm - Math.min(force / this.k1, this.lock1));
    if (left < Math.max(coilMm, BOUND_MM)) return this.fail(COIL, coilMm - left + BOUND_MM, PLENTY.coil);
    this.left('coil', left - coilMm, PLENTY.coil);
    const upperN = upper ? Math.min(force, this.k1 * this.lock1) : 0;
    const over = Math.max(
      force - lower.maxN,
      upper && !upper.spring.tender ? upperN - upper.maxN : -Infinity,
    );
    return over <= 0 || this.fail(LOAD, over / 100, PLENTY.coil);
  }

  private left(kind: Runout, mm: number, plenty: number): void {
    const share = mm / plenty;
    if (share >= this.share) return;
    this.share = share;
    this.worst = kind;
    this.worstMm = mm;
  }

  private fail(obstacle: number, off: number, plenty: number): false {
    this.obstacle = obstacle;
    this.shortBy = off / plenty;
    return false;
  }
}

/** mm. Coils nearer than this touch. */
export const BOUND_MM = 1e-6;
/** mm. A window is not missed by less. */
export const SLACK_MM = 0.02;
/** Newtons of a known spring that geometry is read off with. */
const KNOWN_N = 1000;
/** mm. A ring that must stand farther than this from where it is wanted counts as out of reach. */
export const OUT_OF_PLACE_MM = 1;

/** The wheel of a problem with next to no spring on it. */
export function contactOf({ travelMm, ratio, springRatio, stop, gas }: SearchProblem): ContactDescription {
  const damper = ratioMap(ratio, travelMm);
  damper.evaluate(travelMm - (stop?.leftMm ?? 0));
  return {
    name: 'wheel',
    axle: 'front',
    x: 0,
    y: 0,
    travelMm,
    ratio,
    springRatio,
    springs: {
      kind: 'stack',
      stack: { springs: [{ kind: 'linear', rateNPerMm: 1e-9, solidMm: null }], rings: [] },
    },
    preloadMm: 0,
    gas,
    stop: stop && { contactMm: damper.value, rows: stop.rows },
    topOut: null,
    tyreRateNPerMm: 200,
    unsprungKg: 0,
    padMm: 0,
  };
}
