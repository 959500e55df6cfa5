import { summarise, type JobSummary } from './summary.ts';
import { standingFacts } from '../document/facts.ts';
import { recheckOf } from '../document/recheck.ts';
import { settingsOf, type MachineSetting } from '../book/settings.ts';
import { kitOutcomes, type KitOutcome } from '../kits/outcome.ts';
import { analyse } from './analyse.ts';
import type { JobRecord } from '../document/types.ts';

/** What lists show of a job: its line on Bays and its settings in the logbook. */
export interface JobLine {
  summary: Omit<JobSummary, 'updatedAt'>;
  machineId: string | null;
  /** ISO day a locked machine is due back; null where none was set. */
  due: string | null;
  settings: MachineSetting[];
  /** What it came to with the kits that went in. */
  kits: KitOutcome[];
}

/** Raised whenever a line would come out differently for the same job, so that kept ones are made anew. */
export const LINE_REVISION = 11;

/** Works out a job's line. */
export function lineOf(record: JobRecord): JobLine {
  const analysis = analyse(record);
  const summary = summarise(analysis, '');
  return {
    summary,
    due: summary.locked ? (recheckOf(standingFacts(record))?.day ?? null) : null,
    machineId: record.document.machine.id,
    settings: settingsOf(record),
    kits: kitOutcomes(record, analysis.answer),
  };
}
