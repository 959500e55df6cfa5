import { writeFileSync } from 'node:fs';
import { createServer } from 'vite';

/** Writes docs/findings.md: every code there is, and the table of situations that the tests go by. */
const vite = await createServer({
  root: '.',
  server: { middlewareMode: true },
  appType: 'custom',
  logLevel: 'error',
});
const { findingsDocument } = await vite.ssrLoadModule('/tests/fixtures/situations/document.ts');
writeFileSync('docs/findings.md', findingsDocument());
await vite.close();
