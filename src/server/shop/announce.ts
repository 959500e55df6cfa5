import { networkInterfaces } from 'node:os';
import multicastDns from 'multicast-dns';

/** s for which others may keep the answer: an address may change when the router starts anew. */
const TTL_S = 60;

/** This computer's addresses on its networks, without those that only it can reach. */
export function ownAddresses(): string[] {
  return Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter(({ internal, family }) => !internal && family === 'IPv4')
    .map(({ address }) => address);
}

/**
 * Answers whoever asks on the local network where `name` is (multicast DNS, RFC 6762), so that the shop's address stays the same whatever
 * the router hands out. Gives what ends it.
 */
export function announce(name: string): () => void {
  const mdns = multicastDns({ reuseAddr: true });
  // Without a network there is nobody to answer: that is no reason to end.
  mdns.on('error', () => undefined);
  mdns.on('warning', () => undefined);
  mdns.on('query', ({ questions }) => {
    const asked = questions?.some(
      (question) => question.name.toLowerCase() === name && ['A', 'ANY'].includes(question.type),
    );
    if (!asked) return;
    mdns.respond({
      answers: ownAddresses().map((data) => ({ name, type: 'A' as const, ttl: TTL_S, flush: true, data })),
    });
  });
  return () => mdns.destroy();
}
