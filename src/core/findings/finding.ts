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

/** What is wrong, or worth knowing. */
type What =
  | RunOut
  /** Readings and machine do not agree. */
  | { code: 'doubt'; misfit: JobMisfit; probability: number }
  /** A collar that does not stand where the moves on record would put it, mm. */
  | { code: 'collar-elsewhere'; corner: CornerId; round: number; readMm: number; expectedMm: number }
  /** A target that cannot be had, and why. */
  | { code: 'unreachable'; reason: Reason };

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
  }
}
