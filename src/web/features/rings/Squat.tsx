import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useSearchParams } from 'react-router';
import { benchFrom } from '#core/lab/fromJob.ts';
import { inMotion, ringPlaces } from '#core/lab/rings.ts';
import { caseTravel, type Bench } from '#core/lab/setup.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { limits } from '#contract/limits.ts';
import { Button } from '../../ui/Button.tsx';
import { SizeLength } from '../../ui/Figure.tsx';
import { NumberField } from '../../forms/NumberField.tsx';

import { gapFor, useGap } from './ringGap.ts';

/** Ends this far apart in motion are said to be. */
const APART = 0.15;

/** In motion the rear sits down: where both ends then cross over, and the rear gap that evens them. */
export function Squat({ answer }: { answer: Answer }) {
  const job = useThisJob();
  const [params, setParams] = useSearchParams();
  const squatMm = Math.min(Math.max(Number(params.get('squat')) || 0, 0), limits.sagMm.max);
  const pairs = (['LF', 'RF'] as const).flatMap((id) => {
    const rearId: CornerId = id === 'LF' ? 'LR' : 'RR';
    const [front, rear] = [benchFrom(answer, id, id), benchFrom(answer, rearId, rearId)];
    return front && rear && front.setup.rings.length > 0 && rear.setup.rings.length > 0
      ? [{ side: id === 'LF' ? 'Left' : 'Right', rearId, front, rear }]
      : [];
  });
  if (pairs.length === 0) return null;
  return (
    <div data-fields className="relative mx-4 mt-3 border-rule border-t pt-2">
      <h3 className="font-semibold">In motion</h3>
      <div className="flex flex-wrap items-start gap-x-6">
        <div className="relative w-44">
          <NumberField
            label="Rear squats by, at the wheel"
            showLabel
            order={900}
            draftKey={`${job.record.id}|squat`}
            quantity="length"
            range={{ min: 0, max: limits.sagMm.max }}
            value={squatMm}
            onCommit={(mm) =>
              setParams(
                (before) => {
                  before.set('squat', String(mm ?? 0));
                  return before;
                },
                { replace: true },
              )
            }
          />
        </div>
        <ul className="min-w-0 flex-1 pt-5">
          {pairs.map(({ side, rearId, front, rear }) => (
            <SquatLine key={side} {...{ job, side, rearId, front, rear, squatMm }} />
          ))}
        </ul>
      </div>
    </div>
  );
}

interface SquatProps {
  side: string;
  rearId: CornerId;
  front: Bench;
  rear: Bench;
  squatMm: number;
}

function SquatLine({ side, rearId, front, rear, squatMm }: SquatProps) {
  const job = useThisJob();
  const setGap = useGap(job, rearId, 0, rear.setup.rings[0]?.after ?? 0);
  const both = inMotion(ringPlaces(front, 0), ringPlaces(rear, 0), rear, squatMm);
  if (!both) return <li>{side}: one end never takes over, so nothing can be compared.</li>;
  const percent = (share: number) => `${Math.round(100 * share)} %`;
  const gap =
    both.rearFor > 0 && both.rearFor <= 1 ? gapFor(rear, 0, { by: 'bump', share: both.rearFor }) : null;
  const apart = Math.abs(both.front - both.rear) > APART;
  return (
    <li className="mb-1">
      {side}: the front takes over at {percent(both.front)} of the bump left,{' '}
      {both.rear <= 0 ? 'the rear is on its ring already' : `the rear at ${percent(both.rear)}`}.{' '}
      {apart && (
        <span className="text-tight">Far apart: the ends change their rate at different times. </span>
      )}
      {gap !== null && Math.abs(both.rear - both.front) > 0.02 && caseTravel(rear) > 0 && (
        <Button
          look="quiet"
          aria-label={`Even the rear gap, ${side.toLowerCase()}`}
          onClick={() => setGap(gap)}
        >
          A rear gap of <SizeLength mm={gap} /> makes them alike
        </Button>
      )}
    </li>
  );
}
