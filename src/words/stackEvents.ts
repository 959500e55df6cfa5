import { springWhich } from '#core/document/which.ts';
import type { LabMark } from '#core/lab/curve.ts';
import type { StackTable } from '#core/document/stackFile.ts';
import { whichWords } from './which.ts';

/** What an event of a stack is; metal on metal is not a crossover, and a tender is meant to go solid. */
export function eventWords({ kind, index, spring }: StackTable['events'][number]): string {
  if (kind === 'ring') return `ring stops slider ${index + 1}`;
  const what = whichWords(springWhich(spring?.name, index));
  return spring?.tender ? `${what} solid, as a tender should be` : `${what} coil-bound`;
}

/** What happens at a place of the travel, as it is written beside the curve. */
export function markWords(mark: LabMark): string {
  switch (mark.kind) {
    case 'case':
      return mark.name;
    case 'ring':
      return `ring ${mark.number} takes over`;
    case 'tender':
      return `${whichWords(mark.which)} closed`;
    case 'bind':
      return `${whichWords(mark.which)} coil-bound`;
    case 'stop':
      return 'bump stop';
    case 'end':
      return mark.solid ? 'springs solid' : 'metal';
  }
}
