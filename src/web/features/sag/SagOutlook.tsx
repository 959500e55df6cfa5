import { sagWish } from '#core/document/sagWish.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { camPosition } from '#core/document/taken.ts';
import { isMoved } from '#core/planning/cornerAnswer.ts';
import { capital } from '../../ui/words.ts';
import { Effect, SeatMove, airMove } from '../job/MoveWords.tsx';
import { goodEnough } from '#core/planning/enough.ts';
import type { SagEnd } from '#core/sag/bench.ts';
import { askedCorners } from '#core/estimate/sagEvidence.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { chanceSum } from '#words/explain/cornerSums.ts';
import { percent } from '#words/figures.ts';
import { SumFigure } from '../sums/SumFigure.tsx';

/** What is turned at each end, in short: the ends themselves may stand further up. */
function Moves({ answer }: { answer: Answer }) {
  const moved = answer.corners.filter(isMoved);
  if (moved.length === 0) return null;
  return (
    <span className="text-action mb-1 block font-semibold">
      {moved.map((corner) => {
        const { torsion, fitting } = answer.document.corners[corner.id];
        const toPlace = corner.cam !== null || corner.airBar !== null;
        return (
          <span key={corner.id} className="mr-5 inline-block">
            {capital(cornerNames[corner.id])}:{' '}
            {!toPlace && (
              <>
                <Effect {...corner} />,{' '}
              </>
            )}
            <SeatMove
              turns={corner.turns}
              steps={corner.steps}
              fitting={fitting}
              cam={corner.cam && camPosition(torsion, corner.cam.after)}
              air={airMove(corner.airBar)}
            />
          </span>
        );
      })}
    </span>
  );
}

/** The chance that every sag is in its window, and what an adjuster cannot do. */
export function SagOutlook({ answer, ends }: { answer: Answer; ends: readonly SagEnd[] }) {
  const done = goodEnough(answer);
  const short = ends.filter(({ id, riderSag, alone }) => {
    const wish = sagWish(answer.document, id);
    if (wish?.who !== 'alone') return riderSag !== null && riderSag.state !== 'in';
    return wish.window !== null && (alone.afterMm < wish.window.fromMm || alone.afterMm > wish.window.toMm);
  });
  const wanted = cornersIn(answer.document).filter((id) => sagWish(answer.document, id) !== null);
  const asked = askedCorners(answer.document, answer.state);
  const only = asked.length < wanted.length ? asked : [];
  const chance = done ? answer.chanceNow : answer.chanceAfter;
  return (
    <>
      <p className="min-w-[220px] flex-1" data-testid="sag-outlook" aria-live="polite">
        <Moves answer={answer} />
        <b>
          <SumFigure name="Chance that every sag is in" sum={() => chanceSum(answer, done ? 'now' : 'after')}>
            {done && 'Done: '}
            {percent(chance ?? 0)} chance that{' '}
            {only.length > 0
              ? `the sag of ${only.map((id) => `the ${cornerNames[id]}`).join(' and ')} is`
              : wanted.length === 1
                ? 'the sag is'
                : 'every sag is'}{' '}
            in its window{!done && ' after this round'}.
          </SumFigure>
        </b>
        {short.length > 0 && (
          <span className="text-short label block">
            No position of the adjuster reaches it: {short.map(({ id }) => cornerNames[id]).join(', ')}. The
            nearest position is shown, with the spring that would fit.
          </span>
        )}
        {done && <span className="label text-second block">Lock it, or read once more to be sure.</span>}
      </p>
    </>
  );
}
