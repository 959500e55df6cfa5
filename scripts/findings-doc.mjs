import { writeFileSync } from 'node:fs';
import { createServer } from 'vite';
import { findingsDocument } from './lib/findingsDocument.mjs';

/** Writes docs/findings.md, or prints it with --print: every code there is, and the table of situations that the tests go by. */
const vite = await createServer({
  root: '.',
  server: { middlewareMode: true },
  appType: 'custom',
  logLevel: 'error',
});
const codes = {
  ...(await vite.ssrLoadModule('/src/words/findingCodes.ts')),
  ...(await vite.ssrLoadModule('/src/words/margins.ts')),
};
const { groups } = await vite.ssrLoadModule('/tests/fixtures/situations/index.ts');
const made = findingsDocument(codes, groups);
if (process.argv.includes('--print')) process.stdout.write(made);
else writeFileSync('docs/findings.md', made);
await vite.close();
