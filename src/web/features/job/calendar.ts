import type { JobRecord } from '#core/document/types.ts';
import { handOver } from './jobFiles.ts';

/** Hands the reader a calendar file with one all-day entry for a recheck. */
export async function saveRecheck({ document, id }: JobRecord, day: string, words: string): Promise<void> {
  const { createEvent } = await import('ics');
  const [year = 2000, month = 1, date = 1] = day.split('-').map(Number);
  const { value, error } = createEvent({
    uid: `${id}@margin`,
    productId: 'margin',
    title: `Recheck: ${document.name}`,
    description: [document.machine.title, words].filter(Boolean).join('. '),
    start: [year, month, date],
    duration: { days: 1 },
    // Nine in the morning of that day.
    alarms: [
      { action: 'display', description: `Recheck: ${document.name}`, trigger: { hours: 9, before: false } },
    ],
  });
  if (error || !value) throw error ?? new Error('expected a calendar entry, got none');
  handOver(value, 'text/calendar', 'recheck.ics');
}
