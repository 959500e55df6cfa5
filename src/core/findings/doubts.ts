import type { Doubt, JobMisfit } from '../estimate/estimate.ts';
import type { Finding, Severity } from './finding.ts';

/** How grave it is: work goes on from a wrong ratio or an odd reading once it is planned for, not from a wrong turn. */
const graveness: Record<JobMisfit['code'], Severity> = {
  'turned-other-way': 'stop',
  'one-corner': 'warn',
  aboard: 'warn',
  'odd-reading': 'warn',
  'hooked-bar': 'warn',
  ratio: 'hint',
};

/** What readings and machine do not agree about, the likeliest first; only that one is grave. */
export function doubts({ suspicions }: Doubt): Finding[] {
  return suspicions.map(({ misfit, probability }, k) => ({
    code: 'doubt',
    misfit,
    probability,
    severity: k === 0 ? graveness[misfit.code] : 'hint',
    when: 'now',
    evidence: { parts: [], onGuess: false },
  }));
}
