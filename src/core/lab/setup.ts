import { FaultList, type Checked } from '../faults.ts';
import { ratioMap, type RatioDescription } from '../geometry/ratioMap.ts';
import { blankSpring, springFrom, type SpringDocument } from '../document/spring.ts';
import { checkContact } from '../machine/check.ts';
import { CornerModel } from '../machine/corner.ts';
import type { ContactDescription } from '../machine/description.ts';
import { GRAVITY } from '../machine/solver.ts';
import type { GasDescription } from '../springs/gas.ts';
import type { RingDescription } from '../springs/stack.ts';
import { restTravel } from '../machine/rest.ts';

/** A weight that the springs of this wheel carry, by what is on board. */
interface LabCase {
  name: string;
  /** Sprung kg on this wheel. */
  kg: number;
}

/** One wheel's springs on the bench, without a job. Springs and rings count from the seat outwards. */
export interface LabSetup {
  name: string;
  /** Full droop to metal at the wheel, mm. */
  travelMm: number;
  /** Damper per wheel. */
  ratio: RatioDescription;
  /** Spring per wheel where it stands apart from the damper; null where it is over it. */
  springRatio: RatioDescription | null;
  springs: SpringDocument[];
  rings: RingDescription[];
  /** Compression at full droop, mm; negative is slack. */
  preloadMm: number;
  /** mm of seat per turn. */
  pitchMm: number;
  /** Caliper figure of the seat as it stands; null where nobody measured. */
  collar: { readsMm: number; grows: 'with-seat' | 'against-seat' } | null;
  /** Bump stop: wheel travel left when it is touched, and its rows of [squeeze mm, force N]. */
  stop: { leftMm: number; rows: [number, number][] } | null;
  gas: GasDescription | null;
  /** The first is the ride height. */
  cases: LabCase[];
}

/** A setup that works out: its description, the model of the wheel and its springs. */
export interface Bench {
  setup: LabSetup;
  model: CornerModel;
}

export const LAB_CASES = 6;

/** A single coil with middle-of-the-road figures: something to type over. */
export const plainSetup: LabSetup = {
  name: 'Setup',
  travelMm: 200,
  ratio: { kind: 'constant', ratio: 0.75 },
  springRatio: null,
  springs: [
    {
      name: 'coil',
      kind: 'linear',
      rateNPerMm: 50,
      rows: null,
      freeLengthMm: 300,
      solidLengthMm: 110,
      tender: false,
    },
  ],
  rings: [],
  preloadMm: 10,
  pitchMm: 2,
  collar: null,
  stop: {
    leftMm: 40,
    rows: [
      [0, 0],
      [10, 300],
      [20, 1100],
      [30, 3600],
    ],
  },
  gas: null,
  cases: [{ name: 'ride height', kg: 240 }],
};

/** Works a setup out, or names every fault of it. The setup is taken to have the right shape (`readSetup`). */
export function benchOf(setup: LabSetup): Checked<Bench> {
  const faults = new FaultList();
  const springs = setup.springs.map((spring, i) => springFrom(`springs[${i}]`, spring, faults));
  setup.cases.forEach(({ kg }, i) => faults.number(`cases[${i}].kg`, kg, { min: 1, max: 5000 }));
  if (setup.cases.length < 1 || setup.cases.length > LAB_CASES)
    faults.add('cases', setup.cases, { be: 'count', of: 'load cases', least: 1, most: LAB_CASES });
  faults.number('pitchMm', setup.pitchMm, { min: 0.3, max: 10 });
  const whole = springs.filter((spring) => spring !== null);
  if (whole.length < springs.length) return { ok: false, faults: faults.faults };
  const contact: ContactDescription = {
    name: setup.name,
    axle: 'front',
    x: 0,
    y: 0,
    travelMm: setup.travelMm,
    ratio: setup.ratio,
    springRatio: setup.springRatio,
    springs: { kind: 'stack', stack: { springs: whole, rings: setup.rings } },
    preloadMm: setup.preloadMm,
    gas: setup.gas,
    stop: null,
    topOut: null,
    tyreRateNPerMm: 200,
    unsprungKg: 0,
    padMm: 0,
  };
  faults.faults.push(...inSetup(checkContact('', contact)));
  const { stop } = setup;
  if (stop) {
    faults.number('stop.leftMm', stop.leftMm, { min: 0, max: setup.travelMm });
    faults.growing('stop.rows', stop.rows, 'squeeze-force');
  }
  if (faults.faults.length > 0) return { ok: false, faults: faults.faults };
  return { ok: true, value: { setup, model: new CornerModel(withStop(contact, setup)) } };
}

/** Paths of a contact as those of a setup. */
function inSetup(faults: FaultList['faults']): FaultList['faults'] {
  return faults.map((fault) => ({
    ...fault,
    path: fault.path.replace(/^\./, '').replace(/^springs\.stack\.?/, ''),
  }));
}

function withStop(contact: ContactDescription, { stop }: LabSetup): ContactDescription {
  if (!stop) return contact;
  const damper = ratioMap(contact.ratio, contact.travelMm);
  damper.evaluate(contact.travelMm - stop.leftMm);
  return { ...contact, stop: { contactMm: damper.value, rows: stop.rows } };
}

/** Wheel travel in mm at which a bench rests in one of its load cases. */
export function caseTravel({ setup, model }: Bench, k = 0): number {
  return restTravel(model, (setup.cases[k]?.kg ?? 0) * GRAVITY);
}

/** Reads setups that came from outside (a link, a file): at least one, at most `LAB_SETUPS`. Every fault is named. */
export function readSetups(input: unknown): Checked<LabSetup[]> {
  const faults = new FaultList();
  if (!Array.isArray(input) || input.length < 1 || input.length > LAB_SETUPS) {
    faults.add('setups', input, { be: 'count', of: 'setups', least: 1, most: LAB_SETUPS });
    return { ok: false, faults: faults.faults };
  }
  const setups = input.map((one, i) => shaped(`setups[${i}]`, one, faults));
  return faults.faults.length === 0
    ? { ok: true, value: setups.filter((one) => one !== null) }
    : { ok: false, faults: faults.faults };
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A setup of the right shape with what was left out filled in; its numbers are `benchOf`'s to judge. */
function shaped(path: string, input: unknown, faults: FaultList): LabSetup | null {
  const before = faults.faults.length;
  if (!isObject(input)) {
    faults.add(path, input, { be: 'a-setup' });
    return null;
  }
  const setup = { ...plainSetup, ...input } as LabSetup;
  const { name, springs, rings, cases, ratio, springRatio, stop, gas, collar } = setup;
  if (typeof name !== 'string') faults.add(`${path}.name`, name, { be: 'a-name' });
  for (const [key, list] of Object.entries({ springs, rings, cases }))
    if (!Array.isArray(list) || !list.every(isObject)) faults.add(`${path}.${key}`, list, { be: 'a-list' });
  if (!isObject(ratio)) faults.add(`${path}.ratio`, ratio, { be: 'source-of-the-ratio' });
  for (const [key, part] of Object.entries({ springRatio, stop, gas, collar }))
    if (part !== null && !isObject(part)) faults.add(`${path}.${key}`, part, { be: 'its-figures' });
  if (faults.faults.length > before) return null;
  return {
    ...setup,
    name: name.slice(0, 60),
    springs: springs.map((spring) => ({ ...blankSpring, ...spring })),
    cases: cases.map((one) => ({ ...one, name: String(one.name).slice(0, 60) })),
  };
}

/** Setups that can be laid over each other. */
export const LAB_SETUPS = 4;
