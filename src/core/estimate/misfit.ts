import type { BelievedMachine, Situation } from './belief.ts';
import { costAt, fit, isFree, readAs, type Fit, type Reading, type RoundEvidence } from './fit.ts';
import type { Axle } from '../kinds/corners.ts';
import { CornerModel } from '../machine/corner.ts';
import type { MassDescription } from '../machine/description.ts';
import { chiSquaredAbove } from '../numerics/chiSquared.ts';
import { meanOf } from '../numerics/mean.ts';
import { softmaxShares } from '../numerics/softmax.ts';
import { tolerances } from '../tolerances.ts';

/** What could be wrong where readings and machine do not agree. */
export type Misfit =
  /** The ratio assumed or given is not this axle's. */
  | { code: 'ratio'; axle: Axle }
  /** An adjuster, or several in one round, went the other way than recorded. */
  | { code: 'turned-other-way'; contacts: readonly number[]; round: number }
  /** One round's reading at one reference is off. */
  | { code: 'odd-reading'; reference: number; round: number }
  /** From this round on something is aboard, or no longer aboard, that was not so before. */
  | { code: 'aboard'; round: number }
  /** A bar that nobody named swallows differences between left and right. */
  | { code: 'hooked-bar'; axle: Axle };

export interface Explained {
  misfit: Misfit;
  /** Probability among all explanations, that nothing is wrong among them; of an odd reading in whatever round. */
  probability: number;
  /** The same, of this very case alone. */
  share: number;
  /** The machine and the readings as they are when this is so. */
  believed: BelievedMachine;
  rounds: RoundEvidence[];
  /** What the readings make of the machine when this is so. */
  fit: Fit;
  /** A situation as the record has it, as it then is. */
  meant: (situation: Situation) => Situation;
}

/** Logarithm of how likely each is before anything is read, against nothing being wrong. */
const LOG_PRIOR: Record<Misfit['code'], number> = {
  ratio: -4,
  'turned-other-way': -4,
  'odd-reading': -4,
  aboard: -5,
  'hooked-bar': -5,
};

/** One standard deviation of the logarithm of a ratio that was wrong, mm of an odd reading, kg of what came aboard. */
const WRONG = { ratio: 0.45, readingMm: 20, aboardShare: 0.06, bar: 0.8 };

/**
 * Whether a machine had to be strained to agree with its readings. What the fit minimises is, where all is right, distributed
 * as chi-squared with as many degrees of freedom as there are readings beyond those that only place the references; and what it
 * takes to agree with the means of readings that were repeated, with as many as there are means. Readings that repeat well
 * say nothing of the machine, and would hide in the first what the second shows.
 */
function isStrained({ cost, parameters }: Fit, rounds: readonly RoundEvidence[]): boolean {
  const placing = parameters.filter(isFree).length;
  const repeated = rounds.flatMap(({ readings }) => repeats(readings));
  const readings = repeated.reduce((sum, own) => sum + own.length, 0);
  const scatter = repeated.reduce((sum, own) => sum + scatterOf(own), 0);
  return isMuch(cost, readings - placing) || isMuch(cost - scatter, repeated.length - placing);
}

const isMuch = (cost: number, freedom: number): boolean =>
  freedom > 0 && cost > chiSquaredAbove(freedom, STRAIN) + 1;

/** Readings of a round that are of the same thing. */
function repeats(readings: readonly Reading[]): Reading[][] {
  const of = new Map<string, Reading[]>();
  for (const one of readings)
    of.set(`${one.what} ${one.index}`, [...(of.get(`${one.what} ${one.index}`) ?? []), one]);
  return [...of.values()];
}

/** Squared deviations of readings of one thing from their mean. */
function scatterOf(readings: readonly Reading[]): number {
  const all = readings.map(readAs);
  const weight = all.reduce((sum, { sd }) => sum + 1 / sd ** 2, 0);
  const mean = all.reduce((sum, { value, sd }) => sum + value / sd ** 2, 0) / weight;
  return all.reduce((sum, { value, sd }) => sum + ((value - mean) / sd) ** 2, 0);
}

