import { createServer } from 'node:net';
import { fail } from './say.mjs';

/** Ends with words when the port of the page is not a port or is taken. */
export async function claimPort() {
  const port = Number(process.env.PORT ?? 4180);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    fail(`PORT must be a whole number from 1 to 65535, not "${process.env.PORT}".`);
  const error = await new Promise((done) => {
    const probe = createServer().once('error', done);
    probe.listen(port, '127.0.0.1', () => probe.close(() => done(null)));
  });
  if (error?.code === 'EADDRINUSE') {
    fail(
      `Port ${port} is taken, perhaps by Margin itself: look at http://127.0.0.1:${port}\nOtherwise choose another: PORT=${port === 65535 ? 4180 : port + 1} npm start`,
    );
  }
  if (error) fail(`Port ${port} cannot be used: ${error.message}`);
  return port;
}
