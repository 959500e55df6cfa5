import type { Page } from '@playwright/test';
import type { JobRecord } from '#core/document/types.ts';
import {
  hideSagMachine,
  isInWindow,
  readExtended,
  readRest,
  readWay,
  turn,
  type SagMachine,
  type SagWay,
} from '../fixtures/sagShop.ts';
import { allSent, expect, field, lockAnyway, pressAndLift, test, visit } from './app.ts';

/** One end as somebody sets it: which machine, which end of it, and what is turned there. */
interface Job {
  title: string;
  /** Of the simulated machines, which one. */
  way: SagWay;
  seed: number;
  class: string;
  /** Ends as the first question has them, and as its fields do. */
  end: string;
  corners: string[];
  turned: RegExp;
  readBy?: string;
  alone?: boolean;
  /** Either way of reading on some of them: every kind both ways is played without a page, in hundreds. */
  how: 'rest' | 'both';
}

const jobs: Job[] = [
  { title: 'sled, rear by its quick adjuster', way: 'cam', seed: 2, how: 'both', class: 'snowmobile', end: 'Skid rear arm', corners: ['skid rear arm'], turned: /^Cam or quick adjuster/ },
  { title: 'skis by air, from the sag with nobody on', way: 'air', seed: 7, how: 'rest', class: 'snowmobile', end: 'Both skis', corners: ['left ski', 'right ski'], turned: /^Air/, alone: true },
  { title: 'dual-purpose rear through its linkage', way: 'linkage', seed: 9, how: 'both', class: 'dual-purpose', end: 'Rear wheel', corners: ['rear wheel'], turned: /^Seat collar/ },
  { title: 'scooter, front alone', way: 'strut', seed: 53, how: 'rest', class: 'scooter', end: 'Front wheel', corners: ['front wheel'], turned: /^Fork cap sets/, readBy: 'axle to mark' },
]; // oxfmt-ignore

/** mm at the leg that one place of a cam winds, as such cams mostly do: 10 degrees on a leg of 120. */
const legMm = (halves: boolean) => ((halves ? 5 : 10) * Math.PI * 120) / 180;

/** What the newest turning did, as it is on record: mm of seat, or bar. */
async function turned(page: Page, jobId: string): Promise<number> {
  const record = (await (await page.request.get(`/api/jobs/${jobId}`)).json()) as JobRecord;
  const moves = record.entries.flatMap((entry) => {
    if (entry.type !== 'fact') return [];
    const { fact } = entry;
    return fact.kind === 'adjustment' ? [fact.mm] : fact.kind === 'inflated' ? [fact.bar] : [];
  });
  return moves.at(-1) ?? NaN;
}

/** How a sheet says where an adjuster was left. */
const leftAt = (way: SagMachine['way']): RegExp =>
  way === 'cam' ? /position \d/ : way === 'air' ? /\d\s?bar/ : /turns? (towards|away from) the spring/;

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** Says who rides, which end is set and how, and opens the bench. */
async function begin(page: Page, job: Job, machine: SagMachine): Promise<void> {
  await visit(page, `/sag?class=${job.class}`);
  const ends = page.locator('li').getByRole('checkbox');
  await expect(page.getByLabel(job.end, { exact: true })).toBeVisible();
  for (const box of await ends.all()) await box.setChecked(false);
  await page.getByLabel(job.end, { exact: true }).check();
  const name = job.end.toLowerCase();
  await page.getByRole('button', { name: new RegExp(`^What is turned, ${name}`) }).click();
  await page.getByRole('dialog').getByRole('button', { name: job.turned }).click();
  if (job.readBy) await page.getByLabel(`Read by, ${name}`).selectOption({ label: job.readBy });
  const at = job.alone ? ' at the shaft' : '';
  await field(page, `From${at}, ${name}`).fill(String(machine.window.fromMm));
  await field(page, `To${at}, ${name}`).fill(String(machine.window.toMm));
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Continue' }).click();
  if (job.way === 'cam') {
    await field(page, 'Positions, skid rear arm').fill(
      String(machine.halves ? (machine.places + 1) / 2 : machine.places),
    );
    await page.keyboard.press('Tab');
    if (machine.halves) await page.getByLabel('Half positions, skid rear arm').check();
    await page.getByLabel('Cam stands at, skid rear arm').selectOption(String(machine.place));
  }
  if (job.way === 'air') {
    await field(page, 'Pressure now, left ski').fill(machine.bar.toFixed(2));
    await page.keyboard.press('Tab');
  }
}