/** Standard deviations of chi-squared beyond its mean that ask what is wrong. To ask takes time and no more: what is then said is weighed. */
const STRAIN = 1.5;

/** Shares of a move between which a corner that went the other way is taken to have been turned so. */
const MIRRORED = { least: 0.6, most: 1.8 };
/** What the collar has of a reading's suspicion, read once and read again alike. */
const [READ_ONCE, READ_AGAIN] = [0.45, 0.8];

/** Squared deviations. What explanations are weighed by need not be known better: odds to a twentieth. */
const ROUGHLY = 0.1;

/** Logarithm of how likely it is beforehand that a machine has so many times the usual friction: nothing is wrong then. */
const ROUGH = { logPrior: -1.2, frictionScale: 2 };
/** mm at the wheel. A smaller move turned the other way cannot be told from the tape's own error. */
const TOLD_MOVE_MM = 6;

/** Logarithm of the evidence for a machine, up to what all explanations share: Laplace's approximation at the best fit. */
function logEvidence({ cost, factor, parameters }: Fit, rounds: readonly RoundEvidence[]): number {
  const n = parameters.length;
  let half = 0;
  for (let k = 0; k < n; k++) half += Math.log(factor[k * n + k] as number);
  const widths = rounds.reduce(
    (sum, { readings }) => sum + readings.reduce((part, one) => part + Math.log(readAs(one).sd), 0),
    0,
  );
  return -cost / 2 - half - widths;
}

interface Case {
  misfit: Misfit;
  believed: BelievedMachine;
  rounds: RoundEvidence[];
  meant?: (situation: Situation) => Situation;
}

/** What is known beside the readings. */
interface Known {
  /** How many of the rounds were rounds of work. */
  worked: number;
  /** Whether somebody has checked it and found it right. */
  dismissed: (misfit: Misfit) => boolean;
  /** Logarithm of the odds that a collar's readings give for the other way: 0 where it was not read. */
  collarSays: (contact: number, round: number) => number;
}

/** Odds of a collar reading, as a logarithm, from which the other way is looked into though the tape agrees with all. */
const COLLAR_ASKS = 4;

/**
 * What could explain readings that strain the machine, most likely first: each explanation is fitted to the same readings,
 * and weighed by its evidence and by how often such a thing happens. */
export function explanations(
  believed: BelievedMachine,
  rounds: readonly RoundEvidence[],
  { worked, dismissed, collarSays }: Known,
): { fine: number; plain: Fit; explained: Explained[] } {
  const alone = fit(believed, rounds);
  if (worked < 2) return { fine: 1, plain: alone, explained: [] };
  const saidBy = ({ contacts, round }: Turned) =>
    contacts.reduce((sum, contact) => sum + collarSays(contact, round), 0);
  const against = moves(believed, rounds, worked).some((one) => saidBy(one) > COLLAR_ASKS);
  if (!against && !isStrained(alone, rounds)) return { fine: 1, plain: alone, explained: [] };
  const cases = possible(believed, rounds, worked).filter(({ misfit }) => !dismissed(misfit));
  // Each from the start: where the plain fit was strained to is no place to look for a machine that is not.
  const found = cases.map((one) => fit(one.believed, one.rounds, { gain: ROUGHLY }));
  const lead = leadOf(cases, found, alone);
  const plain = ledBy(lead, { believed, rounds }, alone, {});
  const fits = cases.map((one, k) => ledBy(lead, one, found[k] as Fit, { gain: ROUGHLY }));
  const rougher = rounds.map((one) => ({ ...one, frictionScale: ROUGH.frictionScale * one.frictionScale }));
  const logs = [
    logEvidence(plain, rounds),
    logEvidence(fit(believed, rougher, { near: plain }), rougher) + ROUGH.logPrior,
    ...cases.map(
      ({ misfit, rounds: own }, k) =>
        logEvidence(fits[k] as Fit, own) +
        LOG_PRIOR[misfit.code] +
        (misfit.code === 'turned-other-way' ? saidBy(misfit) : 0) -
        // A place is as likely to be misread once in few rounds as in many.
        (misfit.code === 'odd-reading' ? Math.log(worked) : 0),
    ),
  ];
  const [plainly = 1, roughly = 0, ...shares] = softmaxShares(logs);
  const explained = cases.map((one, k) => ({
    ...one,
    fit: fits[k] as Fit,
    meant: one.meant ?? unchanged,
    probability: shares[k] ?? 0,
    share: shares[k] ?? 0,
  }));
  return {
    fine: plainly + roughly,
    plain,
    explained: sharedWithCollars(together(explained), believed, rounds),
  };
}

