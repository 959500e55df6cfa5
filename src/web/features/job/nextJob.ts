import { againDocument } from '#core/book/again.ts';
import { enqueue } from '../../api/queue.ts';
import type { Job } from '../../jobStore/useJob.ts';

/** Starts the next job on a job's machine, with what was learnt of it; gives its id. Null while nothing was read. */
export function startNextJob(job: Job): string | null {
  const { answer, actions } = job;
  if (!answer || answer.faults.length > 0) return null;
  const machineId = answer.document.machine.id ?? crypto.randomUUID();
  if (answer.document.machine.id === null)
    actions.change('Machine marked as one that comes back', [['machine', 'id'], machineId]);
  const id = crypto.randomUUID();
  const document = againDocument(answer, machineId, `${answer.document.name}, again`);
  enqueue(id, { kind: 'job', job: { id, document, entries: [] } });
  return id;
}
