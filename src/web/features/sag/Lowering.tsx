import { useThisJob } from '../../jobStore/jobContext.ts';
import { useState } from 'react';
import { loweringBy } from '#core/sag/lowering.ts';
import { tubesSum } from '#words/explain/benchSums.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Button } from '../../ui/Button.tsx';
import { Length, SizeLength } from '../../ui/Figure.tsx';
import { NumberField } from '../../forms/NumberField.tsx';

/** Lower by other links: how long they have to be, how far the front follows, and what comes nearer to what. */
export function Lowering() {
  const job = useThisJob();
  const { document } = job.record;
  const [dropMm, setDrop] = useState<number | null>(25);
  const plan = loweringBy(document, dropMm ?? 0);
  const { ratioFrom } = document.corners.RW;
  if (!plan) return null;
  const fit = () => {
    if (ratioFrom?.kind !== 'linkage' || plan.linkMm === null) return;
    const linkLongerMm = Math.round(10 * ((ratioFrom.linkLongerMm ?? 0) + plan.linkMm)) / 10;
    job.actions.change('Other links', [['corners', 'RW', 'ratioFrom'], { ...ratioFrom, linkLongerMm }]);
  };
  return (
    <div data-fields>
      <div className="relative w-44">
        <NumberField
          label="Lower at the axle by"
          showLabel
          order={1}
          draftKey={`${job.record.id}|lowering`}
          quantity="size"
          range={{ min: -60, max: 100 }}
          value={dropMm}
          onCommit={setDrop}
        />
      </div>
      <dl className="mt-3 grid grid-cols-[180px_1fr] gap-x-4 gap-y-1" data-testid="lowering">
        <dt className="text-second">Link</dt>
        <dd>
          {plan.linkMm !== null ? (
            <>
              <b>
                <SizeLength mm={Math.abs(plan.linkMm)} />
              </b>{' '}
              {plan.linkMm >= 0 ? 'longer' : 'shorter'} than the one that is on{' '}
              <Button look="quiet" className="ml-3" onClick={fit}>
                Write it down as fitted
              </Button>
            </>
          ) : plan.hasLinkage ? (
            <span className="text-tight">no link that can be had does it</span>
          ) : (
            <span className="text-second">
              needs the linkage: give its places under Intake, Motion ratio from
            </span>
          )}
        </dd>
        <dt className="text-second">Tubes in the clamps</dt>
        <dd>
          <SumFigure name="Tubes in the clamps" sum={() => tubesSum(plan)} className="font-bold">
            <SizeLength mm={plan.tubesMm} />
          </SumFigure>{' '}
          up, so that the chassis keeps its angle
        </dd>
        <dt className="text-second">Tyre to fender</dt>
        <dd className="text-tight">
          <Length mm={plan.fenderMm} /> nearer at full bump, both ends: look before it is ridden
        </dd>
      </dl>
      <p className="label text-second mt-2">
        Links lower the chassis, not the travel, and change the ratio: read both sags again with them on. The
        stand gets too long.
      </p>
    </div>
  );
}
