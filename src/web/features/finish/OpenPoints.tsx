import { Link } from 'react-router';
import { uncheckedOf } from '#core/findings/openPoints.ts';
import { openPointWords, uncheckedWords } from '#words/openPoints.ts';
import { analysisOf } from '../../jobStore/analysisOf.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Ways } from '../finding/FindingText.tsx';
import { useSay } from '../../ui/settings.ts';

/** What is still open before it goes out, each with the way to where it is dealt with; and what nobody could check. */
export function OpenPoints() {
  const job = useThisJob();
  const say = useSay(1);
  const { answer, openPoints, remedies } = analysisOf(job.record);
  if (!answer || answer.chanceNow === null) return null;
  return (
    <section aria-label="Still open" className="mt-5">
      {openPoints.length > 0 && (
        <>
          <h3 className="font-semibold">Still open</h3>
          <ul className="mt-1">
            {openPoints.map((point, k) => {
              const { words, ways, stage } = openPointWords(
                point,
                say,
                point.code === 'finding' ? remedies(point.finding) : [],
              );
              return (
                <li key={k} data-testid="open-point" className="border-rule flex gap-4 border-t py-1.5">
                  <div className="flex-1">
                    <p>{words}</p>
                    {ways && <Ways ways={ways} />}
                  </div>
                  <Link
                    to={`/jobs/${job.record.id}/${stage}`}
                    className="text-action font-semibold whitespace-nowrap underline underline-offset-4 print:hidden"
                  >
                    Go there
                  </Link>
                </li>
              );
            })}
          </ul>
        </>
      )}
      <NotChecked />
    </section>
  );
}

/** Limits that nobody has given: nothing is known of them, and nothing is held against the job. */
export function NotChecked() {
  const job = useThisJob();
  const unchecked = job.answer ? uncheckedOf(job.answer) : [];
  if (unchecked.length === 0) return null;
  return (
    <p className="label text-second mt-3" data-testid="not-checked">
      Not checked, since no limit is known: {unchecked.map((what) => uncheckedWords[what]).join('; ')}.
    </p>
  );
}
