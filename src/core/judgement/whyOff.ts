import { bar as barField } from '../document/description/job.ts';
import { taken } from '../document/description/assumed.ts';
import type { BelievedMachine, Situation } from '../estimate/belief.ts';
import { simulate } from '../estimate/simulate.ts';
import { cornerHeight } from '../figures/cornerHeight.ts';
import { axleOf, sideOf, twinOf, type CornerId } from '../kinds/corners.ts';
import type { CornerModel } from '../machine/corner.ts';
import { seatForce } from '../machine/equilibrium.ts';
import type { Answer } from '../planning/answerShape.ts';

/** What may hold one corner off, in the order it is looked into: what costs nothing first, what means taking apart last. */
const causes = [
  'misread',
  'targets',
  'floor',
  'tyre',
  'load',
  'bar',
  'seated',
  'upside-down',
  'wrong-end',
  'worn',
  'gas',
  'bush',
] as const;
export type Cause = (typeof causes)[number];

/** What a cause comes to at this corner. */
export type Explains =
  /** It would take so much of it: mm of floor or of spring, kg, mm of bar link. */
  | { by: 'takes'; unit: 'mm' | 'kg'; amount: number }
  /** It moves the corner by so much, mm at its height, up positive: as usual, or at most. */
  | { by: 'gives'; mm: number }
  /** Any amount, or none that can be worked out. */
  | { by: 'any' };

/** One thing to look at. */
export interface Why {
  cause: Cause;
  explains: Explains;
  /** Whether it can hold this corner off the way it is, and by as much. */
  fits: boolean;
}

/** share of its rate. A tyre a third too soft. */
const SOFT_TYRE = 0.7;
/** N. Gas charge of a car's damper that is lost. */
const GAS_N = 200;
/** share of the wheel's rate that rubber bushes add. */
const BUSH_SHARE = 0.06;
/** share of what is off. Less than this explains nothing. */
const ENOUGH = 0.4;
/** mm, kg. More than this nobody would overlook: of a floor, a spring's place, a bar's link, a load. */
const MOST: Partial<Record<Cause, number>> = {
  floor: 40,
  seated: 15,
  bar: 40,
  'wrong-end': 60,
  worn: 40,
  load: 150,
};

/** mm that a corner reads over its target, negative low, as it would with on board what the target means; null with neither. */
export function offTarget(answer: Answer, id: CornerId): number | null {
  const { measured, target } = cornerHeight(answer, id);
  const corner = answer.corners.find((one) => one.id === id);
  if (!measured || !target || !corner) return null;
  return measured.value + corner.nowSpecMm - corner.nowMm - target.value;
}

/**
 * Everything that may hold one corner off by `offMm` (negative low), with what it would take or give here by the springs as
 * they are known. What cannot be the reason comes last.
 */
export function whyOff(answer: Answer, id: CornerId, offMm: number): Why[] {
  const all = causes.flatMap((cause): Why[] => {
    const explains = explaining[cause](answer, id, offMm);
    return explains ? [{ cause, explains, fits: fits(cause, explains, offMm) }] : [];
  });
  return [...all.filter((one) => one.fits), ...all.filter((one) => !one.fits)];
}

function fits(cause: Cause, explains: Explains, offMm: number): boolean {
  // A spring only loses length; something aboard only presses down.
  if ((cause === 'worn' || cause === 'load') && offMm > 0) return false;
  if (explains.by === 'gives')
    return Math.sign(explains.mm) === Math.sign(offMm) && Math.abs(explains.mm) >= ENOUGH * Math.abs(offMm);
  if (explains.by === 'takes') return Math.abs(explains.amount) <= (MOST[cause] ?? Infinity);
  return true;
}

type Explaining = (answer: Answer, id: CornerId, offMm: number) => Explains | null;

