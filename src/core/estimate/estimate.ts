import type { JobMachine } from './believed.ts';
import type { PerCorner, RoundsState } from './rounds.ts';
import { collarEvidence } from './collarEvidence.ts';
import type { Situation } from './belief.ts';
import type { Fit, RoundEvidence } from './fit.ts';
import { fitWithFriction } from './friction.ts';
import { predict, type Prediction } from './predict.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { Axle } from '../kinds/corners.ts';
import { recently } from '../recently.ts';
import { explanations, type Explained, type Misfit } from './misfit.ts';

/** What could be wrong, by the places of a job. */
export type JobMisfit =
  | { code: 'ratio' | 'hooked-bar'; axle: Axle }
  | { code: 'turned-other-way'; corners: readonly CornerId[]; round: number }
  | { code: 'odd-reading'; corner: CornerId; round: number }
  | { code: 'aboard'; round: number }
  /** Only one corner of four is off at the first readings, by so many mm, negative low. */
  | { code: 'one-corner'; corner: CornerId; offMm: number };

export interface Suspicion {
  misfit: JobMisfit;
  /** 0 to 1, among all that was weighed. */
  probability: number;
}

export interface Doubt {
  /** What could be wrong, most likely first; none where machine and readings agree. */
  suspicions: Suspicion[];
  /** The one that is taken to be so when planning; null where it is planned from the readings as they stand. */
  adopted: JobMisfit | null;
  /** Probability that what is planned from is so. */
  planned: number;
}

/** Said only where something being wrong is this much likelier than everything being right. */
const SAID_ODDS = 6;
/** A suspicion less likely than this is not named beside the first. */
const NAMED_SHARE = 0.05;

/** What kinds of fault a plan can be made from as if they were so. */
const ADOPTABLE: readonly Misfit['code'][] = ['ratio', 'turned-other-way', 'odd-reading', 'hooked-bar'];
/** What is less likely than this is left out of the chance. */
const COUNTED_SHARE = 0.02;

export interface Evidence {
  rounds: readonly RoundEvidence[];
  sag: readonly RoundEvidence[];
  state: RoundsState;
  /** Corners in the order of the references. */
  read: readonly CornerId[];
  /** +1 where a collar's reading grows as it goes towards the spring, -1 where it shrinks. */
  readingSigns: PerCorner<1 | -1>;
}

export interface Estimate {
  machine: JobMachine;
  rounds: readonly RoundEvidence[];
  fit: Fit;
  doubt: Doubt;
  /** What else may be so than what is planned from. */
  otherwise: Otherwise[];
}

/** How the machine would stand if something were so that is not planned from. */
export interface Otherwise {
  probability: number;
  predictAt: (situation: Situation) => Prediction;
}

/** All that an estimate goes by: plain data. */
interface Told {
  rounds: readonly RoundEvidence[];
  sag: readonly RoundEvidence[];
  read: readonly CornerId[];
  checkedRight: readonly string[];
  /** By contact and round of work: odds that its collar gives for the other way, as a logarithm. */
  collars: readonly (readonly number[])[];
  machine: JobMachine;
}

/** Of the readings as they are, without the newest, and with what was typed before. */
const KEPT = 12;

/**
 * The machine that the readings tell of. Where they strain it, what could be wrong is weighed; where one explanation is
 * much likelier than that nothing is wrong, it is named, and planned from where that is possible. Worked out once for the same
 * machine and readings: targets, names and what is tried on the plan change nothing of it.
 */
export function estimateOf(
  machine: JobMachine,
  { rounds, sag, state, read, readingSigns }: Evidence,
): Estimate {
  const collars = machine.corners.map((corner) =>
    rounds.map((_, round) =>
      collarEvidence(state, corner, { round, readingSign: readingSigns[corner] ?? 1 }),
    ),
  );
  return estimated({ machine, collars, checkedRight: state.checkedRight, read, sag, rounds });
}