/** The best fit of this very machine, to whichever readings. */
const leadOf = (cases: readonly Case[], fits: readonly Fit[], plain: Fit): Fit =>
  fits
    .filter((_, k) => cases[k]?.believed === plain.believed)
    .reduce((best, one) => (one.cost < best.cost ? one : best), plain);

/**
 * A fit, or a better one found from where another of the same machine ended: where a machine gives in one of several ways, all
 * explanations are to have looked at the same ways before they are weighed against each other.
 */
function ledBy(
  lead: Fit,
  { believed, rounds }: { believed: BelievedMachine; rounds: readonly RoundEvidence[] },
  found: Fit,
  how: { gain?: number },
): Fit {
  if (lead === found || lead.believed !== believed || costAt(lead, rounds) >= found.cost) return found;
  const led = fit(believed, rounds, { ...how, near: lead });
  return led.cost < found.cost ? led : found;
}

const unchanged = (situation: Situation) => situation;

/** Odd readings at one reference are one suspicion, of the likeliest round: which of two is odd often nobody can tell. */
function together(explained: readonly Explained[]): Explained[] {
  const groups = new Map<string, Explained>();
  for (const one of [...explained].sort((a, b) => b.share - a.share)) {
    const key = one.misfit.code === 'odd-reading' ? `odd ${one.misfit.reference}` : String(groups.size);
    const first = groups.get(key);
    groups.set(key, first ? { ...first, probability: first.probability + one.share } : one);
  }
  return [...groups.values()].sort((a, b) => b.probability - a.probability);
}

function possible(believed: BelievedMachine, rounds: readonly RoundEvidence[], worked: number): Case[] {
  const axles = (['front', 'rear'] as const).filter((axle) =>
    believed.machine.contacts.some((one) => one.axle === axle),
  );
  const same = [...rounds];
  const last = worked - 1;
  const moved = moves(believed, rounds, worked);
  const references = believed.references.map((_, r) => r);
  return [
    ...axles.map((axle) => ({
      misfit: { code: 'ratio' as const, axle },
      believed: withRatio(believed, axle),
      rounds: same,
    })),
    ...moved.map((turned) => ({
      misfit: { code: 'turned-other-way' as const, ...turned },
      believed,
      ...turnedBack(same, turned, worked),
    })),
    ...references.flatMap((reference) =>
      Array.from({ length: worked }, (_, round) => ({
        misfit: { code: 'odd-reading' as const, reference, round },
        believed,
        rounds: same.map((one, r) => (r === round ? doubted(one, reference, WRONG.readingMm) : one)),
      })),
    ),
    { misfit: { code: 'aboard' as const, round: last }, ...loadedFrom(believed, same, last) },
    ...axles.flatMap((axle) => hooked(believed, same, axle)),
  ];
}

/** Adjusters that were moved in one round. */
interface Turned {
  contacts: readonly number[];
  round: number;
}

/**
 * Every move of work that is large enough to tell which way it went: each adjuster by itself, and those of an axle, or of the
 * whole machine, together. Who takes the direction wrong does so wherever he turns; but where the two sides of an axle are told
 * to go apart he looks twice, and a bar that is still hooked up is likelier.
 */
