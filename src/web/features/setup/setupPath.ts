import { footingOf, type MachineClass } from '#core/kinds/classes/index.ts';

/** Where a new job of a class begins: what is ridden with its sag, what stands on wheels with its heights. */
export function setupPath(machineClass: MachineClass): string {
  return `${footingOf(machineClass) === 'wheels' ? '/new' : '/sag'}?class=${machineClass}`;
}
