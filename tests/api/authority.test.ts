import { createServer, request } from 'node:https';
import type { AddressInfo } from 'node:net';
import { fingerprintOf, isWornOut, makeAuthority, makeServerCertificate } from '#server/shop/authority.ts';

const NOW = Date.parse('2026-11-29T10:00:00Z');
const DAY_MS = 86_400_000;
const names = ['margin.local', 'localhost'];

/** Asks a server with this certificate under a name, by somebody who trusts `ca` alone; gives its words or why not. */
function ask(certificate: { chain: string; key: string }, ca: string, servername: string): Promise<string> {
  return new Promise((done) => {
    const server = createServer({ cert: certificate.chain, key: certificate.key }, (_q, answer) =>
      answer.end('here'),
    );
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo;
      const end = (words: string) => server.close(() => done(words));
      request({ host: '127.0.0.1', port, servername, ca, agent: false }, (answer) =>
        answer.on('data', (data: Buffer) => end(data.toString())),
      )
        .on('error', (error: NodeJS.ErrnoException) => end(error.message))
        .end();
    });
  });
}

test('whoever trusts the root reaches the server under its names', async () => {
  const authority = await makeAuthority(names, Date.now());
  const certificate = await makeServerCertificate(authority, names, Date.now());
  expect(await ask(certificate, authority.root, 'margin.local')).toBe('here');
  expect(await ask(certificate, authority.root, 'localhost')).toBe('here');
  expect(await ask(certificate, authority.root, 'bank.example')).toContain('not in the cert');
});

test('another shop’s root does not do', async () => {
  const other = await makeAuthority(names, Date.now());
  const certificate = await makeServerCertificate(await makeAuthority(names, Date.now()), names, Date.now());
  expect(await ask(certificate, other.root, 'margin.local')).toContain('unable to get local issuer');
});

test('with the keys of the computer nobody can speak for another name, or for an address', async () => {
  const authority = await makeAuthority(names, Date.now());
  const forged = await makeServerCertificate(authority, ['bank.example'], Date.now());
  expect(await ask(forged, authority.root, 'bank.example')).toContain('permitted subtree violation');
  expect(JSON.stringify(Object.keys(authority).sort())).toBe('["intermediate","intermediateKey","root"]');
});

test('a certificate is renewed two months before it ends, or for another name', async () => {
  const authority = await makeAuthority(names, NOW);
  const certificate = await makeServerCertificate(authority, names, NOW);
  expect(isWornOut(certificate, names, NOW)).toBe(false);
  expect(isWornOut(certificate, names, NOW + 336 * DAY_MS)).toBe(false);
  expect(isWornOut(certificate, names, NOW + 338 * DAY_MS)).toBe(true);
  expect(isWornOut(certificate, ['bench.local'], NOW)).toBe(true);
  expect(fingerprintOf(authority.root)).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
});
