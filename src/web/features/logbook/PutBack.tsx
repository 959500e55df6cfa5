import { useNavigate } from 'react-router';
import { seatBetween, type CornerSetting } from '#core/book/settings.ts';
import { workOf } from '#core/estimate/rounds.ts';
import type { ToldCorner, ToldPlan } from '#core/document/types.ts';
import { cornersOf } from '#core/kinds/classes/index.ts';
import { useJob } from '../../jobStore/useJob.ts';
import { Button } from '../../ui/Button.tsx';
import type { Page } from './machines.ts';

type ToldSeat = Pick<ToldCorner, 'seatMm' | 'turns' | 'airToBar' | 'airByBar'>;

/** What an adjuster has to do: pressure by its gauge, a cam only within one job, where its arc is known; else the seat. */
function adjusterBetween(a: CornerSetting, b: CornerSetting, sameJob: boolean): ToldSeat | null {
  if (a.airBar !== null && b.airBar !== null) {
    const airByBar = Math.round(10 * (b.airBar - a.airBar)) / 10;
    return { seatMm: 0, turns: 0, airToBar: b.airBar, airByBar };
  }
  const isCam = a.cam !== null || b.cam !== null;
  const seatMm = isCam ? (sameJob ? b.seatMm - a.seatMm : null) : seatBetween(a, b, sameJob);
  return seatMm === null ? null : { seatMm, turns: seatMm / a.pitchMm };
}

/** The plan that leads from one setting to another: only what is known of both is told. */
function planBack(from: Page, to: Page): ToldPlan {
  const corners: ToldPlan['corners'] = {};
  for (const id of cornersOf(from.job.machineClass)) {
    const [a, b] = [from.setting.corners[id], to.setting.corners[id]];
    if (!a || !b) continue;
    const sameJob = from.job.id === to.job.id;
    const toldBy = adjusterBetween(a, b, sameJob);
    if (toldBy === null) continue;
    const mountMm = sameJob ? b.mountMm - a.mountMm : 0;
    const told: ToldCorner = {
      ...toldBy,
      stopAtMm: b.collarMm,
      ...(mountMm === 0 ? {} : { mountMm }),
      ...(b.cam === null ? {} : { camTo: b.cam }),
      heightMm: b.heightMm ?? a.heightMm ?? 0,
      heightSdMm: 2,
    };
    corners[id] = told;
  }
  return { corners, chance: 0 };
}

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
