import type { Finding } from '#core/findings/finding.ts';
import { cornerNames, twinOf, type CornerId } from '#core/kinds/corners.ts';
import { cornersTold } from './corners.ts';
import type { ToldFinding } from './findings.ts';

interface Told extends ToldFinding {
  finding: Finding;
}

/** Findings as they are told: one line for a finding, or for two that say the same of both sides of an axle. */
export interface ToldOnce extends ToldFinding {
  findings: [Finding, ...Finding[]];
}

/** Tells once what is the same on both sides of an axle, word for word and figure for figure; the order stays. */
export function toldOnce(told: readonly Told[]): ToldOnce[] {
  const lines: (ToldOnce & { same: string | null })[] = [];
  for (const { finding, what, ways } of told) {
    const corner = 'corner' in finding ? finding.corner : null;
    const same = corner && sameFor(corner, finding, what, ways);
    const other =
      same === null ? undefined : lines.find((line) => line.same === same && line.findings.length === 1);
    const first = other?.findings[0];
    if (other && first && corner && 'corner' in first && twinOf(first.corner) === corner) {
      other.findings.push(finding);
      other.what = `${capital(cornersTold([first.corner, corner]))}${other.what.slice(cornerNames[first.corner].length)}`;
    } else lines.push({ findings: [finding], what, ways, same });
  }
  return lines.map(({ findings, what, ways }) => ({ findings, what, ways }));
}

/** What is said of a corner with its name and its twin's left open; null where it does not begin with its name. What is assumed is never the same as what is not. */
function sameFor(
  corner: CornerId,
  { code, evidence }: Finding,
  what: string,
  ways: readonly string[],
): string | null {
  const twin = twinOf(corner);
  if (!twin || !what.toLowerCase().startsWith(cornerNames[corner])) return null;
  const open = (text: string) =>
    text.toLowerCase().replaceAll(cornerNames[corner], '{here}').replaceAll(cornerNames[twin], '{across}');
  return [code, String(evidence.onGuess), what, ...ways].map(open).join('\n');
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
