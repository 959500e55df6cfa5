import { classDefaults, machineClasses } from '../../kinds/classes/index.ts';
import {
  choice,
  choiceOrNone,
  eachCorner,
  flag,
  given,
  group,
  groupOrNone,
  keyText,
  list,
  number,
  someCorners,
  text,
} from './field.ts';
import { cornerField } from './corner.ts';
import { ringWays } from '../../kinds/ringWays.ts';
import * as range from './ranges.ts';

/** The version that this program writes. */
export const DOCUMENT_VERSION = 19;

const kg = range.wheelKg;

/** One way the machine is ridden: a rider in full gear, who else and what else is on it. */
export const rider = group({
  /** r1, r2, ...: names the rider's readings. */
  key: text(3, { filled: true, form: /^r\d{1,2}$/ }),
  name: text(range.mostName, { filled: true }),
  /** In full riding gear. */
  kg: given('kg', range.riderKg, { assumed: 85 }),
  /** How much of that is gear, left off in street clothes. */
  gearKg: number('kg', { min: 0, max: 60 }),
  /** Share of it on the rear in riding posture; null takes the class's. */
  rearShare: given('share', range.share),
  passengerKg: number('kg', kg),
  luggageKg: number('kg', kg),
});

/** Something heavy that is not always on board. */
export const load = group({
  name: text(range.mostName),
  kg: number('kg', kg),
  /** mm ahead of the middle of the wheelbase, and left of the middle. */
  xMm: number('mm by tape', range.placeMm),
  yMm: number('mm by tape', range.placeMm),
  /** Whether it is aboard, by load case. */
  aboard: list(flag(), { most: range.mostCases }),
});

/** An anti-roll bar. */
export const bar = groupOrNone({
  /** N per mm of difference between left and right wheel travel; null where nobody has said. */
  rateNPerMm: given('N/mm', { min: 0, max: 1000 }, { assumed: 10 }),
  hooked: flag(),
  /** Length of the adjustable link as it is, and mm that its end on the arm moves per mm of wheel travel, negative where it hangs down. */
  linkMm: given('mm', range.linkMm, { since: 6 }),
  linkPerWheel: given('factor', range.linkPerWheel, { since: 6 }),
});

/** A low point of the body, as its own reference. */
export const lowPoint = group({
  name: text(range.mostName),
  /** mm ahead of the middle of the wheelbase, and left of the middle. */
  xMm: number('mm by tape', range.placeMm),
  yMm: number('mm by tape', range.placeMm),
  /** Ground clearance at the baseline, and the least it may come to; null where only its angle matters. */
  nowMm: number('mm by tape', range.heightMm, { next: 'as-now' }),
  leastMm: given('mm by tape', range.heightMm),
});

/** Mean damper-per-wheel ratios that readings have given, with one standard deviation of their logarithm. */
export const learnt = groupOrNone(
  {
    /** The job it was learnt in, by name; or the kit that other machines taught it with. */
    from: text(range.mostName),
    /** How many other machines it was learnt of; null for this very one. */
    others: given('count', { min: 1, max: 10000 }, { whole: true, since: 14 }),
    ratios: someCorners(
      group({
        ratio: number('damper per wheel', { min: 0.02, max: 3 }),
        sd: number('factor', { min: 0.001, max: 1 }),
      }),
    ),
    /** Height that springs there have been seen to lose on the road, mm at the wheel, and over how many km. */
    settled: someCorners(
      group({
        lostMm: number('mm', { min: -50, max: 100 }),
        sdMm: number('mm', { min: 0.01, max: 100 }),
        km: number('km', range.recheckKm),
      }),
      { since: 4 },
    ),
  },
  { since: 3, next: 'as-now' },
);

const tyreMm = { min: 200, max: 1500 };

