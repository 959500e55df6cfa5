import { classJobs, idOf, READS, writtenDown } from '../../../tests/fixtures/classJobs.ts';
import { add, factEntry, record as blank } from '../../../tests/fixtures/records.ts';
import { isIn, measure, work, type Vehicle } from '../../../tests/fixtures/shop.ts';
import type { Entry, JobRecord } from '../document/types.ts';
import { toldPlan } from '../planning/tell.ts';
import { analyse } from './analyse.ts';

/** What the tape and the dampers read at every corner in a round. */
function readings(vehicle: Vehicle, round: number): Entry[] {
  const { heights, travelUsed } = measure(vehicle);
  return vehicle.nominal.corners.flatMap(({ name }) => {
    const at = { round, corner: idOf(vehicle, name), slot: '1' };
    return [
      factEntry({ kind: 'height', ...at, mm: heights[`${name} height`] ?? 0 }),
      factEntry({ kind: 'travel-used', ...at, slot: 'max', mm: Math.max(travelUsed?.[name] ?? 0, 0) }),
    ];
  });
}

/** A round as it is told, carried out on the vehicle and on record. */
function turned(record: JobRecord, vehicle: Vehicle, round: number): JobRecord {
  const { answer } = analyse(record);
  if (!answer) throw new Error('expected an answer to what was read');
  const { corners } = toldPlan(answer);
  const byName = vehicle.nominal.corners.map(({ name }): [string, number] => [
    name,
    corners[idOf(vehicle, name)]?.seatMm ?? 0,
  ]);
  work(vehicle, Object.fromEntries(byName), 0);
  const moves = byName
    .filter(([, mm]) => mm !== 0)
    .map(([name, mm]) =>
      factEntry({ kind: 'adjustment', round, corner: idOf(vehicle, name), slot: 'done', mm, askedMm: mm }),
    );
  return add(record, ...moves, ...readings(vehicle, round));
}

test.each(classJobs)('$name: in within three rounds of what is told', ({ vehicle: hidden, leafMm }) => {
  const vehicle = hidden();
  expect(isIn(vehicle)).toBe(false);
  const collars = vehicle.nominal.corners.map(({ name, collar }) =>
    factEntry({ kind: 'collar', round: 0, corner: idOf(vehicle, name), slot: 'now', mm: READS + collar }),
  );
  let record = add(blank(writtenDown(vehicle, leafMm)), ...readings(vehicle, 0), ...collars);
  const isDone = () => ['lock', 'open-points'].includes(analyse(record).next.code);
  let rounds = 0;
  while (rounds < 4 && !isDone()) record = turned(record, vehicle, ++rounds);
  expect(rounds).toBeLessThanOrEqual(3);
  expect(isIn(vehicle)).toBe(true);
});