const explaining: Record<Cause, Explaining> = {
  misread: () => ({ by: 'any' }),
  targets: ({ document }, id) => {
    const twist = twistOf(document.corners, id);
    return twist === null || Math.abs(twist) < 1 ? null : { by: 'gives', mm: -twist };
  },
  floor: (answer, id, offMm) =>
    takes(
      offMm,
      slopeOf(answer, id, (by) => withContact(answer, id, ({ padMm }) => ({ padMm: padMm + by }))),
    ),
  tyre: (answer, id) => ({
    by: 'gives',
    mm: moved(answer, id, {
      believed: withContact(answer, id, ({ tyreRateNPerMm }) => ({
        tyreRateNPerMm: tyreRateNPerMm * SOFT_TYRE,
      })),
    }),
  }),
  load: (answer, id, offMm) => {
    const i = answer.machine.corners.indexOf(id);
    const contact = answer.fit.believed.machine.contacts[i];
    if (!contact) return null;
    const { x, y } = contact;
    return takes(
      offMm,
      slopeOf(answer, id, (kg) => withMass(answer, { name: 'aboard', kg, x, y })),
      'kg',
    );
  },
  bar: (answer, id, offMm) => {
    const { document, fit } = answer;
    const twin = twinOf(id);
    if (twin === null || sideOf(id) === 0) return null;
    const bar = document.bars[axleOf(id)];
    const rateNPerMm = taken(barField.fields.rateNPerMm, bar?.rateNPerMm ?? null);
    const linked = (offsetMm: number) => ({
      ...fit.believed,
      machine: {
        ...fit.believed.machine,
        bars: [
          ...fit.believed.machine.bars,
          { between: [id, twin] as const, rateNPerMm, offsetMm, hooked: true },
        ],
      },
    });
    return takes(offMm, moved(answer, id, { believed: linked(1), from: linked(0) }));
  },
  seated: (answer, id, offMm) => bySpring(answer, id, offMm),
  'upside-down': () => ({ by: 'any' }),
  'wrong-end': (answer, id, offMm) => bySpring(answer, id, offMm),
  worn: (answer, id, offMm) => bySpring(answer, id, offMm),
  gas: (answer, id, offMm) => {
    const here = cornerOf(answer, id);
    if (!here || here.pushNPerMm <= 0) return null;
    // Pushing as a seat so much further along would: F r = F_s by. Gone it lowers, doubled it lifts.
    const by = (GAS_N * here.ratio) / here.pushNPerMm;
    return { by: 'gives', mm: Math.sign(offMm) * by * seatSlope(answer, id) };
  },
  bush: (answer, id) => {
    const here = cornerOf(answer, id);
    if (!here || here.pushNPerMm <= 0) return null;
    // Tightened hanging, rubber twists by the whole travel used, and holds the wheel down, the body up.
    const by = (BUSH_SHARE * here.rateNPerMm * here.travelMm) / here.pushNPerMm;
    return { by: 'gives', mm: by * seatSlope(answer, id) };
  },
};

/** mm of spring, or of its place, that hold a corner off: as a seat that stands elsewhere. */
function bySpring(answer: Answer, id: CornerId, offMm: number): Explains {
  return takes(offMm, seatSlope(answer, id));
}

function takes(offMm: number, perUnit: number, unit: 'mm' | 'kg' = 'mm'): Explains {
  return Math.abs(perUnit) < 1e-6 ? { by: 'any' } : { by: 'takes', unit, amount: offMm / perUnit };
}

/** By how much four targets do not lie in one plane, mm, as one corner would have to be off it; null unless there are four. */
function twistOf(corners: Answer['document']['corners'], id: CornerId): number | null {
  const ids = ['LF', 'RF', 'LR', 'RR'] as const;
  const [lf, rf, lr, rr] = ids.map((one) => corners[one]?.targetMm ?? NaN) as [
    number,
    number,
    number,
    number,
  ];
  const twist = lf - rf - lr + rr;
  if (!Number.isFinite(twist)) return null;
  return id === 'LF' || id === 'RR' ? twist : -twist;
}

type Contact = BelievedMachine['machine']['contacts'][number];

function withContact(
  { fit, machine }: Answer,
  id: CornerId,
  change: (contact: Contact) => Partial<Contact>,
): BelievedMachine {
  const { believed } = fit;
  const at = machine.corners.indexOf(id);
  const contacts = believed.machine.contacts.map((one, i) => (i === at ? { ...one, ...change(one) } : one));
  return { ...believed, machine: { ...believed.machine, contacts } };
}

function withMass(
  { fit: { believed } }: Answer,
  mass: BelievedMachine['machine']['masses'][number],
): BelievedMachine {
  return { ...believed, machine: { ...believed.machine, masses: [...believed.machine.masses, mass] } };
}

interface Other {
  believed?: BelievedMachine;
  /** The machine it is held against; as it is believed to be, unless another is given. */
  from?: BelievedMachine;
  situation?: Situation;
}

/** mm that a corner's height reads more with a machine or a situation that is otherwise. */
function moved(answer: Answer, id: CornerId, { believed, from, situation }: Other): number {
  const { fit, now } = answer;
  const r = fit.believed.references.findIndex(({ name }) => name === id);
  const read = (machine: BelievedMachine, at: Situation) => simulate(machine, fit.values, at).heights[r] ?? 0;
  return read(believed ?? fit.believed, situation ?? now) - read(from ?? fit.believed, now);
}

const slopeOf = (answer: Answer, id: CornerId, make: (by: number) => BelievedMachine) =>
  moved(answer, id, { believed: make(1) });

/** mm of a corner's height per mm of its own seat, the others left. */
function seatSlope(answer: Answer, id: CornerId): number {
  const at = answer.machine.corners.indexOf(id);
  const seatsBy = answer.now.seatsBy.map((mm, i) => (i === at ? mm + 1 : mm));
  return moved(answer, id, { situation: { ...answer.now, seatsBy } });
}

function cornerOf({ predictAt, now, machine }: Answer, id: CornerId) {
  const { solver } = predictAt(now).outcome;
  const i = machine.corners.indexOf(id);
  const corner: CornerModel | undefined = solver.corners[i];
  if (!corner) return null;
  const travelMm = solver.z[i] ?? 0;
  corner.evaluate(travelMm);
  const { rateNPerMm } = corner;
  return { travelMm, rateNPerMm, ratio: corner.ratioAt(travelMm), pushNPerMm: seatForce(corner, travelMm) };
}
