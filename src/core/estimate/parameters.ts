import type { Axle } from '../kinds/corners.ts';
import { stackOf, type CornerSetting } from '../machine/corner.ts';
import { tolerances } from '../tolerances.ts';
import type { BelievedMachine, Situation, Spread } from './belief.ts';

/** One unknown number of a machine. Its value is mean + sd times a standard normal coordinate. */
export type Parameter = Spread &
  (
    | { kind: 'axle-ratio' | 'axle-rise' | 'axle-spring'; axle: Axle }
    | { kind: 'ratio' | 'preload' | 'tyre'; contact: number }
    | { kind: 'spring'; contact: number; spring: number }
    | { kind: 'mass'; mass: number }
    | { kind: 'bar'; bar: number }
    | { kind: 'step'; contacts: readonly number[] }
    | { kind: 'settling-own'; contact: number; era: number }
    | { kind: 'settling-all'; era: number }
    | { kind: 'settling-km' }
    | { kind: 'constant'; reference: number; era: number }
    | { kind: 'pictures'; reference: number }
    | { kind: 'friction'; contact: number; round: number }
  );

/**
 * All unknowns of a believed machine with so many rounds of readings, in a fixed order; friction last. `earlier` is how many
 * times something new was fitted between them: each time heights begin anew, and so does what the springs lose.
 */
export function parametersOf(
  { machine, belief, references }: BelievedMachine,
  rounds: number,
  earlier = 0,
): Parameter[] {
  const off = (sd: number): Spread => ({ mean: 0, sd });
  const axles = (['front', 'rear'] as const).filter((axle) =>
    machine.contacts.some((one) => one.axle === axle),
  );
  const settlingOwn = (contact: number, era: number): Parameter => {
    return { kind: 'settling-own', contact, era, ...off(belief.settling.own) };
  };
  const contacts = belief.contacts.flatMap((one, contact): Parameter[] => [
    { kind: 'ratio', contact, ...one.ratio },
    { kind: 'preload', contact, ...off(one.preloadMm) },
    { kind: 'tyre', contact, ...off(one.tyre) },
    settlingOwn(contact, 0),
    ...one.springs.map((sd, spring): Parameter => ({ kind: 'spring', contact, spring, ...off(sd) })),
  ]);
  const friction = Array.from({ length: rounds }, (_, round) =>
    belief.contacts.map((one, contact): Parameter => ({
      kind: 'friction',
      contact,
      round,
      ...off(one.frictionMm),
    })),
  ).flat();
  const before = (era: number): Parameter[] => [
    { kind: 'settling-all', era, ...belief.settling.all },
    ...machine.contacts.map((_, contact) => settlingOwn(contact, era)),
    ...references.map((_, reference): Parameter => {
      return { kind: 'constant', reference, era, ...off(tolerances.heightPriorSdMm) };
    }),
  ];
  const all: Parameter[] = [
    ...axles.flatMap((axle): Parameter[] => [
      { kind: 'axle-ratio', axle, ...off(belief.axleRatio[axle]) },
      { kind: 'axle-rise', axle, ...belief.rise },
      { kind: 'axle-spring', axle, ...off(belief.axleSpring[axle]) },
    ]),
    ...contacts,
    ...belief.masses.map((sd, mass): Parameter => ({ kind: 'mass', mass, ...off(sd) })),
    ...belief.bars.map((sd, bar): Parameter => ({ kind: 'bar', bar, ...off(sd) })),
    ...belief.steps.map((one): Parameter => ({ kind: 'step', ...one })),
    { kind: 'settling-all', era: 0, ...belief.settling.all },
    { kind: 'settling-km', ...belief.settlingKm },
    ...references.map(({ constant }, reference): Parameter => {
      return { kind: 'constant', reference, era: 0, ...constant };
    }),
    ...references.map(({ picturesSdMm }, reference): Parameter => {
      return { kind: 'pictures', reference, ...off(picturesSdMm ?? 0) };
    }),
    ...Array.from({ length: earlier }, (_, k) => before(k + 1)).flat(),
    ...friction,
  ];
  // What is known for sure is no unknown; what it adds is its mean, which `unpack` keeps.
  return all.filter(({ sd, mean }) => sd > 0 || mean !== 0);
}

/** What begins anew whenever something new is fitted. */
interface EraValues {
  /** By reference, mm. */
  constants: number[];
  /** By contact, mm at the wheel. */
  settlingMm: number[];
}