function moves(believed: BelievedMachine, rounds: readonly RoundEvidence[], worked: number): Turned[] {
  const eraAt = (round: number) => rounds[round]?.situation.era ?? 0;
  return Array.from({ length: worked - 1 }, (_, k) => k + 1).flatMap((round) => {
    // What was put together anew was not turned there.
    if (eraAt(round) !== eraAt(round - 1)) return [];
    const byWheel = atWheel(believed, rounds, round);
    const moved = [...byWheel.keys()].filter((contact) => Math.abs(byWheel[contact] ?? 0) >= TOLD_MOVE_MM);
    const on = (axle: Axle) => moved.filter((contact) => believed.machine.contacts[contact]?.axle === axle);
    const oneWay = (contacts: number[]) =>
      new Set(contacts.map((contact) => Math.sign(byWheel[contact] ?? 0))).size < 2;
    const axles = [on('front'), on('rear')];
    const together = [...axles.filter(oneWay), ...(axles.every(oneWay) ? [moved] : [])];
    const groups = [...moved.map((contact) => [contact]), ...together].filter(({ length }) => length > 0);
    const unlike = new Map(groups.map((contacts) => [contacts.join(), contacts]));
    return [...unlike.values()].map((contacts) => ({ contacts, round }));
  });
}

/** What every adjuster was moved by in a round, mm at its own wheel, positive raises: as recorded, by the ratio as described. */
function atWheel(believed: BelievedMachine, rounds: readonly RoundEvidence[], round: number): number[] {
  const [was, is] = [rounds[round - 1]?.situation, rounds[round]?.situation];
  return believed.machine.contacts.map((one, contact) => {
    const mm = (key: 'seatsBy' | 'mountsMm') => (is?.[key][contact] ?? 0) - (was?.[key][contact] ?? 0);
    // What a strained fit has made of the ratio is no measure of a move.
    return (mm('seatsBy') + mm('mountsMm')) / new CornerModel(one).meanRatio;
  });
}

/**
 * A corner that went the other way by about as much as it was moved, on a machine whose others did not follow as a rigid body's
 * would: the model says "misread", whoever holds the tape says "turned the other way". Neither can be told from heights, so
 * that they share what the reading alone had; read again alike, the collar has the larger part.
 */
function sharedWithCollars(
  explained: readonly Explained[],
  believed: BelievedMachine,
  rounds: readonly RoundEvidence[],
): Explained[] {
  const shared = [...explained];
  for (const [k, odd] of explained.entries()) {
    if (odd.misfit.code !== 'odd-reading') continue;
    const { reference } = odd.misfit;
    const mirrored = shared.map(({ misfit }) =>
      misfit.code === 'turned-other-way' ? isMirrored(believed, rounds, misfit, reference) : null,
    );
    const at = mirrored.findIndex((one) => one !== null);
    const turned = shared[at];
    if (!turned || turned.probability > odd.probability) continue;
    const part = mirrored[at] === 'again' ? READ_AGAIN : READ_ONCE;
    shared[at] = {
      ...turned,
      probability: turned.probability + part * odd.probability,
      share: turned.share + part * odd.share,
    };
    shared[k] = { ...odd, probability: (1 - part) * odd.probability, share: (1 - part) * odd.share };
  }
  return shared.sort((a, b) => b.probability - a.probability);
}

/** Whether one adjuster's corner, by its own readings, went the other way by about as much as it was moved, and was read again so. */
function isMirrored(
  believed: BelievedMachine,
  rounds: readonly RoundEvidence[],
  { contacts, round }: Turned,
  reference: number,
): 'once' | 'again' | null {
  const [contact, another] = contacts;
  if (contact === undefined || another !== undefined || believed.references[reference]?.contact !== contact)
    return null;
  const read = (at: number) =>
    (rounds[at]?.readings ?? []).filter((one) => one.what === 'height' && one.index === reference).map(mmOf);
  const [was, is] = [read(round - 1), read(round)];
  if (was.length === 0 || is.length === 0) return null;
  const share = (meanOf(was) - meanOf(is)) / (atWheel(believed, rounds, round)[contact] ?? 0);
  if (!(share >= MIRRORED.least && share <= MIRRORED.most)) return null;
  return is.length > 1 && Math.max(...is) - Math.min(...is) <= tolerances.repeatQuestionMm ? 'again' : 'once';
}

const mmOf = (reading: Reading) => ('mm' in reading ? reading.mm : 0);

