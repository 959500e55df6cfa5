import type { CollarMistake } from '../judgement/collarMistake.ts';
import type { MissingForVerdict } from '../judgement/cornerVerdict.ts';
import type { SpringReason } from '../judgement/springVerdict.ts';
import { contradictionKey, type Contradiction } from './contradictions.ts';
import type { Which } from '../document/which.ts';
import type { JobMisfit } from '../estimate/estimate.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { MarginKind } from '../margins/index.ts';
import type { Part } from '../calculation/part.ts';
import type { Reason } from '../planning/reasons.ts';

/** A stop has to be put right before a machine goes out; a warning is worth acting on; a hint is worth knowing. */
export type Severity = 'stop' | 'warn' | 'hint';

/** Whether it is so as the machine stands, only once the plan is done, or both. */
type When = 'now' | 'after' | 'both';

/** Something used up, or past what it may be: `leftMm` is below nothing by so much. */
export interface RunOut {
  code: 'run-out';
  kind: MarginKind;
  corner: CornerId;
  which: Which | null;
  loadCase: string | null;
  leftMm: number;
}

/** What an adjuster at its end does to the rest once the others are planned around it. */
export interface AtItsEnd {
  /** Cross weight now and after, 0 to 1; null where it hardly changes. */
  cross: { now: number; after: number } | null;
  /** Other corners that end off their targets by it, mm: high is positive. */
  others: { corner: CornerId; offMm: number }[];
}

/** What is wrong, or worth knowing. */
type What =
  | RunOut
  /** Readings and machine do not agree. */
  | { code: 'doubt'; misfit: JobMisfit; probability: number }
  /** A collar that does not stand where the moves on record would put it, mm. */
  | { code: 'collar-elsewhere'; corner: CornerId; round: number; readMm: number; expectedMm: number }
  /** A target that cannot be had, and why. */
  | { code: 'unreachable'; reason: Reason; then: AtItsEnd | null }
  /** Entries that cannot all be so: asked about until somebody says that they are right. */
  | { code: 'contradiction'; question: Contradiction }
  /** A spring that is wrong by the sags that were read. */
  | { code: 'spring'; corner: CornerId; verdict: 'too soft' | 'too stiff'; because: SpringReason }
  /** Springs of which nothing can be told until something is read or given: the same at each. */
  | { code: 'spring-untold'; corners: CornerId[]; missing: MissingForVerdict }
  /** A seat of which nearly all thread towards the spring is used up, as a share. */
  | { code: 'adjuster-end'; corner: CornerId; share: number }
  /** A cam above its middle; positions counted from 1. */
  | { code: 'cam-high'; corner: CornerId; position: number; positions: number }
  /** A tender that is not solid at rest, by so much. */
  | { code: 'tender-open'; corner: CornerId; which: Which; openMm: number }
  /** Height taken with a spring's collar where a lower mount should have set it. */
  | { code: 'collar-for-height'; mistake: CollarMistake };

/** What it rests on: figures by where they come from; `onGuess` where an assumed one is among them. */
interface Evidence {
  parts: readonly Part[];
  onGuess: boolean;
}

/** One thing that is said of a machine, with its weight and what it rests on. */
export type Finding = What & { severity: Severity; when: When; evidence: Evidence };

/** Names a finding, so that the same one is known again after a change of the job. */
export function findingKey(finding: Finding): string {
  switch (finding.code) {
    case 'run-out':
      return `run-out ${finding.kind} ${finding.corner} ${JSON.stringify(finding.which)}`;
    case 'doubt':
      return `doubt ${JSON.stringify({ ...finding.misfit, offMm: undefined })}`;
    case 'collar-elsewhere':
      return `collar-elsewhere ${finding.corner} ${finding.round}`;
    case 'unreachable':
      return `unreachable ${finding.reason.kind} ${'corner' in finding.reason ? finding.reason.corner : ''}`;
    case 'contradiction':
      return contradictionKey(finding.question);
    case 'collar-for-height':
      return `collar-for-height ${finding.mistake.corner}`;
    case 'tender-open':
      return `tender-open ${finding.corner} ${JSON.stringify(finding.which)}`;
    case 'spring-untold':
      return `spring-untold ${finding.missing}`;
    case 'spring':
    case 'adjuster-end':
    case 'cam-high':
      return `${finding.code} ${finding.corner}`;
  }
}