/** A machine's unknowns given values: what the solver takes. */
export interface Values {
  settings: (CornerSetting & { springScales: number[] })[];
  tyreScales: number[];
  massScales: number[];
  barScales: number[];
  /** How much of a seat's move arrives, by contact: 1 where what a step does is known. */
  stepScales: number[];
  settlingKm: number;
  /** Of the machine as it is fitted now, then of what it was before, and before that. */
  eras: EraValues[];
  /** What all pictures show too much, by reference, mm. */
  picturesMm: number[];
  /** mm of wheel travel, by round and contact. */
  friction: number[][];
}

/** Values at standard normal coordinates, one for each parameter. */
export function unpack(
  { machine, belief, references }: BelievedMachine,
  parameters: readonly Parameter[],
  coordinates: ArrayLike<number>,
): Values {
  const { contacts } = machine;
  const logRatio = contacts.map(() => 0);
  const values: Values = {
    settings: contacts.map((contact) => ({
      seatBy: 0,
      mountMm: 0,
      ratioScale: 1,
      ratioRise: 0,
      springScales: stackOf(contact).springs.map(() => 1),
      preloadOffBy: 0,
    })),
    tyreScales: contacts.map(() => 1),
    massScales: belief.masses.map(() => 1),
    barScales: belief.bars.map(() => 1),
    stepScales: contacts.map(() => 1),
    settlingKm: Math.exp(belief.settlingKm.mean),
    eras: [],
    picturesMm: references.map(() => 0),
    friction: [],
  };
  const ofAxle = (axle: Axle, act: (i: number) => void) =>
    contacts.forEach((contact, i) => contact.axle === axle && act(i));
  const eraOf = ({ era }: { era: number }) => values.eras[era] as EraValues;
  const setting = (i: number) => values.settings[i] as Values['settings'][number];
  const addTo = (list: number[], i: number, amount: number) => (list[i] = (list[i] ?? 0) + amount);
  const scaleSprings = (i: number, log: number, only?: number) => {
    const scales = setting(i).springScales;
    scales.forEach((scale, k) => {
      if (only === undefined || only === k) scales[k] = scale * Math.exp(log);
    });
  };
  const eras = Math.max(0, ...parameters.map((one) => ('era' in one ? one.era : 0)));
  for (let era = 0; era <= eras; era++)
    values.eras.push({ constants: references.map(() => 0), settlingMm: contacts.map(() => 0) });
  parameters.forEach((parameter, k) => {
    const value = parameter.mean + parameter.sd * (coordinates[k] ?? 0);
    switch (parameter.kind) {
      case 'axle-ratio':
        return ofAxle(parameter.axle, (i) => addTo(logRatio, i, value));
      case 'axle-rise':
        return ofAxle(parameter.axle, (i) => (setting(i).ratioRise = value));
      case 'axle-spring':
        return ofAxle(parameter.axle, (i) => scaleSprings(i, value));
      case 'ratio':
        return addTo(logRatio, parameter.contact, value);
      case 'preload':
        return (setting(parameter.contact).preloadOffBy = value);
      case 'spring':
        return scaleSprings(parameter.contact, value, parameter.spring);
      case 'tyre':
        return (values.tyreScales[parameter.contact] = Math.exp(value));
      case 'settling-own':
        return addTo(eraOf(parameter).settlingMm, parameter.contact, value);
      case 'settling-all':
        return contacts.forEach((_, i) => addTo(eraOf(parameter).settlingMm, i, value));
      case 'settling-km':
        return (values.settlingKm = Math.exp(value));
      case 'mass':
        return (values.massScales[parameter.mass] = 1 + value);
      case 'bar':
        return (values.barScales[parameter.bar] = Math.exp(value));
      case 'step':
        return parameter.contacts.forEach((i) => (values.stepScales[i] = Math.exp(value)));
      case 'constant':
        return (eraOf(parameter).constants[parameter.reference] = value);
      case 'pictures':
        return (values.picturesMm[parameter.reference] = value);
      case 'friction':
        return ((values.friction[parameter.round] ??= contacts.map(() => 0))[parameter.contact] = value);
    }
  });
  logRatio.forEach((value, i) => (setting(i).ratioScale = Math.exp(value)));
  return values;
}

/** What of the values holds in a situation: of the machine as it was fitted then; nothing where nothing was read then. */
export function inEra({ eras }: Values, { era = 0 }: Situation): EraValues {
  return eras[era] ?? { constants: [], settlingMm: [] };
}

/** Share of the settling loss gone after so many km. */
export function settledShare(km: number, settlingKm: number): number {
  return 1 - Math.exp(-km / settlingKm);
}
