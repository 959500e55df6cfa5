import { useNavigate } from 'react-router';
import { workOf } from '#core/estimate/rounds.ts';
import { useJob } from '../../jobStore/useJob.ts';
import { Button } from '../../ui/Button.tsx';
import type { Page } from './machines.ts';
import { planBack } from './planBack.ts';

/** Tells the way back as the next round's plan of the job that is open on the machine. */
export function PutBack({ from, to }: { from: Page; to: Page }) {
  const { job } = useJob(from.job.id);
  const navigate = useNavigate();
  if (!job) return null;
  const told = planBack(from, to);
  const moving = Object.values(told.corners).some((corner) => workOf(corner).length > 0);
  if (!moving) return <p className="text-second">It stands like that already.</p>;
  if (job.state.locked || job.state.turning)
    return (
      <p className="text-second">
        {job.state.locked
          ? 'Locked: open it again, or start the next job on it, to put this back.'
          : 'A plan is being turned: finish it first.'}
      </p>
    );
  const put = () => {
    const place = { kind: 'plan' as const, round: job.state.current + 1, corner: null, slot: 'plan' };
    job.actions.record('Earlier setting put back', { ...place, told });
    void navigate(`/jobs/${job.record.id}/turn`);
  };
  return (
    <Button look="main" onClick={put}>
      Put it back
    </Button>
  );
}
