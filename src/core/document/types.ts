import type { RatioDescription } from '../geometry/ratioMap.ts';
import type { ReferenceKind } from '../geometry/reference.ts';
import type { GasDescription } from '../springs/gas.ts';
import type { AirDescription } from '../springs/air.ts';
import type { RingDescription } from '../springs/stack.ts';
import type { TorsionDescription } from '../springs/torsion.ts';
import type { SpringDocument } from './spring.ts';
import type { CornerId } from '../machine/body.ts';
import type { SuspensionType } from '../kinds/suspension.ts';
import type { MachineClass } from '../machine/classes.ts';
import type { Fact } from './factKinds.ts';

export type { Fact, FactKind } from './factKinds.ts';
export type { ToldCorner, ToldPlan } from './told.ts';

/** Anything JSON can hold. */
export type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** What is moved by hand at a corner. */
export type Fitting =
  | 'seat'
  | 'mount'
  | 'apart'
  | 'grooves'
  | 'strut'
  | 'leaf'
  | 'cam'
  | 'air'
  | 'cap'
  | 'spacer'
  | 'clamp'
  | 'fixed';

/** Description of one corner. A null is "not given": the value of the class is assumed and marked so. */
export interface CornerDocument {
  reference: {
    kind: ReferenceKind;
    /** Added to the tape's reading to reach the point that the specification means. */
    offsetMm: number;
    /** mm that the point lies ahead of its contact; negative behind. */
    aheadMm: number;
  };
  /** Height wanted, as the specification states it. */
  targetMm: number | null;
  /** How much the height counts against the others; null is 1. */
  weight: number | null;
  /** Sag wanted, mm of wheel travel from fully extended, in the load case that the targets are for. */
  sagMm: number | null;
  /** Sag between which the owner will have it, mm of wheel travel, in the same load case. */
  sagWindow: SagLimits | null;
  /** The same for the machine alone, without its rider. */
  staticWindow: SagLimits | null;
  /** How this corner is hung; null where nobody has said. */
  suspension: SuspensionType | null;
  /** Motion ratio that somebody named, damper per wheel. */
  ratio: number | null;
  /** Thread pitch: mm of seat per turn. */
  pitchMm: number | null;
  /** Wheel travel from full droop to metal. */
  travelMm: number | null;
  /** Wheel travel left at which the bump stop is first touched. */
  stopMm: number | null;
  collar: {
    /** The point the caliper is held against. */
    datum: string;
    /** Whether the reading grows as the seat moves towards the spring (preload up, vehicle up). */
    grows: 'with-seat' | 'against-seat';
    /** Readings between which the collar is on good thread. */
    minMm: number | null;
    maxMm: number | null;
  };
  /** Where the ratio is more than one number: levers, measured pairs or a linkage. Stands before `ratio`. */
  ratioFrom: RatioDescription | null;
  /** Spring per wheel, where the spring is apart from the damper. */
  springRatio: number | null;
  /** From the seat outwards; none where nothing is known of them. */
  springs: SpringDocument[];
  /** Crossover rings, by the slider they stop. */
  rings: RingDocument[];
  /** Torsion springs with their cam, in place of coils; `cam` counts its positions from 0. */
  torsion: TorsionDescription | null;
  cam: number | null;
  /** Air in place of coils. */
  air: AirDescription | null;
  /** How far the springs are compressed at full droop with the collar where it was at the baseline; negative is slack. */
  preloadMm: number | null;
  /** Room for the springs at full extension with the collar there; with free lengths it gives the preload. */
  roomMm: number | null;
  gas: GasDescription | null;
  /** Bump stop as rows of [squeeze mm, force N] at the damper; touched where `stopMm` says. */
  stopRows: [number, number][] | null;
  /** What is moved by hand, by its name in the workshop. */
  fitting: Fitting;
  /** False where nothing can be moved: a fixed perch, a leaf, a plain fork. */
  adjustable: boolean;
  /** Smallest movement of the seat: a groove or notch. Null is an eighth of a turn. */
  stepMm: number | null;
  /** Threaded lower mount that sets height alone; null where there is none. */
  mount: MountDocument | null;
  tyreRateNPerMm: number | null;
  /** Wheel, brake and half the arms. */
  unsprungKg: number | null;
  /** Weight on this wheel as measured, wheel and all. */
  loadKg: number | null;
  /** Distances that change with height, as they are at the baseline. */
  clearances: ClearanceDocument[];
  /** Shaft joints whose angle grows as the body rises, as they are at the baseline. */
  boots: BootDocument[];
  /** How much the floor under this wheel lies above the shop's level, mm; null is level. */
  floorMm: number | null;
  /** What this wheel's pad shows over what stands on it; null is 1. */
  padFactor: number | null;
  /** Degrees of camber gained (more negative is a loss) per mm that this corner comes down; null where not known. */
  camberPerMm: number | null;
}