function withRatio(believed: BelievedMachine, axle: Axle): BelievedMachine {
  const { belief } = believed;
  const wide = Math.max(WRONG.ratio, belief.axleRatio[axle]);
  return { ...believed, belief: { ...belief, axleRatio: { ...belief.axleRatio, [axle]: wide } } };
}

/** Rounds in which what was recorded as turned in round `from` was turned the other way. */
function turnedBack(
  rounds: RoundEvidence[],
  { contacts, round: from }: Turned,
  worked: number,
): Pick<Case, 'rounds' | 'meant'> {
  const change = (key: 'seatsBy' | 'mountsMm', contact: number) =>
    (rounds[from]?.situation[key][contact] ?? 0) - (rounds[from - 1]?.situation[key][contact] ?? 0);
  const reversed = (situation: Situation, key: 'seatsBy' | 'mountsMm') =>
    situation[key].map((mm, i) => (contacts.includes(i) ? mm - 2 * change(key, i) : mm));
  const back = (situation: Situation): Situation => ({
    ...situation,
    seatsBy: reversed(situation, 'seatsBy'),
    mountsMm: reversed(situation, 'mountsMm'),
  });
  return {
    rounds: rounds.map((one, r) =>
      r >= from && r < worked ? { ...one, situation: back(one.situation) } : one,
    ),
    meant: back,
  };
}

/** A round whose readings at one reference are worth no more than `sdMm`. */
function doubted(round: RoundEvidence, reference: number, sdMm: number): RoundEvidence {
  return {
    ...round,
    readings: round.readings.map((reading) =>
      reading.what === 'height' && reading.index === reference
        ? { ...reading, sdMm: Math.max(reading.sdMm, sdMm) }
        : reading,
    ),
  };
}

/** Loads over either axle that nobody has named, aboard from round `from` on. */
function loadedFrom(
  believed: BelievedMachine,
  rounds: RoundEvidence[],
  from: number,
): Pick<Case, 'believed' | 'rounds' | 'meant'> {
  const { machine, belief } = believed;
  const ends = (['front', 'rear'] as const).map((axle) => {
    const own = machine.contacts.filter((one) => one.axle === axle);
    return own.reduce((sum, { x }) => sum + x / own.length, 0);
  });
  const kg = machine.masses.reduce((sum, one) => sum + one.kg, 0);
  const extra = ends.map((x, k): MassDescription => ({ name: `unnamed ${k}`, kg: 1, x, y: 0 }));
  const sd = WRONG.aboardShare * kg;
  // A kilogram aboard whose share is anything about none.
  return {
    believed: {
      ...believed,
      machine: { ...machine, masses: [...machine.masses, ...extra] },
      belief: { ...belief, masses: [...belief.masses, ...extra.map(() => sd)] },
    },
    rounds: rounds.map((one, r) => ({
      ...one,
      situation: { ...one.situation, aboard: [...one.situation.aboard, r >= from, r >= from] },
    })),
    meant: (situation) => ({ ...situation, aboard: [...situation.aboard, true, true] }),
  };
}

/** The machine with a bar on an axle that has two sides and of which no hooked bar is named. */
function hooked(believed: BelievedMachine, rounds: RoundEvidence[], axle: Axle): Case[] {
  const { machine, belief } = believed;
  const [left, right] = machine.contacts.filter((one) => one.axle === axle && one.y !== 0);
  const named = machine.bars.some(({ between, hooked: on }) => on && left && between.includes(left.name));
  if (!left || !right || named) return [];
  const weight = machine.masses.reduce((sum, one) => sum + one.kg, 0);
  // A bar about as stiff as half a wheel's springs: what road cars have.
  const bar = {
    between: [left.name, right.name] as const,
    rateNPerMm: weight / 100,
    offsetMm: 0,
    hooked: true,
  };
  return [
    {
      misfit: { code: 'hooked-bar', axle },
      believed: {
        ...believed,
        machine: { ...machine, bars: [...machine.bars, bar] },
        belief: { ...belief, bars: [...belief.bars, WRONG.bar] },
      },
      rounds,
    },
  ];
}
