import { readFileSync } from 'node:fs';
import { migrateJob } from '#core/document/migrate.ts';
import type { JobRecord } from '#core/document/types.ts';
import { stopsOnHealthy } from '../../../tests/fixtures/describedShop.ts';

const described = [
  '1-dunlin',
  '2-saltmarsh-lady',
  '3-curlew',
  '4-kittiwake',
  '5-merganser',
  '6-whimbrel',
  '7-turnstone',
];

describe('a healthy machine that is fully described is not stopped in three rounds of readings', () => {
  test.each(described)('%s', (name) => {
    const job = migrateJob(JSON.parse(readFileSync(`demo/${name}.json`, 'utf8'))) as Omit<
      JobRecord,
      'version'
    >;
    for (const seed of [1, 2, 3]) expect([seed, stopsOnHealthy(job, seed)]).toEqual([seed, []]);
  });
});
