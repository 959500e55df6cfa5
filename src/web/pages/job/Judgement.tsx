import { cornerVerdict, ringStandings } from '#core/judge/cornerVerdict.ts';
import { cornerNames } from '#core/machine/body.ts';
import { Length } from '../../ui/Figure.tsx';
import { capital } from '../../features/job/words.ts';
import type { Job } from '../../features/job/useJob.ts';

/** Whether each spring is right, and where each crossover falls; nothing where it cannot be told yet. */
export function Judgement({ job }: { job: Job }) {
  const { answer } = job;
  if (!answer) return null;
  const verdicts = answer.corners.flatMap(({ id }) => {
    const told = cornerVerdict(answer, id);
    return told ? [{ id, ...told }] : [];
  });
  const rings = answer.corners.flatMap(({ id }) =>
    ringStandings(answer, id).map((ring, k) => ({ id, k, ...ring })),
  );
  if (verdicts.length === 0 && rings.length === 0) return null;
  const doubts = verdicts.filter(({ verdict }) => verdict !== 'right');
  return (
    <section aria-label="Springs and rings" className="border-rule mt-5 border-t pt-3">
      {verdicts.length > 0 && <h2 className="font-semibold">Is it the right spring?</h2>}
      {verdicts.length > 0 && doubts.length === 0 && (
        <p className="label text-second mt-1">As far as can be told, yes: nothing speaks against them.</p>
      )}
      {doubts.map(({ id, verdict, because }) => (
        <p key={id} className="label mt-1" data-testid={`verdict-${id}`}>
          <b>
            {capital(cornerNames[id])}: {verdict}.
          </b>{' '}
          <span className="text-second">{capital(because)}.</span>
        </p>
      ))}
      {rings.length > 0 && <h2 className="mt-3 font-semibold">Where the rings take over</h2>}
      {rings.map(({ id, k, gapMm, wheelMm, share }) => (
        <p key={id + String(k)} className="label text-second mt-1">
          {capital(cornerNames[id])}: gap <Length mm={gapMm} />,{' '}
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
      ))}
    </section>
  );
}
