import { writeFileSync } from 'node:fs';
import { createServer } from 'vite';

/** Writes docs/job-file.schema.json from the server's own schema. */
const vite = await createServer({
  root: '.',
  server: { middlewareMode: true },
  appType: 'custom',
  logLevel: 'error',
});
const { jobFileSchema } = await vite.ssrLoadModule('/src/contract/schemas/jobFile.ts');
writeFileSync('docs/job-file.schema.json', `${JSON.stringify(jobFileSchema(), null, 1)}\n`);
await vite.close();
