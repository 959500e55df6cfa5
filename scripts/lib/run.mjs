import { spawn, spawnSync } from 'node:child_process';
import { setPriority } from 'node:os';

/**
 * Runs a command and waits; gives { code, output }. With `show`, its output is passed through as well;
 * with a `priority`, it and what it starts are given the processor accordingly.
 */
export function run(command, args, { show = false, priority = 0, ...options } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'], ...options });
    if (priority !== 0 && child.pid) setPriority(child.pid, priority);
    let output = '';
    for (const stream of [child.stdout, child.stderr]) {
      stream.on('data', (chunk) => {
        output += chunk;
        if (show) process.stdout.write(chunk);
      });
    }
    child.on('error', (error) => resolve({ code: 127, output: String(error.message) }));
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

/** Whether a program can be found on the PATH. */
export function onPath(program) {
  return spawnSync('sh', ['-c', `command -v ${program}`]).status === 0;
}
