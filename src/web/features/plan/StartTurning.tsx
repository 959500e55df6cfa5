import { nextWords } from '#words/nextAction.ts';
import type { Stage } from '#core/judgement/stages.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useNavigate } from 'react-router';
import { isMoved } from '#core/planning/cornerAnswer.ts';
import { planFact, toldPlan } from '#core/planning/tell.ts';
import { useRefusedDrafts } from '../../jobStore/drafts.ts';
import { RefusedNote } from '../../forms/RefusedNote.tsx';
import { Button } from '../../ui/Button.tsx';
import { NextLink } from '../sheet/Footer.tsx';

/** What is looked at before it is known whether anything has to be turned. */
const readsFirst: readonly string[] = [
  'find-out-why',
  'check-reading',
  'read-again',
  'settle-and-measure',
  'measure-corners-again',
  'read-sag',
  'read-sag-again',
];

/** Tells the plan and opens the work list; goes on where something is being turned. */
export function StartTurning({ answer, from }: { answer: Answer; from: Stage }) {
  const job = useThisJob();
  const navigate = useNavigate();
  const { turning } = job.state;
  const stale = turning !== null && JSON.stringify(toldPlan(answer)) !== JSON.stringify(turning.told);
  const untouched = turning !== null && !turning.begun;
  const moving = answer.corners.some(isMoved);
  const go = (tell: boolean) => {
    if (tell) job.actions.record(`Plan issued, round ${answer.state.current + 1}`, planFact(answer));
    void navigate(`/jobs/${job.record.id}/turn`);
  };
  const refused = useRefusedDrafts(job.record.id);
  if (refused.length > 0) return <RefusedNote refused={refused} />;
  if (job.state.locked) return <NextLink from={from} />;
  if (!moving && !turning)
    return (
      <>
        <p className="ml-auto font-semibold">
          {readsFirst.includes(job.next.code)
            ? `Nothing to turn yet: ${nextWords(job.next)}.`
            : 'Nothing to turn: leave everything.'}
        </p>
        <NextLink from={from} />
      </>
    );
  if (turning && !(stale && untouched))
    return (
      <Button look="main" className="ml-auto" onClick={() => go(false)}>
        Go on turning
      </Button>
    );
  return (
    <Button look="main" className="ml-auto" onClick={() => go(true)} disabled={answer.chanceAfter === null}>
      {turning ? 'Use this new plan' : 'Start turning'}
    </Button>
  );
}
