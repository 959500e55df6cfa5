import { saidOf, situations } from '../../../tests/fixtures/situations/index.ts';
import { add, heights, record, settled } from '../../../tests/fixtures/records.ts';
import { changed, figuresOf, keptIn } from '../../../tests/fixtures/keptFigures.ts';
import { once } from '../once.ts';
import { analyse } from '../analysis/analyse.ts';
import { uncheckedOf } from './openPoints.ts';

test('in tolerance is not finished while something stops it', () => {
  const next = (name: string) => {
    const situation = situations.find((one) => one.name === name);
    return situation && analyse(situation.job()).next;
  };
  expect(next('lower mount below its engagement')).toEqual({
    stage: 'close-out',
    code: 'open-points',
    open: 1,
  });
  expect(next('lower mount below its engagement: twin')?.code).toBe('lock');
});

test('hanging under a load carried now and then is a warning, and does not stop it', () => {
  const loaded = situations.find(({ name }) => name === 'topped out only under a load carried now and then');
  if (!loaded) throw new Error('expected the situation in the table');
  const { findings, openPoints } = analyse(loaded.job());
  const hanging = findings.filter((one) => one.code === 'run-out' && one.kind === 'droop');
  expect(hanging.map(({ severity }) => severity)).toEqual(['warn', 'warn']);
  expect(openPoints.filter(({ code }) => code === 'finding')).toEqual([]);
});

test('what is not read or not sure is dealt with where the job is read now', () => {
  const where = (name: string) =>
    situations
      .filter((one) => one.name === name)
      .flatMap(({ job }) => analyse(job()).openPoints)
      .flatMap((point) => ('where' in point ? [point.where] : []));
  expect(where('one corner not read since the last turn')).toEqual(['measure']);
  const once = add(record(), settled(0), ...heights(0, [363, 367, 363, 364]));
  expect(analyse(once).openPoints).toMatchObject([{ code: 'not-sure', where: 'baseline' }]);
});

test('limits that nobody gave are told as not checked, and stop nothing', () => {
  const alone = situations.find(({ name }) => name === 'a tape and nothing else: twin');
  if (!alone) throw new Error('expected the situation in the table');
  const { answer, openPoints } = analyse(alone.job());
  expect(answer && uncheckedOf(answer)).toEqual(['thread', 'travel', 'springs', 'clearance', 'joint']);
  expect(openPoints).toEqual([]);
});

test('there are at least 120 of them, half of them twins', () => {
  expect(situations.length).toBeGreaterThanOrEqual(120);
  expect(situations.filter(({ name }) => name.endsWith(': twin'))).toHaveLength(situations.length / 2);
});

const told = new Map(situations.map(({ name, job }) => [name, once(() => saidOf(job()))]));
const figuresTold = (name: string) => figuresOf(told.get(name)?.().figures ?? []);
const kept = keptIn('tests/fixtures/situations/figures.json', () =>
  Object.fromEntries(situations.map(({ name }) => [name, figuresTold(name)])),
);

test.each(situations)('$name ($measured)', ({ name, must, mustNot }) => {
  const { said, code } = told.get(name)?.() ?? { said: [], code: NaN };
  expect(said).toEqual(expect.arrayContaining(must));
  for (const one of mustNot) expect(said).not.toContain(one);
  // What the command ends with says whether anything stops it.
  expect(code).toBe(said.some((one) => one.endsWith('!')) ? 3 : 0);
});

test('every figure behind every finding has a name, and none is told twice', () => {
  for (const [name, of] of told)
    for (const names of of().goesBy) {
      expect([name, names.filter((one) => one.length < 4)]).toEqual([name, []]);
      expect([name, new Set(names).size]).toEqual([name, names.length]);
    }
});

test.each(situations)('the figures told stay what they are: $name', ({ name }) => {
  expect(changed(kept[name] ?? {}, figuresTold(name))).toEqual([]);
});
