import { restParts } from '#core/calculation/restParts.ts';
import type { Part } from '#core/calculation/part.ts';
import type { MachineSolver } from '#core/machine/solver.ts';
import { input } from './input.ts';
import type { SumInput } from './types.ts';

const restNames: Record<string, string> = {
  W: 'load that the suspension carries here',
  F: 'spring force',
  Fg: 'gas and stop, at the wheel',
  p: 'preload at full droop',
  x: 'compression of the springs',
  Kw: 'wheel rate here',
};

/** What a corner's place of rest comes out of, in words. */
export function restInputs(...at: Parameters<typeof restParts>): SumInput[] {
  return restParts(...at).map(restNamed);
}

/** A figure of a place of rest with what it is called. */
export function restNamed({ of, ...part }: Part): SumInput {
  return {
    ...part,
    name: part.symbol === 'MR' ? `${of ?? 'damper'} per wheel here` : (restNames[part.symbol] ?? ''),
  };
}

/** What is left over where the machine came to rest: the greatest force on anything that is free to move. */
export function leftAtRest(solver: MachineSolver): SumInput {
  return leftOver(solver.freeResidual());
}

/** So many N left over where nothing should be. */
export function leftOver(newtons: number): SumInput {
  return input('left over', 'greatest force not balanced anywhere', newtons, 'force', 'computed');
}
