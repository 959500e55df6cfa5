import type { CellFault } from '#core/rack/csv.ts';
import type { Say } from './figures.ts';

/** What is wrong with a cell of a list of springs, or with a spring as a whole. */
export function cellFaultWords(fault: CellFault, say: Say): string {
  switch (fault.code) {
    case 'no-number':
      return `“${fault.text}” is not a number${fault.unit ? ` in ${fault.unit}` : ''}`;
    case 'too-long':
      return `a name of at most ${fault.most} characters`;
    case 'too-many':
      return `at most ${fault.most} springs at once`;
    case 'not-above-zero':
      return 'it must be above zero';
    case 'no-id':
      return 'not an id that Margin wrote: leave it empty';
    case 'no-count':
      return 'a whole number of pieces';
    case 'no-yes-or-no':
      return 'yes or no';
    case 'no-side':
      return 'left, right or pair';
    case 'no-pairs':
      return 'pairs of mm:N that grow, like 0:0 50:1800 100:3900';
    case 'name-missing':
      return 'a name is needed';
    case 'rate-missing':
      return 'a rate is needed, or wire, coils and inner diameter to work it out';
    case 'coils-as-long':
      return `wire times coils is ${say(fault.solidMm)} solid: as long as its free length of ${say(fault.freeLengthMm)}`;
    case 'solid-as-long':
      return `its solid length of ${say(fault.solidMm)} is not below its free length of ${say(fault.freeLengthMm)}`;
  }
}
