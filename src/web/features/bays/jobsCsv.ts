import type { JobList } from '#contract/api.ts';
import { classDefaults } from '#core/kinds/classes/index.ts';
import { nextWords } from '#words/nextAction.ts';
import { roundWords } from '#words/fields.ts';
import { wholeList } from '../../api/jobs.ts';
import { handOver } from '../job/jobFiles.ts';

type Line = JobList['jobs'][number];

/** One row of the file: a job as the list shows it, with whose it is. */
function csvRow(job: Line): Record<string, string | number> {
  const { about } = job;
  return {
    job: job.name,
    machine: job.title,
    class: classDefaults[job.machineClass].title,
    customer: about.customer,
    plate: about.plate,
    technician: about.technician,
    'odometer km': about.odometerKm ?? '',
    'came in': about.cameIn ?? '',
    round: roundWords(job.round),
    next: nextWords(job.next),
    locked: job.locked ? 'yes' : 'no',
    due: job.due ?? '',
    'last change': job.updatedAt,
    id: job.id,
  };
}

/** Hands the reader every job that a search finds as a CSV file. Throws where the server cannot be reached. */
export async function saveJobsCsv(find: string): Promise<void> {
  const [{ default: Papa }, jobs] = await Promise.all([import('papaparse'), wholeList(find)]);
  handOver(Papa.unparse(jobs.map(csvRow)), 'text/csv', 'jobs.csv');
}
