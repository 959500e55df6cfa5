import { summarise, type JobSummary } from './nextAction.ts';
import { settingsOf, type MachineSetting } from './settings.ts';
import type { JobRecord } from './types.ts';

/** What lists show of a job: its line on Bays and its settings in the logbook. */
export interface JobLine {
  summary: Omit<JobSummary, 'updatedAt'>;
  machineId: string | null;
  settings: MachineSetting[];
}

/** Raised whenever a line would come out differently for the same job, so that kept ones are made anew. */
export const LINE_REVISION = 1;

/** Works out a job's line. */
export function lineOf(record: JobRecord): JobLine {
  return {
    summary: summarise(record, ''),
    machineId: record.document.machine.id,
    settings: settingsOf(record),
  };
}
