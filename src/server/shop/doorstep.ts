import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';

/**
 * A plain http server for tablets that do not trust the shop yet. It gives two things, to anybody: how to come to trust it, and the root
 * certificate, which is no secret. `page` is the file of the first. It shows no fingerprint: somebody in between could show another.
 */
export function makeDoorstep(root: string, address: string, page: string): Server {
  const words = readFileSync(page, 'utf8').replaceAll('MARGIN-ADDRESS', address);
  return createServer((request, response) => {
    response.setHeader('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'");
    response.setHeader('X-Content-Type-Options', 'nosniff');
    response.setHeader('Cache-Control', 'no-store');
    if (request.method !== 'GET' && request.method !== 'HEAD') response.writeHead(405).end();
    else if (request.url === '/') response.setHeader('Content-Type', 'text/html').end(words);
    else if (request.url === '/margin-root.crt')
      response.setHeader('Content-Type', 'application/x-x509-ca-cert').end(root);
    else response.writeHead(404).end();
  });
}
