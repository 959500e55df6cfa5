import { spawn } from 'node:child_process';

/** ms before a server that ended by itself is started again: twice as long each time, until it has run for a while. */
const SOONEST_MS = 500;
const LATEST_MS = 15_000;
const STEADY_MS = 10_000;

/** What a server that never served is tried before it is given up; with this exit code its port is taken, and never is. */
const FIRST_TRIES = 4;
const PORT_TAKEN = 48;

/**
 * Runs a server, in a process group of its own, and again whenever it ends by itself. One that never comes to serve is given
 * up in the end. `user` is whose rights it has, where not ours. `onEnd` is told its exit code, as it is once it was stopped. Gives what stops it.
 */
export function keepRunning(script, { env, user = null }, onEnd) {
  let stopping = false;
  let served = false;
  let tries = 0;
  let server = null;
  let timer;
  let waitMs = SOONEST_MS;
  const run = () => {
    const began = Date.now();
    // The channel tells the server when we are gone, whatever killed us.
    const stdio = ['ignore', 'inherit', 'inherit', 'ipc'];
    server = spawn(process.execPath, [script], { stdio, detached: true, env, ...user });
    server.on('message', (what) => (served ||= what === 'serving'));
    server.once('exit', (code) => {
      server = null;
      tries++;
      if (stopping || code === PORT_TAKEN || (!served && tries >= FIRST_TRIES)) {
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
