import { findingKey, type Finding } from '#core/findings/finding.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { findingInputs } from '#words/explain/findingInputs.ts';
import { toldOnce, type ToldOnce } from '#words/bothSides.ts';
import { findingWords } from '#words/findings.ts';
import { analysisOf } from '../../jobStore/analysisOf.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { SumValue, sourceWords } from '../sums/SumPanel.tsx';
import { AssumedMark } from '../job/AssumedMark.tsx';
import { useSay } from '../../ui/settings.ts';

/** Findings as they are told on this job: once where both sides of an axle say the same. */
export function useToldOnce(findings: readonly Finding[]): ToldOnce[] {
  const job = useThisJob();
  const say = useSay(1);
  const { remedies } = analysisOf(job.record);
  return toldOnce(findings.map((finding) => ({ finding, ...findingWords(finding, say, remedies(finding)) })));
}

/** A finding: what is so, then each way to cure it, as the machine would stand with it. */
export function FindingText({ finding }: { finding: Finding }) {
  return useToldOnce([finding]).map((line) => <FindingLine key={line.what} line={line} />);
}

/** The same of a finding that may speak for both sides of an axle. */
export function FindingLine({ line: { findings, what, ways } }: { line: ToldOnce }) {
  return (
    <>
      <p>
        {what}
        {findings[0].evidence.onGuess && <AssumedMark />}
      </p>
      <Ways ways={ways} />
      {findings.map((finding) => (
        <GoesBy key={findingKey(finding)} finding={finding} of={findings.length > 1} />
      ))}
    </>
  );
}

/** The figures behind a finding, each with where it is from; folded, since most readers only want to know what to do. */
function GoesBy({ finding, of }: { finding: Finding; of: boolean }) {
  const inputs = findingInputs(finding);
  if (inputs.length === 0) return null;
  return (
    <details className="label text-second mt-0.5 print:hidden">
      <summary className="w-fit cursor-pointer underline decoration-dotted underline-offset-4">
        what this goes by{of && 'corner' in finding && `, ${cornerNames[finding.corner]}`}
      </summary>
      <ul className="mt-0.5 pl-4">
        {inputs.map(({ name, value, unit, source }) => (
          <li key={name}>
            {name}: <SumValue value={value} unit={unit} /> {sourceWords[source]}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Ways to cure something, as a list where there is a choice. */
export function Ways({ ways }: { ways: readonly string[] }) {
  if (ways.length < 2) return <p className="text-second mt-0.5">{ways[0]}</p>;
  return (
    <ul className="text-second mt-0.5 list-disc pl-4">
      {ways.map((way) => (
        <li key={way}>{way}</li>
      ))}
    </ul>
  );
}