/** The job document, described once: everything that blanks, checks, migrations and carrying over go by. */
export const jobField = group({
  schema: choice(['margin-job'], { blank: 'margin-job' }),
  schemaVersion: choice([DOCUMENT_VERSION], { blank: DOCUMENT_VERSION }),
  /** What the shop calls the job. */
  name: text(range.mostName, { filled: true, blank: '', next: 'as-now' }),
  machine: group({
    class: choice(machineClasses, { blank: ({ machineClass }) => machineClass }),
    title: text(range.mostName, { blank: '' }),
    /** Shared by every job on the same machine; null for one that has no other. */
    id: keyText('uuid', { since: 3, next: 'as-now' }),
    /** What earlier jobs on it have taught. */
    learnt,
    wheelbaseMm: given('mm by tape', range.baseMm, {
      assumed: ({ machineClass }) => classDefaults[machineClass].wheelbaseMm,
    }),
    trackFrontMm: given('mm by tape', range.baseMm, {
      assumed: ({ machineClass }) => classDefaults[machineClass].trackMm.front,
    }),
    trackRearMm: given('mm by tape', range.baseMm, {
      assumed: ({ machineClass }) => classDefaults[machineClass].trackMm.rear,
    }),
    /** A skid's front arm ahead of its rear arm. */
    armAheadMm: given('mm by tape', { min: 50, max: 2000 }, { since: 4 }),
    /** Whole machine with what is on board while measuring, but without the riders of its book. */
    massKg: given('kg', { min: 20, max: 20000 }, {
      since: 2,
      next: 'as-now',
      assumed: ({ machineClass }) => classDefaults[machineClass].massKg,
    }),
    /** Share of that on the front axle. */
    frontShare: given('share', range.share, {
      since: 2,
      next: 'as-now',
      assumed: ({ machineClass }) => classDefaults[machineClass].frontShare,
    }),
    /** What the tank holds. */
    tankL: given('litre', { min: 0, max: 100 }, { since: 5 }),
  }),
  /** Whose it is and who works on it, as the shop's paper says. */
  about: group(
    {
      customer: text(range.mostName, { blank: '' }),
      /** Telephone number of the customer, for when the machine is due back. */
      phone: text(range.mostName, { blank: '', since: 17 }),
      /** Plate or frame number. */
      plate: text(range.mostName, { blank: '' }),
      technician: text(range.mostName, { blank: '', next: 'blank' }),
      odometerKm: given('km', range.odometerKm, { next: 'blank' }),
      /** ISO day it came in. */
      cameIn: keyText(/^\d{4}-\d{2}-\d{2}$/, { next: 'blank' }),
    },
    { since: 11 },
  ),
  /** Everybody who rides it; none where a rider is part of the machine's weight, or nobody rides. The first is the one measured. */
  riders: list(rider, { most: range.mostRiders, unlike: 'key', since: 5 }),
  /** In what state sag was read; as ridden, it is full gear, luggage and a full tank. */
  sagRead: group(
    {
      gear: flag({ blank: true }),
      luggage: flag({ blank: true }),
      /** How full the tank was. */
      fuel: number('factor', { min: 0, max: 1 }, { blank: 1 }),
    },
    { since: 5 },
  ),
  /** Names of the load cases: the first is the one measured in, the second the one the targets are for. */
  cases: list(text(range.mostName, { filled: true }), {
    least: 2,
    most: range.mostCases,
    since: 2,
    blank: ['as measured', 'as specified'],
  }),
  loads: list(load, { most: range.mostLoads, since: 2 }),
  bars: group({ front: bar, rear: bar }, { since: 2, fitted: true }),
  /** Height that new springs are expected to lose; targets are then for after it. Springs that have been driven have lost it. */
  settlingMm: given('mm', { min: 0, max: 50 }, { since: 2, next: 'blank' }),
  /** What tie-rod turns are worked out from; null takes what is usual. */
  steering: group({
    /** Total toe wanted, in positive. */
    toeMm: given('mm', { min: -20, max: 20 }, { assumed: 1 }),
    /** mm of total toe gained (in positive) per mm that the front comes down; null where not known. */
    toePerMm: given('factor', { min: -1, max: 1 }, { since: 6 }),
    tyreMm: given('mm by tape', tyreMm, { assumed: 630 }),
    armMm: given('mm', { min: 40, max: 400 }, { assumed: 120 }),
    pitchMm: given('mm', { min: 0.5, max: 5 }, { assumed: 1.5 }),
    /** Tie rods ahead of the axle, or behind it. */
    rods: choiceOrNone(['ahead', 'behind'], { since: 15 }),
    /** Hand of the thread at the outer end of each rod. */
    threadLeft: choiceOrNone(['right-hand', 'left-hand'], { since: 15 }),
    threadRight: choiceOrNone(['right-hand', 'left-hand'], { since: 15 }),
  }, { since: 4 }),
  /** Positions of the transfer blocks, and holes of the limiter strap, each counted from 1 at the loosest. Null where there is no skid, or nobody has looked. */
  skid: groupOrNone(
    {
      blockPositions: number('count', range.skidPositions, { whole: true }),
      strapHoles: number('count', range.skidPositions, { whole: true }),
    },
    { since: 4 },
  ),
  /** The load case on board while measuring, in words. */
  load: text(range.mostLabel, { blank: '' }),
  /** Where on the shop's floor it stands, by the name the shop has for the place. */
  floorPlace: text(range.mostName, { blank: '', since: 15 }),
  /** Each true height is wanted within this of its target. */
  toleranceMm: given('mm', range.toleranceMm, {
    assumed: ({ machineClass }) => classDefaults[machineClass].toleranceMm,
  }),
  /** How rings are read whose springs are not known, how many there are at a damper, and whether the wheels hang meanwhile. */
  ringReading: group(
    {
      by: choice(ringWays, { blank: 'gap' }),
      hanging: flag({ blank: false }),
      perDamper: choice([1, 2], { blank: 1 }),
    },
    { since: 16 },
  ),
  /** Left and right seats of an axle are moved alike. */
  equalSides: flag({ blank: false }),
  /** The end that is hard to get at: it is set first, once, and the other matched to it. */
  hardEnd: choiceOrNone(['front', 'rear'], { since: 4 }),
  /** The only end or side that is turned now, the rest being watched; null where all of it is. */
  turnOnly: choiceOrNone(['front', 'rear', 'left', 'right'], { since: 15, next: 'blank' }),
  /** Cross weight wanted, (RF + LR) over the total; null where nobody asks for one. */
  crossTarget: given('share', range.share, { since: 3 }),
  /** How much the goal on the scales counts against the heights. */
  crossWeight: given('factor', { min: 0.001, max: 1000 }, { since: 6, assumed: 1 }),
  /** Whether both front wheels are to weigh the same; then no cross weight is asked for. */
  frontEqual: flag({ blank: false, since: 6 }),
  /** What stands on the ground and over it, beside the reference heights. */
  stance: group(
    {
      /** Measured tyre diameters by axle, those fitted and those to go on; null where nobody has measured, or none go on. */
      tyreMm: group({ front: given('mm by tape', tyreMm), rear: given('mm by tape', tyreMm) }),
      nextTyreMm: group({ front: given('mm by tape', tyreMm), rear: given('mm by tape', tyreMm) }),
      points: list(lowPoint, { most: range.mostLoads, next: 'as-now' }),
    },
    { since: 6 },
  ),
  /** What its bolts are tightened to as it goes back together. */
  torques: list(group({ what: text(range.mostName, { filled: true }), nm: number('N m', range.torqueNm) }), {
    most: range.mostLoads,
    since: 15,
  }),
  note: text(range.mostNote, { blank: '', next: 'blank' }),
  /** One for each corner of the class. */
  corners: eachCorner(cornerField),
}); // oxfmt-ignore
