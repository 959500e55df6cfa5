import { DOCUMENT_VERSION } from '#core/document/description/job.ts';
import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import request from 'supertest';
import { WebSocket } from 'ws';
import { blankBar, blankDocument } from '#core/document/create.ts';
import { someClearance } from '../fixtures/records.ts';
import type { JobDocument } from '#core/document/types.ts';
import { readGaugeLine, type GaugeReading } from '#core/gauge/line.ts';
import { padPlace, padPlaces } from '#core/gauge/simulatedPads.ts';
import { localHosts } from '#server/http/allowed.ts';
import { serveSockets } from '#server/instruments/sockets.ts';
import { factEntry } from '../fixtures/records.ts';
import { startTestServer, type TestServer } from '../fixtures/server.ts';

let server: TestServer;
let endGauge: () => void;
beforeAll(async () => {
  server = await startTestServer();
  endGauge = serveSockets(server.http, { ...server, hosts: localHosts, sessions: null });
});
afterAll(async () => {
  endGauge();
  await server.close();
});

const car = (edit: (document: JobDocument) => void = () => undefined) => {
  const document = blankDocument('car', 'Redshank');
  edit(document);
  return document;
};
const create = (document: object, id: string = randomUUID()) =>
  request(server.address).post('/api/jobs').send({ id, document, entries: [] });
const begin = async (document: object = car()) => {
  const id = randomUUID();
  await create(document, id).expect(201);
  return id;
};
const post = (id: string, fact: Parameters<typeof factEntry>[0]) =>
  request(server.address)
    .post(`/api/jobs/${id}/entries`)
    .send({ ...factEntry(fact), id: randomUUID() });

describe('what is read beside heights', () => {
  test.each<[string, Parameters<typeof factEntry>[0]]>([
    ['a pad in another load case', { kind: 'pad', corner: 'LF', slot: 'c2-3', kg: 271.5 }],
    ['a pad with its pair swapped', { kind: 'pad', corner: 'RR', slot: 'swapped-rear', kg: 271.5 }],
    ['fuel', { kind: 'fuel', slot: 'tank', litres: 18 }],
    ['a link too long', { kind: 'link', corner: 'RF', slot: 'gap', mm: -4.5 }],
    ['camber', { kind: 'camber', corner: 'LR', degrees: -2.25 }],
    ['a wheel cycled until it touches', { kind: 'cycled', corner: 'LF', slot: 'bump', mm: -1 }],
  ])('%s is kept', async (_, fact) => {
    const id = await begin();
    await post(id, fact).expect(201);
    const { body } = await request(server.address).get(`/api/jobs/${id}`).expect(200);
    expect(body.entries[0].fact).toMatchObject(fact);
  });

  test.each<[string, Parameters<typeof factEntry>[0]]>([
    ['a pad in no load case', { kind: 'pad', corner: 'LF', slot: 'c0-1', kg: 271 }],
    ['a pad swapped with nothing', { kind: 'pad', corner: 'LF', slot: 'swapped-left', kg: 271 }],
    ['fuel of a corner', { kind: 'fuel', corner: 'LF', slot: 'tank', litres: 18 }],
    ['a link a metre off', { kind: 'link', corner: 'RF', slot: 'gap', mm: 1000 }],
    ['camber of nobody’s wheel', { kind: 'camber', degrees: -2 }],
    ['camber of a wheel lying down', { kind: 'camber', corner: 'LF', degrees: 90 }],
    ['a wheel cycled sideways', { kind: 'cycled', corner: 'LF', slot: 'left', mm: 3 }],
  ])('%s is refused', async (_, fact) => {
    await post(await begin(), fact).expect(422);
  });
});

