import type { Fault } from '#core/faults.ts';
import { faultWords } from '#core/faults.ts';

/** How the command ends. */
export const exits = {
  done: 0,
  /** The program itself failed. */
  failed: 1,
  /** A file, line or argument is wrong; what is wrong is on standard error. */
  badInput: 2,
  /** Worked out, but the targets cannot be met as things are; the reasons are in the answer. */
  outOfReach: 3,
} as const;

/** Ends a command with a message and an exit code. */
export class Exit extends Error {
  constructor(
    readonly code: number,
    message: string,
  ) {
    super(message);
  }
}

/** The exit for faults found in a file. */
export function faultExit(file: string, faults: readonly Fault[]): Exit {
  return new Exit(exits.badInput, `${file} is not right:\n${faultWords(faults)}`);
}
