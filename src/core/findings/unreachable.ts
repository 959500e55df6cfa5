import type { Reason } from '../planning/reasons.ts';
import type { Finding, Severity } from './finding.ts';

/** How grave it is that something stands in the way: what twists or differs by itself is only told. */
const graveness: Record<Reason['kind'], Severity> = {
  thread: 'stop',
  positions: 'stop',
  pressure: 'stop',
  mount: 'stop',
  droop: 'stop',
  'ring-holds': 'stop',
  sag: 'stop',
  cross: 'stop',
  tied: 'stop',
  loose: 'warn',
  'rigid-body': 'warn',
};

/** Targets that cannot be had as things are, and why. */
export function unreachables(reasons: readonly Reason[]): Finding[] {
  return reasons.map((reason) => ({
    code: 'unreachable',
    reason,
    // What its seat does in a mount's place is had all the same.
    severity: 'met' in reason && reason.met ? 'warn' : graveness[reason.kind],
    when: 'after',
    evidence: { parts: [], onGuess: false },
  }));
}
