import { situations } from '../../../tests/fixtures/findingSituations.ts';
import { analyse } from '../analysis/analyse.ts';
import type { Finding } from './finding.ts';

function aboutOf(finding: Finding): string {
  switch (finding.code) {
    case 'run-out':
      return finding.kind;
    case 'doubt':
      return finding.misfit.code;
    case 'unreachable':
      return finding.reason.kind;
    case 'collar-elsewhere':
      return '';
  }
}

/** What is said of a finding, for a table: its code and what it is about, with ! where it stops. */
function said(finding: Finding): string[] {
  const plain = `${finding.code} ${aboutOf(finding)}`.trim();
  return finding.severity === 'stop' ? [plain, `${plain}!`] : [plain];
}

test.each(situations)('$name ($measured)', ({ job, must, mustNot }) => {
  const { findings, openPoints } = analyse(job());
  const all = [...findings.flatMap(said), ...openPoints.map(({ code }) => `open:${code}`)];
  expect(all).toEqual(expect.arrayContaining(must));
  for (const one of mustNot) expect(all).not.toContain(one);
});
