import { spawn } from 'node:child_process';

/** ms before a server that ended by itself is started again: twice as long each time, until it has run for a minute. */
const SOONEST_MS = 500;
const LATEST_MS = 30_000;
const STEADY_MS = 60_000;

/**
 * Runs a server, in a process group of its own, and again whenever it ends by itself. One that never came to serve is not
 * tried again: `onEnd` is told its exit code, as it is once it was stopped. Gives what stops it.
 */
export function keepRunning(script, env, onEnd) {
  let stopping = false;
  let server = null;
  let timer;
  let waitMs = SOONEST_MS;
  const run = () => {
    const began = Date.now();
    let served = false;
    // The channel tells the server when we are gone, whatever killed us.
    const stdio = ['ignore', 'inherit', 'inherit', 'ipc'];
    server = spawn(process.execPath, [script], { stdio, detached: true, env });
    server.on('message', (what) => (served ||= what === 'serving'));
    server.once('exit', (code) => {
      server = null;
      if (stopping || !served) {
        onEnd(stopping ? 0 : (code ?? 1));
        return;
      }
      if (Date.now() - began > STEADY_MS) waitMs = SOONEST_MS;
      console.error(`The server has ended: it is started again in ${waitMs / 1000} s.`);
      timer = setTimeout(run, waitMs);
      waitMs = Math.min(2 * waitMs, LATEST_MS);
    });
  };
  run();
  return () => {
    if (stopping) return;
    stopping = true;
    clearTimeout(timer);
    if (server) server.kill('SIGTERM');
    else onEnd(0);
  };
}
