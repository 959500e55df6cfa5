import { readFileSync } from 'node:fs';
import { jobFileSchema } from '#contract/schemas/jobFile.ts';

test('the published schema of the job file is the one the server checks with', () => {
  const published: unknown = JSON.parse(readFileSync('docs/job-file.schema.json', 'utf8'));
  expect(published).toEqual(JSON.parse(JSON.stringify(jobFileSchema())));
});