const estimated = recently(({ rounds, sag, read, checkedRight, collars, machine }: Told): Estimate => {
  const all = [...rounds, ...sag];
  const inJob = (misfit: Misfit) => placed(misfit, machine.corners, read);
  const { fine, plain, explained } = explanations(machine.believed, all, {
    worked: rounds.length,
    dismissed: (misfit) => isChecked(checkedRight, inJob(misfit)),
    collarSays: (contact, round) => collars[contact]?.[round] ?? 0,
  });
  const [first] = explained;
  if (!first || first.probability < SAID_ODDS * fine)
    return {
      machine,
      rounds,
      fit: fitWithFriction(machine.believed, all, explained.length === 0 ? plain : undefined),
      doubt: { suspicions: [], adopted: null, planned: 1 },
      otherwise: [],
    };
  const adopted = ADOPTABLE.includes(first.misfit.code) ? first : null;
  const believed = adopted?.believed ?? machine.believed;
  return {
    machine: { ...machine, believed },
    rounds: adopted ? adopted.rounds.slice(0, rounds.length) : rounds,
    fit: fitWithFriction(believed, adopted?.rounds ?? all),
    doubt: {
      suspicions: named(explained).map(({ misfit, probability }) => ({
        misfit: inJob(misfit),
        probability,
      })),
      adopted: adopted ? inJob(adopted.misfit) : null,
      planned: adopted ? adopted.share : fine,
    },
    otherwise: [
      ...(adopted ? [{ probability: fine, fit: plain, meant: (one: Situation) => one }] : []),
      ...explained
        .filter((one) => one !== adopted)
        .map(({ share, fit, meant }) => ({ probability: share, fit, meant })),
    ]
      .filter(({ probability }) => probability >= COUNTED_SHARE)
      .map(({ probability, fit, meant }) => ({
        probability,
        predictAt: (situation) => predict(fit, meant(situation)),
      })),
  };
}, KEPT);

/** Whether somebody has looked into it and found it right. */
function isChecked(checkedRight: readonly string[], misfit: JobMisfit): boolean {
  // Who finds the tape right at a corner has it as it stands: no earlier reading there is suspected again either.
  if (misfit.code === 'odd-reading')
    return checkedRight.some((key) => {
      const [, code, corner, round] = key.split(':');
      return code === 'odd-reading' && corner === misfit.corner && misfit.round <= Number(round);
    });
  if (misfit.code !== 'turned-other-way') return checkedRight.includes(misfitKey(misfit));
  // One collar that went as recorded is enough: they cannot all have gone the other way.
  return misfit.corners.some((id) => isTurnChecked(checkedRight, id, misfit.round));
}

/** Whether somebody has looked which way a collar was turned in a round, by itself or with others, and found it as recorded. */
export function isTurnChecked(checkedRight: readonly string[], corner: CornerId, round: number): boolean {
  return checkedRight.some((key) => {
    const [, code, corners = '', of] = key.split(':');
    return code === 'turned-other-way' && of === String(round) && corners.split('+').includes(corner);
  });
}

function named(explained: readonly Explained[]): Explained[] {
  return explained.filter(({ probability }, k) => k === 0 || (k < 4 && probability >= NAMED_SHARE));
}

function placed(misfit: Misfit, corners: readonly CornerId[], read: readonly CornerId[]): JobMisfit {
  switch (misfit.code) {
    case 'turned-other-way':
      return {
        code: misfit.code,
        corners: misfit.contacts.map((contact) => corners[contact] as CornerId),
        round: misfit.round,
      };
    case 'odd-reading':
      return { code: misfit.code, corner: read[misfit.reference] as CornerId, round: misfit.round };
    default:
      return misfit;
  }
}

/** Names a suspicion for the record: what was checked and found right is not suspected again. */
export function misfitKey(misfit: JobMisfit): string {
  switch (misfit.code) {
    case 'ratio':
    case 'hooked-bar':
      return `misfit:${misfit.code}:${misfit.axle}`;
    case 'aboard':
      return `misfit:${misfit.code}:${misfit.round}`;
    case 'one-corner':
      return `misfit:${misfit.code}:${misfit.corner}`;
    case 'turned-other-way':
      return `misfit:${misfit.code}:${misfit.corners.join('+')}:${misfit.round}`;
    default:
      return `misfit:${misfit.code}:${misfit.corner}:${misfit.round}`;
  }
}
