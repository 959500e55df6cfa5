import { adjusterKinds } from '../../kinds/adjusters/index.ts';
import { suspensionTypes } from '../../kinds/suspensionTypes.ts';
import { usualRatio } from '../../kinds/suspension.ts';
import { referenceKinds, type ReferenceKind } from '../../geometry/reference.ts';
import { axleOf } from '../../kinds/corners.ts';
import { footingOf } from '../../kinds/classes/index.ts';
import { classDefaults } from '../../kinds/classes/index.ts';
import {
  choice,
  choiceOrNone,
  flag,
  given,
  group,
  groupOrNone,
  list,
  number,
  rowsOrNone,
  text,
  type Place,
} from './field.ts';
import { collarPlaces } from '../../kinds/collarPlace.ts';
import * as part from './parts.ts';
import * as range from './ranges.ts';

/** How a class is measured at a corner. */
function usualReference({ machineClass, corner }: Place): ReferenceKind {
  return classDefaults[machineClass].referenceKind[corner ? axleOf(corner) : 'front'];
}

/** What is turned at a corner, as it mostly is. */
export function usualFitting({ machineClass, corner }: Place) {
  return corner && axleOf(corner) === 'front' && footingOf(machineClass) === 'bikes' ? 'cap' : 'seat';
}

/** Everything that is said of one corner. A null is "not given": what is assumed stands in its place, marked so. */
export const cornerField = group({
  reference: group({
    kind: choice(Object.keys(referenceKinds) as ReferenceKind[], { blank: usualReference }),
    /** Added to the tape's reading to reach the point that the specification means. */
    offsetMm: number('mm by tape', range.offsetMm, { blank: 0 }),
    /** mm that the point lies ahead of its contact; negative behind. */
    aheadMm: number('mm by tape', range.placeMm, { blank: 0, since: 3 }),
  }),
  /** Height wanted, as the sheet states it. */
  targetMm: given('mm by tape', range.heightMm),
  /** That it is to go as far as its adjuster goes, and the height that this was worked out to be: any other asks for itself. */
  asFar: groupOrNone(
    { way: choice(['highest', 'lowest'], { blank: 'highest' }), targetMm: number('mm by tape', range.heightMm) },
    { since: 15, next: 'blank' },
  ),
  /** How much the height counts against the others. */
  weight: given('factor', { min: 0.05, max: 20 }, { since: 3, assumed: 1 }),
  /** Sag wanted, mm of wheel travel from fully extended, in the load case that the targets are for. */
  sagMm: given('mm by tape', range.sagMm, { since: 3 }),
  sagWindow: part.sagWindow,
  staticWindow: part.staticWindow,
  /** How this corner is hung; null where nobody has said. */
  suspension: choiceOrNone(suspensionTypes, { since: 7 }),
  /** Where its damper's collar sits; null where nobody has looked, and the class's usual place is assumed. */
  collarAt: choiceOrNone(collarPlaces, { since: 10 }),
  /** Motion ratio that somebody named, damper per wheel. */
  ratio: given('damper per wheel', range.ratio, { assumed: usualRatio }),
  /** Thread pitch: mm of seat per turn. */
  pitchMm: given('mm', range.pitchMm, { assumed: ({ machineClass }) => classDefaults[machineClass].pitchMm }),
  /** Wheel travel from full droop to metal. */
  travelMm: given('mm by tape', range.travelMm, {
    assumed: ({ machineClass, axle }) => classDefaults[machineClass].travelMm[axle],
  }),
  /** Wheel travel left at which the bump stop is first touched. */
  stopMm: given('mm by tape', range.stopMm, { assumed: ({ machineClass }) => classDefaults[machineClass].stopMm }),
  collar: group(
    {
      /** The point the caliper is held against. */
      datum: text(range.mostName, { blank: '' }),
      /** Whether the reading grows as the seat moves towards the spring (preload up, vehicle up). */
      grows: choice(['with-seat', 'against-seat'], { blank: 'with-seat' }),
      /** Readings between which the collar is on good thread. */
      minMm: given('mm', range.collarMm),
      maxMm: given('mm', range.collarMm),
    },
    {
      order: {
        low: 'minMm',
        high: 'maxMm',
        want: 'least-collar-below-greatest',
      },
    },
  ),
  /** Another edge that the seat can be read from, as where the first is out of reach once it is fitted. */
  second: groupOrNone(
    {
      datum: text(range.mostName, { blank: '' }),
      grows: choice(['with-seat', 'against-seat'], { blank: 'with-seat' }),
    },
    { since: 14 },
  ),
  /** Its damper from eye to eye, fully open and fully closed. */
  damper: group(
    { openMm: given('mm', range.damperMm), closedMm: given('mm', range.damperMm) },
    { since: 15, order: { low: 'closedMm', high: 'openMm', want: 'closed-below-open' } },
  ),
  /** Thread left for the seat to go towards the spring, and away from it, as it stood at the baseline. */
  threadUpMm: given('mm', range.threadMm, { since: 14, next: 'blank' }),
  threadDownMm: given('mm', range.threadMm, { since: 14, next: 'blank' }),
  ratioFrom: part.ratioFrom,
  /** Spring per wheel, where the spring is apart from the damper. */
  springRatio: given('damper per wheel', range.ratio, { since: 2, fitted: true }),
  /** From the seat outwards; none where nothing is known of them. */
  springs: list(part.spring, { most: range.mostSprings, since: 2, fitted: true }),
  rings: list(part.ring, { most: range.mostSprings - 1, since: 2, fitted: true, next: 'as-now' }),
  /** Gap wanted between slider and ring where nothing is known of its two springs; null where none is. */
  ringGapMm: given('mm', range.gapMm, { since: 13, fitted: true }),
  /** The same ring wanted from its seat, from the edge that the collar is read from, or from its second edge. */
  ringSeatMm: given('mm', range.gapMm, { since: 16, fitted: true }),
  ringEdgeMm: given('mm', range.collarMm, { since: 16, fitted: true }),
  ringSecondMm: given('mm', range.collarMm, { since: 16, fitted: true }),
  /** A second ring, where three springs stand one on another. */
  secondRing: group(
    {
      gapMm: given('mm', range.gapMm, { fitted: true }),
      seatMm: given('mm', range.gapMm, { fitted: true }),
      edgeMm: given('mm', range.collarMm, { fitted: true }),
      secondMm: given('mm', range.collarMm, { fitted: true }),
    },
    { since: 16 },
  ),
  torsion: part.torsion,
  /** Where the cam stands at the baseline, counted from 0. */
  cam: given('count', { min: 0, max: range.mostCams - 1 }, {
    whole: true, since: 3, fitted: true, next: 'as-now',
  }),
  air: part.air,
  /** How far the springs are compressed at full droop with the collar where it was at the baseline; negative is slack. */
  preloadMm: given('mm by tape', range.preloadMm, { since: 2, fitted: true, next: 'as-now' }),
  /** Room for the springs at full extension with the collar there; with free lengths it gives the preload. */
  roomMm: given('mm by tape', { min: 20, max: 1500 }, { since: 2, fitted: true, next: 'as-now' }),
  gas: part.gas,
  /** Bump stop as rows of [squeeze mm, force N] at the damper; touched where `stopMm` says. */
  stopRows: rowsOrNone({ x: { min: 0, max: 500 }, y: range.springN, most: range.mostRows, since: 2, fitted: true }),
  /** What is moved by hand, by its name in the workshop. */
  fitting: choice(adjusterKinds, { blank: usualFitting, since: 4 }),
  /** False where nothing can be moved: a fixed perch, a leaf, a plain fork. */
  adjustable: flag({ blank: true, since: 3 }),
  /** Smallest movement of the seat: a groove or notch. Null is an eighth of a turn. */
  stepMm: given('mm', { min: 0.3, max: 120 }, { since: 2 }),
  /** The most that a step may go, where only a range is known: `stepMm` is then the least. */
  stepMostMm: given('mm', { min: 0.3, max: 200 }, { since: 15 }),
  /** How many grooves or places there are, and which is in use at the baseline, counted from the one furthest from the spring. */
  stepCount: given('count', { min: 2, max: 60 }, { whole: true, since: 15 }),
  stepNow: given('count', { min: 1, max: 60 }, { whole: true, since: 15, next: 'as-now' }),
  /** Clicks that its adjuster gives in one turn; null where it does not click, or nobody has counted. */
  clicksPerTurn: given('count', { min: 1, max: 60 }, { whole: true, since: 12 }),
  /** Legs of a fork that have a preload adjuster. */
  forkLegs: choice([1, 2], { blank: 2, since: 12 }),
  /** From the edge of the tube down to the oil, springs out and fork closed: as noted. */
  oilMm: given('mm by tape', { min: 20, max: 500 }, { since: 12 }),
  mount: part.mount,
  tyreRateNPerMm: given('N/mm', { min: 10, max: 5000 }, {
    since: 2, fitted: true, assumed: ({ machineClass }) => classDefaults[machineClass].tyreRateNPerMm,
  }),
  /** Wheel, brake and half the arms. */
  unsprungKg: given('kg', range.wheelKg, {
    since: 2, fitted: true, assumed: ({ machineClass }) => classDefaults[machineClass].unsprungKg,
  }),
  /** Weight on this wheel as measured, wheel and all: of another day, it is history. */
  loadKg: given('kg', range.wheelKg, { since: 2, fitted: true, next: 'blank' }),
  clearances: list(part.clearance, { most: range.mostLoads, since: 2, next: 'as-now' }),
  boots: list(part.boot, { most: range.mostLoads, since: 4, next: 'as-now' }),
  /** How it goes back together: marks on spring and mount, which way the perch looks. */
  marks: text(range.mostLabel, { blank: '', since: 15 }),
  /** How much the floor under this wheel lies above the shop's level; null is level. */
  floorMm: given('mm by tape', range.floorMm, { since: 4 }),
  /** The wheel's rim from lip to lip, measured: the ruler in a picture of it. */
  rimMm: given('mm by tape', range.rimMm, { since: 18 }),
  /** How far the point on the body stands out of the plane of the rim's lip; null where nobody has looked. */
  lipOutMm: given('mm by tape', range.lipOutMm, { since: 18 }),
  /** Pressure wanted in this tyre, cold. */
  tyreBar: given('bar', range.tyreBar, { since: 9 }),
  /** What this wheel's pad shows over what stands on it. */
  padFactor: given('factor', { min: 0.8, max: 1.2 }, { since: 6, assumed: 1 }),
  /** Degrees of camber gained (more negative is a loss) per mm that this corner comes down; null where not known. */
  camberPerMm: given('deg/mm', { min: -0.2, max: 0.2 }, { since: 6 }),
}); // oxfmt-ignore
