import { factAt } from '#core/document/facts.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { ReadingPicture } from '#contract/pictures.ts';
import { meanOf } from '#core/numerics/mean.ts';
import { meanSd } from '#core/vision/sharedError.ts';
import { dayWords } from '#words/day.ts';
import { useReadingPictures } from '../../api/readingPictures.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Length, SizeLength } from '../../ui/Figure.tsx';
import { Button } from '../../ui/Button.tsx';
import { placesOf, type ReadingOf } from './useTake.ts';

/** How far pictures and a tape lie apart: what pictures of a corner are off by is alike in every round. */
function AgainstTape({
  pictured,
  taped,
  learnt,
}: {
  pictured: readonly number[];
  taped: readonly number[];
  learnt: boolean;
}) {
  if (pictured.length === 0 || taped.length === 0) return null;
  const moreMm = meanOf(pictured) - meanOf(taped);
  return (
    <p className="label">
      By picture <SizeLength mm={Math.abs(moreMm)} /> {moreMm < 0 ? 'less' : 'more'} than by tape.
      {learnt && ' The plan learns from that how far pictures of this corner are off.'}
    </p>
  );
}

/** The readings of this round so far, their mean, and the pictures kept of this corner. */
export function Taken({
  of,
  id,
  round,
  check,
}: {
  of: ReadingOf;
  id: CornerId;
  round: number;
  check: (picture: ReadingPicture) => void;
}) {
  const job = useThisJob();
  const { data } = useReadingPictures(job.record.id);
  const read = placesOf(of, round, id).flatMap((place, k) => {
    const standing = factAt(job.facts, place);
    return standing ? [{ slot: k + 1, fact: standing.fact }] : [];
  });
  const pictures = read.flatMap(({ fact }) => fact.picture ?? []);
  const kept = (data?.pictures ?? []).filter(({ corner }) => corner === id);
  return (
    <div>
      {read.length > 0 && (
        <div data-testid="pictures-taken">
          <p className="label text-second">This round</p>
          <ul>
            {read.map(({ slot, fact }) => (
              <li key={slot}>
                Reading {slot}: <Length mm={fact.mm} />{' '}
                <span className="text-second">{fact.picture ? 'by picture' : 'by tape'}</span>
              </li>
            ))}
          </ul>
          {pictures.length === read.length && pictures.length > 1 && (
            <p className="font-semibold">
              Mean <Length mm={meanOf(read.map(({ fact }) => fact.mm))} /> ±{' '}
              <SizeLength mm={meanSd(pictures)} />
            </p>
          )}
          <AgainstTape
            pictured={read.flatMap(({ fact }) => (fact.picture ? [fact.mm] : []))}
            learnt={of.kind === 'height'}
            taped={read.flatMap(({ fact }) => (fact.picture ? [] : [fact.mm]))}
          />
        </div>
      )}
      {kept.length > 0 && (
        <div className="mt-3">
          <p className="label text-second">Pictures kept of this corner</p>
          <ul className="flex flex-wrap gap-2">
            {kept.slice(0, 9).map((picture) => (
              <li key={picture.id}>
                <Button
                  className="flex flex-col !p-1"
                  aria-label={`Read the picture of ${dayWords(picture.at)} again`}
                  onClick={() => check(picture)}
                >
                  <img src={`/api/pictures/${picture.id}`} alt="" className="h-14 w-18 object-cover" />
                  <span className="label">
                    <Length mm={picture.meta.mm} />
                  </span>
                </Button>
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}