/** Types what the tape shows of one round; once more where the page asks for it. */
async function read(page: Page, job: Job, machine: SagMachine): Promise<void> {
  const { how } = job;
  const type = async (words: string, k: number, mm: number) => {
    for (const corner of job.corners) await field(page, `${words}, ${corner}, reading ${k}`).fill(String(mm));
    await page.keyboard.press('Tab');
  };
  const once = async (k: 1 | 2) => {
    if (job.alone) await type('Nobody on, by a band', k, machine.extendedMm - readRest(machine));
    else if (how === 'both') {
      await pressAndLift(page);
      await type('Rider on, pressed', k, readWay(machine, 'press'));
      await type('Rider on, lifted', k, readWay(machine, 'lift'));
    } else await type('Rider on, as it rests', k, readRest(machine));
  };
  await once(1);
  if (how === 'rest' && !job.alone) await type('Rider on, as it rests', 2, readRest(machine));
  if (await page.getByText('In its window, near the edge.').isVisible()) {
    if (!job.alone) await type('Fully extended', 1, readExtended(machine));
    if (how === 'rest' && !job.alone) await type('Rider on, as it rests', 3, readRest(machine));
    else await once(2);
  }
  await allSent(page);
}

for (const job of jobs)
  test(`${job.title}, ${job.how === 'both' ? 'pressed and lifted' : 'as it rests'}: from the first reading to the end`, async ({
    page,
  }) => {
    const machine = hideSagMachine(job.seed);
    expect([machine.way, isInWindow(machine)]).toEqual([job.way, false]);
    await begin(page, job, machine);
    if (!job.alone)
      await field(page, `Fully extended, ${job.corners[0] ?? ''}, reading 1`).fill(
        String(readExtended(machine)),
      );
    await read(page, job, machine);
    await field(page, 'Name of the job').fill(`Ruff ${job.end}`);
    await page.getByRole('button', { name: 'Save as job' }).click();
    await page.waitForURL(/\/jobs\/[0-9a-f-]{36}\/sag/);
    const id = /jobs\/([0-9a-f-]+)/.exec(page.url())?.[1] ?? '';
    const outlook = page.getByTestId('sag-outlook');
    let rounds = 0;
    while (rounds < 4 && !(await outlook.getByText('Done:').isVisible())) {
      rounds++;
      await page.getByRole('button', { name: 'Start turning' }).click();
      const done = page.getByRole('button', { name: /^Done,/ });
      await expect(done.first()).toBeVisible();
      // Nothing else of the machine is spoken of.
      await expect(done).toHaveCount(job.corners.length);
      while ((await done.count()) > 0) await done.first().click();
      await allSent(page);
      const by = await turned(page, id);
      turn(machine, job.way === 'cam' ? Math.round(by / legMm(machine.halves)) : by);
      await page
        .getByRole('link', { name: /^Sag bench/ })
        .first()
        .click();
      await read(page, job, machine);
      await expect(page.getByTestId(/^step-/).first()).toContainText(/took|added/);
    }
    expect(isInWindow(machine)).toBe(true);
    expect(rounds).toBeLessThanOrEqual(3);
    await expect(page.getByText(/Spring: too/)).toHaveCount(0);
    await page.getByRole('link', { name: /^Finish/ }).click();
    await lockAnyway(page, 'as agreed');
    await expect(page.getByText(/Locked/).first()).toBeVisible();
    await expect(page.getByText(capital(job.corners[0] ?? '')).first()).toBeVisible();
    await allSent(page);
    // The sheet that goes with it has where the adjuster was left, and the sag where it was read; of heights no word.
    await visit(page, `/jobs/${id}/handover`);
    const sheet = page.getByRole('main');
    await expect(sheet).toContainText(leftAt(job.way));
    await expect(sheet.getByRole('columnheader', { name: 'target' })).toHaveCount(0);
    await expect(sheet.getByText(/\d to \d+\s?mm at the shaft/)).toHaveCount(job.alone ? 2 : 0);
  });
