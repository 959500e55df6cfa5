import { mistakeWords } from '#words/collarMistake.ts';
import { missingWords, springReasonWords } from '#words/springVerdict.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Link } from 'react-router';
import { cornerVerdict, missingForVerdict, ringStandings } from '#core/judgement/cornerVerdict.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { collarMistake } from '#core/judgement/collarMistake.ts';
import { lengthText } from '#core/units/formatLength.ts';
import { useLengthStyle } from '../../ui/settings.ts';
import { Length, SizeLength } from '../../ui/Figure.tsx';
import { capital } from '../../ui/words.ts';

/** Whether each spring is right, and where each crossover falls; nothing where it cannot be told yet. */
export function Judgement() {
  const job = useThisJob();
  const { answer } = job;
  const style = useLengthStyle(0);
  if (!answer) return null;
  const say = (mm: number) => lengthText(mm, style);
  const missing = answer.corners.flatMap(({ id }) => {
    const what = missingForVerdict(answer, id);
    return what ? [{ id, what }] : [];
  });
  const verdicts = answer.corners.flatMap(({ id }) => {
    const told = missing.some((one) => one.id === id) ? null : cornerVerdict(answer, id);
    return told ? [{ id, ...told }] : [];
  });
  const mistakes = answer.corners.flatMap(({ id }) => collarMistake(answer, id) ?? []);
  const rings = answer.corners.flatMap(({ id }) =>
    ringStandings(answer, id).map((ring, k) => ({ id, k, ...ring })),
  );
  if (mistakes.length === 0 && verdicts.length === 0 && rings.length === 0 && missing.length === 0)
    return null;
  const doubts = verdicts.filter(({ verdict }) => verdict !== 'right');
  return (
    <section aria-label="Springs and rings" className="border-rule mt-5 border-t pt-3">
      {verdicts.length + missing.length > 0 && <h2 className="font-semibold">Is it the right spring?</h2>}
      {verdicts.length > 0 && doubts.length === 0 && (
        <p className="label text-second mt-1">No problem found, from what has been measured.</p>
      )}
      {doubts.map((doubt) => (
        <Doubted key={doubt.id} {...doubt} say={say} />
      ))}
      {[...new Set(missing.map(({ what }) => what))].map((what) => (
        <p key={what} className="label mt-1" data-testid="verdict-missing">
          <b>
            Can’t tell yet,{' '}
            {missing
              .filter((one) => one.what === what)
              .map(({ id }) => cornerNames[id])
              .join(', ')}
            :
          </b>{' '}
          <span className="text-second">{missingWords[what]}.</span>
        </p>
      ))}
      {mistakes.map((mistake) => {
        const { what, cure } = mistakeWords(mistake, say);
        return (
          <p key={mistake.corner} className="label mt-2" data-testid={`mistake-${mistake.corner}`}>
            <b>{capital(cornerNames[mistake.corner])}, height by the collar.</b>{' '}
            <span className="text-second">
              {what} {cure}
            </span>
          </p>
        );
      })}
      {rings.length > 0 && <h2 className="mt-3 font-semibold">Where the rings take over</h2>}
      {rings.map((ring) => (
        <RingStands key={ring.id + String(ring.k)} {...ring} />
      ))}
    </section>
  );
}

type Verdict = NonNullable<ReturnType<typeof cornerVerdict>>;
interface DoubtedProps extends Pick<Verdict, 'verdict' | 'because'> {
  id: CornerId;
  say: (mm: number) => string;
}

/** A spring that is not right, why, and where to look for another. */
function Doubted({ id, verdict, because, say }: DoubtedProps) {
  const job = useThisJob();
  return (
    <p className="label mt-1" data-testid={`verdict-${id}`}>
      <b>
        {capital(cornerNames[id])}: {verdict}.
      </b>{' '}
      <span className="text-second">{capital(springReasonWords(because, say))}.</span>{' '}
      {verdict.startsWith('too') && (
        <Link
          to={`/rack/search?job=${job.record.id}&corner=${id}`}
          className="text-action whitespace-nowrap underline underline-offset-4 print:hidden"
        >
          Which springs do it?
        </Link>
      )}
    </p>
  );
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
