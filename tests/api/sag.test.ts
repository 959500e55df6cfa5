import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { WebSocket } from 'ws';
import { blankDocument } from '#core/document/create.ts';
import { readGaugeLine, type GaugeReading } from '#core/gauge/line.ts';
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

const document = () => {
  const made = blankDocument('motorcycle', 'Greenshank');
  made.riders = [
    { key: 'r1', name: 'owner', kg: 88, gearKg: 9, rearShare: null, passengerKg: 0, luggageKg: 0 },
  ];
  made.corners.RW.staticWindow = { fromMm: 5, toMm: 15 };
  return made;
};

async function begin(): Promise<string> {
  const id = randomUUID();
  await request(server.address).post('/api/jobs').send({ id, document: document(), entries: [] }).expect(201);
  return id;
}

describe('sag readings', () => {
  test('are kept by their slot, corrected and given back', async () => {
    const id = await begin();
    const at = (slot: string, mm: number, replaces: string | null = null) => ({
      ...factEntry({ kind: 'sag', corner: 'RW', slot, mm }, replaces),
      id: randomUUID(),
    });
    const first = at('r1-press-1', 515);
    const post = (entry: object) => request(server.address).post(`/api/jobs/${id}/entries`).send(entry);
    await post(first).expect(201);
    await post(at('r1-press-1', 517, first.id)).expect(201);
    await post(at('extended-3', 640)).expect(201);
    const { body } = await request(server.address).get(`/api/jobs/${id}`).expect(200);
    expect(body.entries).toHaveLength(3);
    expect(body.document.riders[0].kg).toBe(88);
  });

  test.each(['r1-pushed-1', 'alone-press', 'extended-4', 'rx-lift-1', 'r1-lift-1; drop'])(
    'a slot that is none is refused: %s',
    async (slot) => {
      const id = await begin();
      const entry = { ...factEntry({ kind: 'sag', corner: 'RW', slot, mm: 500 }), id: randomUUID() };
      const { body } = await request(server.address).post(`/api/jobs/${id}/entries`).send(entry).expect(422);
      expect(JSON.stringify(body.errors)).toContain('/fact/slot');
    },
  );

  test('riders with the same key, or heavier than anybody, are refused', async () => {
    const twice = document();
    twice.riders = [...twice.riders, ...twice.riders];
    const heavy = document();
    heavy.riders = heavy.riders.map((one) => ({ ...one, kg: 900 }));
    for (const made of [twice, heavy])
      await request(server.address)
        .post('/api/jobs')
        .send({ id: randomUUID(), document: made, entries: [] })
        .expect(422);
  });
});

describe('pads', () => {
  const entry = (kg: number, slot = '1') => ({
    ...factEntry({ kind: 'pad', round: 0, corner: 'RW', slot, kg }),
    id: randomUUID(),
  });
  const post = (id: string, body: object) =>
    request(server.address).post(`/api/jobs/${id}/entries`).send(body);

  test('are kept in kg, up to three times a wheel', async () => {
    const id = await begin();
    await post(id, entry(141.5)).expect(201);
    await post(id, entry(142, '3')).expect(201);
    await post(id, entry(142, '4')).expect(422);
    const { body } = await request(server.address).get(`/api/jobs/${id}`).expect(200);
    expect(body.entries.map(({ fact }: { fact: { kg: number } }) => fact.kg)).toEqual([141.5, 142]);
  });

  test('lighter than nothing, or heavier than any wheel, are refused, and nothing is echoed', async () => {
    const id = await begin();
    for (const kg of [-1, 5001, 98765.4321]) {
      const { body } = await post(id, entry(kg)).expect(422);
      expect(JSON.stringify(body)).not.toContain(String(kg));
    }
  });
});

describe('the simulated instrument', () => {
  const open = (path: string, origin?: string) =>
    new Promise<WebSocket>((done, fail) => {
      const socket = new WebSocket(server.address.replace('http', 'ws') + path, origin ? { origin } : {});
      socket.once('open', () => done(socket));
      socket.once('error', fail);
    });

  /** Lines until one is as wanted. */
  const until = (socket: WebSocket, wanted: (reading: GaugeReading) => boolean) =>
    new Promise<GaugeReading>((done) => {
      socket.on('message', (data: Buffer) => {
        for (const text of data.toString().split('\n').filter(Boolean)) {
          const line = readGaugeLine(text);
          if (line.ok && wanted(line.value)) done(line.value);
        }
      });
    });

  test('streams lines of its protocol, and moves when something is done to the machine', async () => {
    const socket = await open('/instruments/simulated');
    const rear = ({ name }: GaugeReading) => name === 'rear height';
    const rest = await until(socket, (one) => rear(one) && one.steady === true);
    socket.send('{"do": "extended", "end": "rear"}');
    socket.send('not a command');
    await until(socket, (one) => rear(one) && one.steady === false);
    const up = await until(socket, (one) => rear(one) && one.steady === true);
    expect(up.value).toBeGreaterThan(rest.value + 5);
    socket.close();
  });

  test('another path, and a page of another origin, are turned away', async () => {
    await expect(open('/instruments/other')).rejects.toThrow('404');
    await expect(open('/instruments/simulated', 'http://elsewhere.example')).rejects.toThrow('404');
  });
});
