import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { chanceIfMeasured } from '#core/planning/ifMeasured.ts';
import { percent } from '#words/figures.ts';

/** Where the ratio is only guessed: that measuring it is the strongest lever there is, and what it would do to the chance. */
export function RatioLine({ answer }: { answer: Answer }) {
  const job = useThisJob();
  const then = useMemo(() => chanceIfMeasured(answer), [answer]);
  if (then === null || answer.chanceAfter === null || then - answer.chanceAfter < 0.03) return null;
  return (
    <span className="block" data-testid="ratio-offer">
      The motion ratio is not measured.{' '}
      <Link
        to={`/jobs/${job.record.id}/baseline#ratio`}
        className="text-action font-semibold underline underline-offset-4"
      >
        Measure it while it goes up
      </Link>
      : {percent(answer.chanceAfter)} → <b>{percent(then)}</b>
    </span>
  );
}
