import { configFrom } from './config.ts';

const url = 'postgres://127.0.0.1/margin';
const from = (env: Record<string, string>) => configFrom({ DATABASE_URL: url, ...env });

test('without more, this computer alone is served', () => {
  expect(from({})).toMatchObject({ port: 4180, proxies: 0, shop: null, writesPerMinute: 1200 });
});

test('a shop has a name, an address to listen on and a folder for its certificate', () => {
  const { shop } = from({ MARGIN_SHOP: '1', MARGIN_NAME: 'Bench.Example.net', MARGIN_FILES: '/srv/margin' });
  expect(shop).toEqual({
    name: 'bench.example.net',
    address: '0.0.0.0',
    folder: '/srv/margin/certificate',
  });
});

test.each([
  [{ PORT: 'door' }, 'PORT'],
  [{ PORT: '70000' }, 'PORT'],
  [{ MARGIN_SHOP: '1', MARGIN_NAME: 'not a name' }, 'MARGIN_NAME'],
  [{ MARGIN_SHOP: '1', MARGIN_NAME: 'localhost' }, 'MARGIN_NAME'],
  [{ MARGIN_SHOP: '1', TRUST_PROXY: 'yes' }, 'TRUST_PROXY'],
  // Whoever comes through a proxy would be in without a door.
  [{ TRUST_PROXY: '1' }, 'MARGIN_SHOP'],
  [{ PUBLIC_URL: 'https://sheets.example.org' }, 'MARGIN_SHOP'],
  [{ MARGIN_SHOP: '1', PUBLIC_URL: 'http://sheets.example.org' }, 'PUBLIC_URL'],
  [{ MARGIN_SHOP: '1', PUBLIC_URL: 'https://sheets.example.org/under' }, 'PUBLIC_URL'],
  [{ MARGIN_SHOP: '1', PUBLIC_URL: 'sheets' }, 'PUBLIC_URL'],
])('%p is refused in words that name %s', (env, name) => {
  expect(() => from(env as Record<string, string>)).toThrow(name);
});

test('links for customers have an address of their own', () => {
  const { publicUrl } = from({ MARGIN_SHOP: '1', PUBLIC_URL: 'https://Sheets.example.org/' });
  expect(publicUrl).toBe('https://sheets.example.org');
  expect(from({}).publicUrl).toBe(null);
});
