import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { chanceIfMeasured } from '#core/planning/ifMeasured.ts';
import { useDebounced } from '../../ui/useDebounced.ts';
import { percent } from '#words/figures.ts';

/** Where the ratio is only guessed: that measuring it is the strongest lever there is, and what it would do to the chance. */
export function RatioLine({ answer }: { answer: Answer }) {
  const job = useThisJob();
  // While a seat is dragged nothing is worked out for this.
  const stood = useDebounced(answer);
  const then = useMemo(() => chanceIfMeasured(stood), [stood]);
  if (then === null || stood.chanceAfter === null || then - stood.chanceAfter < 0.03) return null;
  return (
    <span className="block" data-testid="ratio-offer">
      The motion ratio is not measured.{' '}
      <Link
        to={`/jobs/${job.record.id}/baseline#ratio`}
        className="text-action font-semibold underline underline-offset-4"
      >
        Measure it while it goes up
      </Link>
      : {percent(stood.chanceAfter)} → <b>{percent(then)}</b>
    </span>
  );
}