describe('what is described of stance and scales', () => {
  test('is kept whole', async () => {
    const document = car((one) => {
      Object.assign(one, { frontEqual: true, crossWeight: 0.1 });
      one.stance.tyreMm.front = 602;
      one.stance.points = [{ name: 'sump', xMm: 700, yMm: 0, nowMm: 120, leastMm: null }];
      one.bars.front = { ...blankBar(12, false), linkMm: 118, linkPerWheel: -0.6 };
      one.corners.LF.clearances = [{ ...someClearance, rows: [[-40, 5], [0, 20]], atMm: 350 }]; // oxfmt-ignore
      one.corners.LF.padFactor = 1.004;
      one.corners.RF.camberPerMm = -0.02;
    });
    const { body } = await request(server.address)
      .get(`/api/jobs/${await begin(document)}`)
      .expect(200);
    expect(body.document).toEqual(document);
  });

  test.each<[string, (document: JobDocument) => void]>([
    ['/document/corners/LF/clearances/0/rows', (one) => (one.corners.LF.clearances = [{ ...someClearance, rows: [[0, 5], [0, 20]] }])],
    ['/document/stance/points/0/nowMm', (one) => (one.stance.points = [{ name: 'sump', xMm: 0, yMm: 0, nowMm: -5, leastMm: null }])],
    ['/document/stance/tyreMm/rear', (one) => (one.stance.tyreMm.rear = 3)],
    ['/document/crossWeight', (one) => (one.crossWeight = 0)],
    ['/document/bars/front/linkPerWheel', (one) => (one.bars.front = { ...blankBar(12, false), linkPerWheel: 9 })],
    ['/document/corners/RR/padFactor', (one) => (one.corners.RR.padFactor = 2)],
  ])('is refused where it cannot be: %s', async (pointer, spoil) => {
    const { body } = await create(car(spoil)).expect(422);
    expect((body.errors as { pointer: string }[]).map((error) => error.pointer)).toContain(pointer);
  }); // oxfmt-ignore

  test('a job of the version before comes up with none of it, and with its bars and clearances as they were', async () => {
    const id = await begin(
      car((one) => {
        one.bars.front = blankBar(12, true);
        one.corners.LF.clearances = [{ ...someClearance, perMm: 0.4 }];
      }),
    );
    await server.db.execute(sql`
      update jobs set document = jsonb_set(document, '{schemaVersion}', '5') - 'stance' - 'crossWeight' - 'frontEqual'
      where id = ${id}`);
    await server.db.execute(sql`
      update jobs set document = document #- '{bars,front,linkMm}' #- '{bars,front,linkPerWheel}'
        #- '{corners,LF,clearances,0,rows}' #- '{corners,LF,clearances,0,atMm}' #- '{steering,toePerMm}' where id = ${id}`);
    const { body } = await request(server.address).get(`/api/jobs/${id}`).expect(200);
    expect(body.document).toMatchObject({
      schemaVersion: DOCUMENT_VERSION,
      crossWeight: null,
      frontEqual: false,
      stance: { points: [] },
      steering: { toePerMm: null },
      bars: { front: { rateNPerMm: 12, hooked: true, linkMm: null } },
      corners: { LF: { clearances: [{ perMm: 0.4, rows: null, atMm: null }], padFactor: null } },
    });
  });
});

describe('simulated pads', () => {
  const open = () =>
    new Promise<WebSocket>((done, fail) => {
      const socket = new WebSocket(`${server.address.replace('http', 'ws')}/instruments/simulated`);
      socket.once('open', () => done(socket));
      socket.once('error', fail);
    });

  /** All four once they are steady, and as wanted. */
  const allFour = (socket: WebSocket, wanted: (kg: number[]) => boolean) =>
    new Promise<number[]>((done) => {
      const latest = new Map<string, GaugeReading>();
      socket.on('message', (data: Buffer) => {
        for (const text of data.toString().split('\n').filter(Boolean)) {
          const line = readGaugeLine(text);
          const place = line.ok ? padPlace(line.value.name) : null;
          if (line.ok && place) latest.set(place, line.value);
        }
        const list = padPlaces.flatMap((place) => latest.get(place) ?? []);
        const kg = list.map(({ value }) => value);
        if (list.length === 4 && list.every(({ steady }) => steady) && wanted(kg)) done(kg);
      });
    });

  test('stream four weights, and show what rolls on to them within their friction', async () => {
    const socket = await open();
    await allFour(socket, () => true);
    socket.send('{"do": "roll", "kg": [300, 290, 250]}');
    socket.send('{"do": "roll", "kg": [300, 290, 250, -4]}');
    socket.send('{"do": "roll", "kg": [300, 290, 250, 240]}');
    const kg = await allFour(socket, ([first = 0]) => first > 290);
    [300, 290, 250, 240].forEach((wanted, i) => expect(Math.abs((kg[i] ?? 0) - wanted)).toBeLessThan(4));
    // Friction moves weight across the corners, not the whole.
    expect(Math.abs(kg.reduce((sum, one) => sum + one, 0) - 1080)).toBeLessThan(3);
    socket.close();
  });

  test.each([
    ['pad LF', 'LF'],
    ['PAD-rr 2', 'RR'],
    ['front right scale', 'RF'],
    ['left rear', 'LR'],
    ['rear height', null],
    ['shelf', null],
  ])('a pad called %s stands under %s', (name, place) => {
    expect(padPlace(name)).toBe(place);
  });
});
