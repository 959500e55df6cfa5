import { FindSprings } from '../job/FindSprings.tsx';
import { findingKey, type Finding } from '#core/findings/finding.ts';
import { ringStandings } from '#core/judgement/cornerVerdict.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { missingWords } from '#words/springVerdict.ts';
import { analysisOf } from '../../jobStore/analysisOf.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Length, SizeLength } from '../../ui/Figure.tsx';
import { capital } from '../../ui/words.ts';
import { FindingLine, useToldOnce } from '../finding/FindingText.tsx';

/** What there is to say of springs and their adjusters, and where each crossover falls; nothing where there is neither. */
export function Judgement() {
  const job = useThisJob();
  const { answer } = job;
  const { findings } = analysisOf(job.record);
  const told = findings.filter(({ code }) => springCodes.includes(code));
  const lines = useToldOnce(told.filter(({ code }) => code !== 'spring-untold'));
  if (!answer) return null;
  const rings = answer.corners.flatMap(({ id }) =>
    ringStandings(answer, id).map((ring, k) => ({ id, k, ...ring })),
  );
  if (told.length === 0 && rings.length === 0) return null;
  return (
    <section aria-label="Springs and rings" className="border-rule mt-5 border-t pt-3">
      {told.length > 0 && <h2 className="font-semibold">Is it the right spring?</h2>}
      {lines.map((line) => (
        <div
          key={findingKey(line.findings[0])}
          className="label mt-2"
          data-testid={line.findings.map(testId).join(' ')}
        >
          <FindingLine line={line} />
          {line.findings[0].code === 'spring' && <FindSprings id={line.findings[0].corner} />}
        </div>
      ))}
      <Untold findings={told} />
      {rings.length > 0 && <h2 className="mt-3 font-semibold">Where the rings take over</h2>}
      {rings.map((ring) => (
        <RingStands key={ring.id + String(ring.k)} {...ring} />
      ))}
    </section>
  );
}

/** What is said here of springs; that one is loose or runs out of coil stands with the margins. */
const springCodes: readonly Finding['code'][] = [
  'spring', 'spring-untold', 'adjuster-end', 'cam-high', 'tender-open', 'collar-for-height',
]; // oxfmt-ignore

function testId(finding: Finding): string {
  if (finding.code === 'collar-for-height') return `mistake-${finding.mistake.corner}`;
  return 'corner' in finding
    ? `${finding.code === 'spring' ? 'verdict' : finding.code}-${finding.corner}`
    : '';
}

/** Springs of which nothing can be told, by what is missing. */
function Untold({ findings }: { findings: readonly Finding[] }) {
  const untold = findings.flatMap((one) => (one.code === 'spring-untold' ? [one] : []));
  return untold.map(({ missing, corners }) => (
    <p key={missing} className="label mt-1" data-testid="verdict-missing">
      <b>Can’t tell yet, {corners.map((id) => cornerNames[id]).join(', ')}:</b>{' '}
      <span className="text-second">{missingWords[missing]}.</span>
    </p>
  ));
}

type Standing = ReturnType<typeof ringStandings>[number];

/** When a ring takes over from where the wheel stands. */
function RingStands({ id, gapMm, wheelMm, share }: Standing & { id: CornerId }) {
  return (
    <p className="label text-second mt-1">
      {capital(cornerNames[id])}: gap <SizeLength mm={gapMm} />,{' '}
      {share > 1 ? (
        'never reached in the bump travel left'
      ) : (
        <>
          after <Length mm={wheelMm} decimals={0} /> at the wheel, {Math.round(100 * share)} % of the bump
          left
        </>
      )}
      .
    </p>
  );
}
