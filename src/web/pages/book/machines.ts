import type { BookJob } from '#contract/api.ts';
import { roundWords } from '../../features/job/words.ts';
import type { MachineSetting } from '#core/job/settings.ts';

/** One setting of one machine, with the job it belongs to. */
export interface Page {
  key: string;
  job: BookJob;
  setting: MachineSetting;
}

export interface BookMachine {
  key: string;
  name: string;
  title: string;
  /** Newest first. */
  pages: Page[];
}

/** Jobs put together by machine, the machine last worked on first. */
export function machinesOf(jobs: readonly BookJob[]): BookMachine[] {
  const byKey = new Map<string, BookJob[]>();
  for (const job of jobs) {
    const key = job.machineId ?? job.id;
    byKey.set(key, [...(byKey.get(key) ?? []), job]);
  }
  const machines = [...byKey].map(([key, own]) => {
    const pages = own
      .flatMap((job) =>
        job.settings.map((setting): Page => ({ key: `${job.id}.${setting.round}`, job, setting })),
      )
      .sort((a, b) => (a.setting.at < b.setting.at ? 1 : -1));
    const newest = pages[0]?.job as BookJob;
    return { key, name: newest.name, title: newest.title, pages };
  });
  return machines.sort((a, b) => ((a.pages[0]?.setting.at ?? '') < (b.pages[0]?.setting.at ?? '') ? 1 : -1));
}

/** A setting's name in a list: when, in which job, at which round. */
export function pageWords({ job, setting }: Page): string {
  const day = new Date(setting.at).toLocaleDateString(undefined, { dateStyle: 'medium' });
  return `${day}, ${job.name}, ${roundWords(setting.round)}${setting.locked ? ', locked' : ''}`;
}
