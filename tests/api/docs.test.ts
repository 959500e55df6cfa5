import { existsSync, readFileSync, readdirSync } from 'node:fs';
import request from 'supertest';
import { DOCUMENT_VERSION } from '#core/document/description/job.ts';
import { signedIn, startShop } from '../fixtures/shopServer.ts';
import { findingsDocument } from '../fixtures/situations/document.ts';
import { startTestServer, type TestServer } from '../fixtures/server.ts';

const docs = [
  'README.md',
  'CONTRIBUTING.md',
  ...readdirSync('docs')
    .filter((file) => file.endsWith('.md'))
    .map((file) => `docs/${file}`),
];
const textOf = (file: string) => readFileSync(file, 'utf8');

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

test.each(docs)('%s names only files that are there', (file) => {
  const named = [...textOf(file).matchAll(/`((?:src|tests|scripts|docs|bench|demo)\/[\w./-]+)`/g)].map(
    ([, path = '']) => path,
  );
  const linked = [...textOf(file).matchAll(/\]\(([\w./-]+\.(?:md|json|png))\)/g)].map(([, path = '']) =>
    file.startsWith('docs/') ? `docs/${path}` : path,
  );
  expect([...named, ...linked].filter((path) => !existsSync(path))).toEqual([]);
});

test('every route that the interface’s document names answers something other than "not found"', async () => {
  const rows = [
    ...textOf('docs/api.md').matchAll(/^\| `(\/api\/[^`]*)`(?:, `[^`]*`)?\s*\| (GET|POST|DELETE)/gm),
  ];
  expect(rows.length).toBeGreaterThan(12);
  const nowhere = await request(server.address).get('/api/nowhere').expect(404);
  expect(nowhere.body.code).toBe('not-found');
  const missing: string[] = [];
  for (const [, route = '', method = 'GET'] of rows) {
    if (route === '/api/events') continue;
    const path = route.split('?')[0]?.replace(/:\w+/g, 'not-an-id') ?? '';
    const send = request(server.address)[method.toLowerCase() as 'get' | 'post' | 'delete'](path);
    const { status, body } = await send.send(method === 'POST' ? {} : undefined);
    // A route that is not there says so in words of its own; one that is refuses what was sent.
    if (status === 404 && body.code === 'not-found') missing.push(`${method} ${path}`);
  }
  // Those of a door are where there is one.
  const shop = await startShop();
  try {
    const office = await signedIn(shop);
    const nowhereEither: string[] = [];
    for (const route of missing) {
      const [method = '', path = ''] = route.split(' ');
      // Signing out comes last, by a device of its own.
      const asker = path.endsWith('sign-out') ? await signedIn(shop, 'Short visit') : office;
      const { body } = await asker.ask(method, path.replace('/api', ''), method === 'POST' ? {} : undefined);
      if (body.code === 'not-found') nowhereEither.push(route);
    }
    expect(nowhereEither).toEqual([]);
  } finally {
    await shop.close();
  }
});

test('the document of findings is the one that is made: every code and every situation', () => {
  // Tables are laid out anew for the file.
  const plain = (text: string) => text.replaceAll(/[ -]+/g, ' ').trim();
  expect(plain(textOf('docs/findings.md'))).toBe(plain(findingsDocument()));
});

test('the version that documents name is the one that is written', () => {
  const schema = JSON.parse(textOf('docs/job-file.schema.json')) as { title: string };
  expect(schema.title).toBe(`Margin job file, version ${DOCUMENT_VERSION}`);
  for (const file of [...docs, 'CHANGELOG.md'])
    for (const [, version] of textOf(file).matchAll(/document version (\d+)/g))
      expect([file, Number(version) <= DOCUMENT_VERSION]).toEqual([file, true]);
});
