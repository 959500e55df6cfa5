import { classDefaults } from '#core/kinds/classes/index.ts';
import type { Practice } from '#contract/practice.ts';
import { levelWords } from '#words/practice.ts';

/** What a practice is called: by its machine and level, or by the job that it is a copy of. */
export function practiceName({ copyOf, machineClass, level }: Practice): string {
  return copyOf === null
    ? `Practice: ${classDefaults[machineClass].title}, ${levelWords[level].title.toLowerCase()}`
    : `Practice: ${copyOf}`.slice(0, 100);
}
