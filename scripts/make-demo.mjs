import { mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'vite';
import { demoJobs } from '../demo/jobs.mjs';
import { demoRack } from '../demo/rack.mjs';

/** Writes demo/*.json from the terse stories in demo/jobs.mjs; told plans come from the core itself. */
const vite = await createServer({
  root: '.',
  server: { middlewareMode: true },
  appType: 'custom',
  logLevel: 'error',
});
const load = (path) => vite.ssrLoadModule(`/src/core/${path}`);
const { blankDocument } = await load('document/create.ts');
const { applyEntry } = await load('document/applyEntry.ts');
const { wholeFact } = await load('document/upgradeFact.ts');
const { answerFor } = await load('planning/answer.ts');
const { planFact } = await load('planning/tell.ts');

const { cornersIn } = await load('kinds/classes/index.ts');
const { workOf } = await load('estimate/rounds.ts');
const idOf = (job, n) =>
  `00000000-0000-4000-8000-${String(job).padStart(4, '0')}${String(n).padStart(8, '0')}`;

function tellStory(story, number) {
  let record = { id: idOf(number, 0), version: 1, document: story.describe(blankDocument), entries: [] };
  const corners = cornersIn(record.document);
  let minute = 0;
  const add = (label, fact) => {
    minute += 2;
    const at = new Date(Date.parse(story.start) + minute * 60_000).toISOString();
    const filled = wholeFact({ round: 0, corner: null, slot: '1', ...fact });
    const entry = {
      id: idOf(number, record.entries.length + 1),
      at,
      label,
      undoOf: null,
      redoOf: null,
      type: 'fact',
      fact: filled,
      replaces: null,
    };
    const result = applyEntry(record, entry);
    if (!result.ok) throw new Error(`${story.file}: ${JSON.stringify(result.refusal)}`);
    record = result.record;
  };
  const tools = {
    settle: (round, how) => add(`Settled: ${how}`, { kind: 'settled', round, slot: 'how', how }),
    heights: (round, ...rows) =>
      rows.forEach((row, i) =>
        row.forEach((value, c) =>
          add('Height reading', {
            kind: 'height',
            round,
            corner: corners[c],
            slot: String(i + 1),
            mm: value,
          }),
        ),
      ),
    collars: (round, row) =>
      row.forEach((value, c) => {
        // Cams and air have no collar to read.
        if (value !== null)
          add('Collar reading', { kind: 'collar', round, corner: corners[c], slot: 'now', mm: value });
      }),
    travelUsed: (round, row) =>
      row.forEach((value, c) =>
        add('Travel used', { kind: 'travel-used', round, corner: corners[c], slot: 'now', mm: value }),
      ),
    // Rows are repeats: the machine was rolled off and on between.
    pads: (round, ...rows) =>
      rows.forEach((row, i) =>
        row.forEach((value, c) =>
          add('Pad reading', { kind: 'pad', round, corner: corners[c], slot: String(i + 1), kg: value }),
        ),
      ),
    camber: (round, row) =>
      row.forEach((value, c) =>
        add('Camber', { kind: 'camber', round, corner: corners[c], slot: '1', degrees: value }),
      ),
    toe: (round, front, rear) =>
      Object.entries({ front, rear }).forEach(([slot, value]) =>
        add('Toe reading', { kind: 'toe', round, slot, mm: value }),
      ),
    link: (round, corner, value) =>
      add('Gap at the link', { kind: 'link', round, corner, slot: 'gap', mm: value }),
    fuel: (round, value) => add('Fuel', { kind: 'fuel', round, slot: 'tank', litres: value }),
    cycled: (round, corner, slot, value) => add('Cycled', { kind: 'cycled', round, corner, slot, mm: value }),
    // Rows are repeats; null was not read.
    sag: (round, slot, ...rows) =>
      rows.forEach((row, i) =>
        row.forEach((value, c) => {
          if (value !== null)
            add('Sag reading', {
              kind: 'sag',
              round,
              corner: corners[c],
              slot: `${slot}-${i + 1}`,
              mm: value,
            });
        }),
      ),
    tell: () => add('Plan told', planFact(answerFor(record))),
    turn: (round, turned) => {
      const told = record.entries.findLast(({ fact }) => fact.kind === 'plan').fact.told;
      turned.forEach((corner) =>
        workOf(told.corners[corner]).forEach(({ kind, slot, mm }) =>
          add('Turned', { kind, round, corner, slot, mm, askedMm: mm }),
        ),
      );
    },
    recheck: (km, day) => add('Recheck set', { kind: 'recheck', round: 0, slot: 'due', km, day }),
    seeTo: (...ids) => ids.forEach((slot) => add('Checklist', { kind: 'prep', round: 0, slot, how: 'done' })),
    lock: (round) => add('Locked', { kind: 'locked', round, slot: 'locked' }),
  };
  story.tell(tools);
  return { id: record.id, document: record.document, entries: record.entries };
}

for (const file of readdirSync('demo').filter((name) => name.endsWith('.json'))) rmSync(`demo/${file}`);
demoJobs.forEach((story, i) =>
  writeFileSync(`demo/${story.file}.json`, `${JSON.stringify(tellStory(story, i + 1), null, 2)}\n`),
);
await vite.close();
mkdirSync('demo/rack', { recursive: true });
writeFileSync('demo/rack/springs.json', `${JSON.stringify(demoRack(), null, 1)}\n`);
