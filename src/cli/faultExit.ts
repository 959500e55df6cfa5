import type { Fault } from '#core/faults.ts';
import { faultTold, toldWords, type ToldFault } from '#words/faults.ts';

/** How the command ends. */
export const exits = {
  done: 0,
  /** The program itself failed. */
  failed: 1,
  /** A file, line or argument is wrong; what is wrong is on standard error. */
  badInput: 2,
  /** Worked out, but something must be put right first, or a target cannot be met as things are: see the findings. */
  stopped: 3,
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
  return toldExit(
    file,
    faults.map((fault) => faultTold(fault)),
  );
}

/** The same for faults that are in words already. */
export function toldExit(file: string, told: readonly ToldFault[]): Exit {
  return new Exit(exits.badInput, `${file} is not right:\n${toldWords(told)}`);
}