export interface SagLimits {
  fromMm: number;
  toMm: number;
}

export interface RingDocument extends RingDescription {
  /** Gap wanted between slider and ring at ride height, mm along the damper; null leaves the ring as it is set. */
  gapMm: number | null;
}

export interface MountDocument {
  pitchMm: number;
  /** Thread diameter: it must stay engaged over one and a half of it. Null where not known. */
  threadMm: number | null;
  /** Thread in the mount at the baseline, and the least it must keep where the maker says more than the rule. */
  engagedMm: number | null;
  leastMm: number | null;
  /** Thread in the mount when it is screwed in as far as it goes. */
  mostMm: number | null;
}

export interface ClearanceDocument {
  name: string;
  nowMm: number;
  /** mm gained per mm that the body rises over this wheel. */
  perMm: number;
  leastMm: number;
  /** Height over this wheel at which `nowMm` was measured, as the specification states it; null is the baseline's. */
  atMm: number | null;
  /** Rows of [mm the body has risen since it was measured, mm of distance], growing in the first; stands before `perMm`. */
  rows: [number, number][] | null;
}

/** A low point of the body, as its own reference. */
export interface LowPointDocument {
  name: string;
  /** mm ahead of the middle of the wheelbase, and left of the middle. */
  xMm: number;
  yMm: number;
  /** Over the ground at the baseline, and the least it may come to; null where only its angle matters. */
  nowMm: number;
  leastMm: number | null;
}

/** What stands on the ground and over it, beside the reference heights. */
interface StanceDocument {
  /** Measured tyre diameters by axle, those fitted and those to go on; null where nobody has measured, or none go on. */
  tyreMm: { front: number | null; rear: number | null };
  nextTyreMm: { front: number | null; rear: number | null };
  points: LowPointDocument[];
}

/** A shaft that hangs down outwards by an angle, with a boot or joint that takes only so much. */
export interface BootDocument {
  name: string;
  nowDeg: number;
  mostDeg: number;
  /** Joint to joint, mm. */
  shaftMm: number;
}

/** What of a sled's skid is set beside its springs. */
interface SkidDocument {
  /** Positions of the transfer blocks, and holes of the limiter strap, each counted from 1 at the loosest. */
  blockPositions: number;
  strapHoles: number;
}

/** Something heavy that is not always on board. */
export interface LoadDocument {
  name: string;
  kg: number;
  /** mm ahead of the middle of the wheelbase, and left of the middle. */
  xMm: number;
  yMm: number;
  /** Whether it is aboard, by load case. */
  aboard: boolean[];
}

/** One way the machine is ridden: a rider in full gear, who else and what else is on it. The first is the one measured. */
export interface RiderDocument {
  /** r1, r2, ...: names the rider's readings. */
  key: string;
  name: string;
  /** In full riding gear. */
  kg: number;
  /** How much of that is gear, left off in street clothes. */
  gearKg: number;
  /** Share of it on the rear in riding posture, 0 to 1; null takes the class's. */
  rearShare: number | null;
  passengerKg: number;
  luggageKg: number;
}

/** In what state sag was read; as ridden, it is full gear, luggage and a full tank. */
interface SagStateDocument {
  gear: boolean;
  luggage: boolean;
  /** How full the tank was, 0 to 1. */
  fuel: number;
}

