import { dayWords } from '#words/day.ts';
import type { BookJob } from '#contract/api.ts';
import { roundWords } from '#words/fields.ts';
import type { MachineSetting } from '#core/book/settings.ts';

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

/** The book of one machine out of its jobs; null where nothing was measured in any. */
export function machineOf(key: string, jobs: readonly BookJob[]): BookMachine | null {
  const pages = jobs
    .flatMap((job) =>
      job.settings.map((setting): Page => ({ key: `${job.id}.${setting.round}`, job, setting })),
    )
    .sort((a, b) => (a.setting.at < b.setting.at ? 1 : -1));
  const newest = pages[0]?.job;
  return newest ? { key, name: newest.name, title: newest.title, pages } : null;
}

/** A setting's name in a list: when, in which job, at which round. */
export function pageWords({ job, setting }: Page): string {
  const day = dayWords(setting.at);
  return `${day}, ${job.name}, ${roundWords(setting.round)}${setting.locked ? ', locked' : ''}`;
}
