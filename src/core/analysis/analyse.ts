import { readRounds, type RoundsState } from '../estimate/rounds.ts';
import { turnedOtherWay } from '../findings/collars.ts';
import { findingKey, type Finding } from '../findings/finding.ts';
import { remediesFor } from '../findings/remedies/index.ts';
import type { Remedy } from '../findings/remedies/remedy.ts';
import { contradictionsIn, type Contradiction } from '../findings/contradictions.ts';
import { findingsFor } from '../findings/findings.ts';
import { openPoints, type OpenPoint } from '../findings/openPoints.ts';
import { nextAction, type NextAction } from '../judgement/nextAction.ts';
import { marginsByCase, marginsFor, type Margin } from '../margins/margins.ts';
import type { AnswerOptions } from '../planning/answer.ts';
import { plannedAnswer } from './plannedAnswer.ts';
import type { Answer } from '../planning/answerShape.ts';
import { once } from '../once.ts';
import type { JobRecord } from '../document/types.ts';

/** Everything that follows from a job's record. Each is worked out when it is first asked for, and once. */
export interface Analysis {
  readonly record: JobRecord;
  /** The rounds as they were read and turned. */
  readonly state: RoundsState;
  /** The estimate and the plan; null while no height has been read. */
  readonly answer: Answer | null;
  /** What is left, the smallest first; none without an answer. */
  readonly margins: readonly Margin[];
  /** The same for every load case by itself. */
  readonly marginsByCase: readonly { loadCase: string; margins: Margin[] }[];
  /** What there is to say of it, the gravest first; none without an answer. */
  readonly findings: readonly Finding[];
  /** Entries that cannot all be so: asked about, whether anything can be worked out yet or not. */
  readonly questions: readonly Contradiction[];
  /** What would cure a finding, each tried on the machine; worked out when it is asked for, and once. */
  readonly remedies: (finding: Finding) => readonly Remedy[];
  /** What is still to be done or put right before it goes out; none without an answer. */
  readonly openPoints: readonly OpenPoint[];
  readonly next: NextAction;
}

/** The only door to what the core makes of a job, for page, server and command. */
export function analyse(record: JobRecord, options: AnswerOptions = {}): Analysis {
  return analysisOf(
    record,
    once(() => plannedAnswer(record, options)),
  );
}

/** The same with another answer in place of the plan's: something tried by hand, another way of doing it. */
export function analyseTried(record: JobRecord, answer: Answer): Analysis {
  return analysisOf(record, () => answer);
}

/** Whether a job has been read, and it is to be decided what follows from that. */
function isAfterReadings({ code, stage }: NextAction): boolean {
  return (
    (code === 'turn' && stage !== 'turn') ||
    code === 'read-again' ||
    code === 'read-sag-again' ||
    code === 'check-reading' ||
    code.startsWith('decide')
  );
}

function analysisOf(record: JobRecord, answer: () => Answer | null): Analysis {
  const of = <T>(make: (answer: Answer) => T[]) =>
    once(() => {
      const made = answer();
      return made ? make(made) : [];
    });
  const state = once(() => answer()?.state ?? readRounds(record));
  const margins = of(marginsFor);
  const byCase = of(marginsByCase);
  const findings = of((made) => findingsFor(made, questions()));
  const questions = once(() => contradictionsIn(record, state()));
  const remedies = new Map<string, readonly Remedy[]>();
  const open = of((made) => openPoints(made, findings()));
  const next = once((): NextAction => {
    const made = answer();
    const plain = nextAction(record, made);
    // What went the other way is looked at before anything else is turned.
    const wrong = made && isAfterReadings(plain) ? turnedOtherWay(made) : [];
    if (wrong.length > 0) return { stage: 'measure', code: 'check-collars', corners: wrong };
    // What is in tolerance is not finished while something has to be put right.
    return plain.code === 'lock' && open().length > 0
      ? { stage: 'close-out', code: 'open-points', open: open().length }
      : plain;
  });
  return {
    record,
    get state() {
      return state();
    },
    get answer() {
      return answer();
    },
    get margins() {
      return margins();
    },
    get marginsByCase() {
      return byCase();
    },
    get findings() {
      return findings();
    },
    get questions() {
      return questions();
    },
    remedies: (finding) => {
      const key = findingKey(finding);
      const made = answer();
      const known = remedies.get(key) ?? (made ? remediesFor(made, finding) : []);
      remedies.set(key, known);
      return known;
    },
    get openPoints() {
      return open();
    },
    get next() {
      return next();
    },
  };
}