export interface BarDocument {
  /** N per mm of difference between left and right wheel travel. */
  rateNPerMm: number;
  hooked: boolean;
  /** Length of the adjustable link as it is, mm, and mm that its end on the arm moves per mm of wheel travel, negative where it hangs down from the arm; null where not given. */
  linkMm: number | null;
  linkPerWheel: number | null;
}

/** Mean damper-per-wheel ratios that readings have given, with one standard deviation of their logarithm. */
export interface LearntDocument {
  /** The job it was learnt in, by name. */
  from: string;
  ratios: Partial<Record<CornerId, { ratio: number; sd: number }>>;
  /** Height that springs there have been seen to lose on the road, mm at the wheel, and over how many km. */
  settled: Partial<Record<CornerId, { lostMm: number; sdMm: number; km: number }>>;
}

/** What tie-rod turns are worked out from, mm; null takes what is usual. */
interface SteeringDocument {
  /** Total toe wanted, in positive. */
  toeMm: number | null;
  /** mm of total toe gained (in positive) per mm that the front comes down; null where not known. */
  toePerMm: number | null;
  tyreMm: number | null;
  armMm: number | null;
  pitchMm: number | null;
}

/** The description part of a job: versioned, changed only through entries. */
export interface JobDocument {
  schema: 'margin-job';
  schemaVersion: 7;
  /** What the shop calls the job. */
  name: string;
  machine: {
    class: MachineClass;
    title: string;
    /** Shared by every job on the same machine; null for one that has no other. */
    id: string | null;
    /** What earlier jobs on it have taught. */
    learnt: LearntDocument | null;
    wheelbaseMm: number | null;
    trackFrontMm: number | null;
    trackRearMm: number | null;
    /** A skid's front arm ahead of its rear arm. */
    armAheadMm: number | null;
    /** Whole machine with what is on board while measuring, but without the riders of its book. */
    massKg: number | null;
    /** Share of that on the front axle, 0 to 1. */
    frontShare: number | null;
    /** What the tank holds, litres. */
    tankL: number | null;
  };
  /** Everybody who rides it; none where a rider is part of the machine's weight, or nobody rides. */
  riders: RiderDocument[];
  sagRead: SagStateDocument;
  /** Names of the load cases: the first is the one measured in, the second the one the targets are for. */
  cases: string[];
  loads: LoadDocument[];
  bars: { front: BarDocument | null; rear: BarDocument | null };
  /** Height that new springs are expected to lose; targets are then for after it. */
  settlingMm: number | null;
  steering: SteeringDocument;
  /** Null where there is no skid, or nobody has looked. */
  skid: SkidDocument | null;
  /** The load case on board while measuring, in words. */
  load: string;
  /** Each true height is wanted within this of its target; null takes the class's. */
  toleranceMm: number | null;
  /** Left and right seats of an axle are moved alike. */
  equalSides: boolean;
  /** The end that is hard to get at: it is set first, once, and the other matched to it. */
  hardEnd: 'front' | 'rear' | null;
  /** Cross weight wanted, (RF + LR) over the total, 0 to 1; null where nobody asks for one. */
  crossTarget: number | null;
  /** How much the goal on the scales counts against the heights; null is 1. */
  crossWeight: number | null;
  /** Whether both front wheels are to weigh the same; then no cross weight is asked for. */
  frontEqual: boolean;
  stance: StanceDocument;
  note: string;
  /** One for each corner of the class. */
  corners: Record<CornerId, CornerDocument>;
}

/** One replacement in the document, stating what was there: the inverse is the same with `from` and `to` swapped. */
export interface Op {
  path: string[];
  from: Json;
  to: Json;
}

interface EntryBase {
  /** UUID made by whoever writes it, so that sending twice does no harm. */
  id: string;
  /** ISO time at the writer. */
  at: string;
  /** What it was, in words, for history and undo. */
  label: string;
  undoOf: string | null;
  redoOf: string | null;
}

export type Entry = EntryBase &
  (
    | { type: 'change'; ops: Op[] }
    | { type: 'fact'; fact: Fact; replaces: string | null }
    | { type: 'withdraw'; of: string }
  );

/** A job as kept: the document as of `version`, and every entry in order. */
export interface JobRecord {
  id: string;
  version: number;
  document: JobDocument;
  entries: Entry[];
}
