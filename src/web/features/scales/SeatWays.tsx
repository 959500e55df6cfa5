import type { Answer } from '#core/planning/answerShape.ts';
import { answerBy } from '#core/planning/replan.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useNavigate } from 'react-router';
import { hardEndOf } from '#core/document/fitting.ts';
import { planFact } from '#core/planning/tell.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import type { SeatWay } from '#core/scales/ways.ts';
import { Button } from '../../ui/Button.tsx';
import { FineLength } from '../../ui/Figure.tsx';
import { MoveList } from './MoveList.tsx';

interface Props {
  answer: Answer;
  ways: readonly SeatWay[];
  /** How much the scales count against the heights. */
  weight: number;
  /** Whether they are still of what was typed before. */
  stale: boolean;
}

/** Which seats to touch for it: the hard end least, the fewest, the smallest moves first. */
export function SeatWays({ answer, ways, weight, stale }: Props) {
  const job = useThisJob();
  const navigate = useNavigate();
  const hardEnd = hardEndOf(job.record.document);
  const take = ({ held }: SeatWay) => {
    const way = answerBy(answer, { scalesWeight: weight, held });
    job.actions.record(`Scales: plan issued, round ${way.state.current + 1}`, planFact(way));
    void navigate(`/jobs/${job.record.id}/turn`);
  };
  return (
    <section aria-label="Seats for it" className="mt-4">
      <h3 className="font-semibold">
        Seats for it{' '}
        <span className="label text-second font-normal">
          {hardEnd ? `the ${hardEnd} is harder to reach and is moved least, then ` : ''}fewest seats, smallest
          moves
        </span>
      </h3>
      <ul>
        {ways.map((way) => (
          <li
            key={namesOf(way, ',')}
            data-seat-way={way.moves.map(({ id }) => id).join(',')}
            className="border-rule flex flex-wrap items-center gap-x-6 gap-y-1 border-t py-1.5"
          >
            <span className="min-w-0 flex-1">
              <MoveList document={job.record.document} moves={way.moves} />
              <span className="label text-second block">
                {way.moves.length === 0
                  ? 'it stands where it should'
                  : way.moves.length === 1
                    ? '1 seat: '
                    : `${way.moves.length} seats, start ${cornerNames[way.moves[0]?.id ?? 'LF']}: `}
                {way.moves.length > 0 && (
                  <>
                    cross {(100 * way.cross).toFixed(1)} %, furthest height{' '}
                    <FineLength mm={way.heightOffMm} /> off
                  </>
                )}
              </span>
            </span>
            {way.moves.length > 0 && !job.state.turning && (
              <Button
                className="whitespace-nowrap"
                disabled={stale}
                onClick={() => take(way)}
                aria-label={`Use this plan: ${namesOf(way, ', ')}`}
              >
                Use this plan
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

const namesOf = ({ moves }: SeatWay, by: string) => moves.map(({ id }) => cornerNames[id]).join(by);
