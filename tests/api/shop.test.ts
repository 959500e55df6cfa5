import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import request from 'supertest';
import type { ShopSettings } from '#contract/door.ts';
import { startTestServer, type TestServer } from '../fixtures/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const api = () => request(server.address);
const read = async () => (await api().get('/api/shop').expect(200)).body as ShopSettings;
const keep = async (change: object) =>
  api()
    .post('/api/shop')
    .send({ ...(await read()), ...change });
const window = {
  id: 'own 1',
  title: 'House',
  of: 'rider',
  at: 'wheel',
  unit: 'mm',
  low: 90,
  high: 100,
  on: ['motorcycle'],
};

test('tolerances and sag windows are kept; what a page of before leaves out stays as it is', async () => {
  await keep({ tolerances: { car: 3.5 }, sagWindows: [window] }).then(({ status }) =>
    expect(status).toBe(200),
  );
  const { tolerances, sagWindows, logo, ...older } = await read();
  expect({ tolerances, sagWindows, logo }).toEqual({
    tolerances: { car: 3.5 },
    sagWindows: [window],
    logo: null,
  });
  const later = await api()
    .post('/api/shop')
    .send({ ...older, shopName: 'Saltmarsh Springs' })
    .expect(200);
  expect(later.body).toMatchObject({
    shopName: 'Saltmarsh Springs',
    tolerances: { car: 3.5 },
    sagWindows: [window],
  });
});

test.each([
  ['a tolerance of nothing', { tolerances: { car: 0 } }, '/tolerances/car'],
  ['one for no class', { tolerances: { boat: 3 } }, '/tolerances/boat'],
  ['a window upside down', { sagWindows: [{ ...window, low: 100, high: 90 }] }, '/sagWindows/0/high'],
  ['two windows of one id', { sagWindows: [window, window] }, '/sagWindows/1'],
])('%s is refused with where', async (_what, change, pointer) => {
  const { status, body } = await keep(change);
  expect([status, (body as { errors: { pointer: string }[] }).errors[0]?.pointer]).toEqual([422, pointer]);
});

test('a logo is drawn anew, named by what it is, and goes when it is removed', async () => {
  const wide = sharp({ create: { width: 2000, height: 500, channels: 4, background: '#11335500' } });
  const sent = await wide
    .png()
    .withMetadata({ exif: { IFD0: { Artist: 'somebody' } } })
    .toBuffer();
  await api().get('/api/shop/logo').expect(404);
  const { body } = await api().post('/api/shop/logo').type('image/png').send(sent).expect(201);
  const { logo, version } = body as ShopSettings;
  expect(logo).toMatch(/^[0-9a-f]{16}$/);
  const got = await api().get(`/api/shop/logo?${logo}`).expect(200).expect('Content-Type', 'image/png');
  const { width, hasAlpha, exif } = await sharp(got.body as Buffer).metadata();
  expect([width, hasAlpha, exif]).toEqual([800, true, undefined]);

  // Nobody names a logo by posting settings.
  const named = await keep({ logo: 'something else' });
  expect(named.body).toMatchObject({ logo, version: version + 1 });
  const again = await api().post('/api/shop/logo').type('image/png').send(sent).expect(201);
  expect((again.body as ShopSettings).logo).toBe(logo);

  await api().delete('/api/shop/logo').expect(200);
  expect((await read()).logo).toBe(null);
  await api().get('/api/shop/logo').expect(404);
});

test('what is no picture is no logo, and nothing changes', async () => {
  const before = await read();
  const svg = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>');
  for (const [type, body] of [
    ['image/svg+xml', svg],
    ['image/png', Buffer.from(randomUUID())],
  ] as const)
    await api().post('/api/shop/logo').type(type).send(body).expect(422);
  expect(await read()).toEqual(before);
});
