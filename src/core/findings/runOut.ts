import type { MarginKind } from '../margins/index.ts';
import type { Margin } from '../margins/margins.ts';
import { tolerances } from '../tolerances.ts';
import type { Finding, Severity } from './finding.ts';

/**
 * How grave it is that something is used up. Height and sag are what is still to be done, not what is wrong; a cam above its
 * middle is a hint. Left out of the findings where null.
 */
const graveness: Record<MarginKind, Severity | null> = {
  droop: 'stop',
  'bump-stop': 'stop',
  'bump-metal': 'stop',
  'damper-open': 'stop',
  'damper-closed': 'stop',
  coil: 'stop',
  seated: 'stop',
  clearance: 'stop',
  joint: 'stop',
  ground: 'stop',
  'thread-up': 'stop',
  'thread-down': 'stop',
  engagement: 'stop',
  crossover: 'warn',
  'ring-order': 'warn',
  cam: null,
  sag: null,
  height: null,
};

/** mm. What is left at an end by less than this is at it: nobody reads travel finer. */
const AT_END_MM = 0.5;

/** Past a limit by less than what it is known to, a stop is only a warning. */
const SURE_SD = 1;

/**
 * Ends where being at them is what is wrong: topped out, on the stop, on metal, on its ring. A thread, a mount or a clearance may be used
 * to its end; only past it is wrong.
 */
export const atItsEnd: readonly MarginKind[] = [
  'droop', 'bump-stop', 'bump-metal', 'damper-open', 'damper-closed', 'crossover',
]; // oxfmt-ignore

/**
 * What is used up, of these margins: past its end, or at it where that is wrong. On a guess it is no more than a hint.
 * `restingCase` is the load case it is measured in.
 */
export function runOuts(
  margins: readonly Margin[],
  when: 'now' | 'after',
  restingCase: string | null,
): Finding[] {
  const bottomed = margins.filter(({ kind, leftMm }) => kind === 'bump-metal' && leftMm <= AT_END_MM);
  return margins.flatMap((margin): Finding[] => {
    // What is on metal is past its stop.
    if (margin.kind === 'bump-stop' && bottomed.some(({ corner }) => corner === margin.corner)) return [];
    const { kind, corner, which, loadCase, leftMm, sdMm, assumed } = margin;
    const grave = graveness[kind];
    const most = atItsEnd.includes(kind) ? AT_END_MM : -tolerances.missedMm;
    if (grave === null || leftMm > most) return [];
    const sure = atItsEnd.includes(kind) || leftMm < -SURE_SD * sdMm;
    // A load behind may lift the front until it hangs: that is worth knowing of a load that is carried now and then.
    const elsewhere = kind === 'droop' && loadCase !== null && loadCase !== restingCase;
    const severity = assumed ? 'hint' : sure && !elsewhere ? grave : 'warn';
    const evidence = { parts: margin.inputs(), onGuess: assumed };
    return [{ code: 'run-out', kind, corner, which, loadCase, leftMm, severity, when, evidence }];
  });
}
