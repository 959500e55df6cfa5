import { useThisJob } from '../../jobStore/jobContext.ts';
import { useState } from 'react';
import { loweringBy } from '#core/sag/lowering.ts';
import { tubesSum } from '#words/explain/benchSums.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Button } from '../../ui/Button.tsx';
import { Length, SizeLength } from '../../ui/Figure.tsx';
import { limits } from '#contract/limits.ts';
import { factAt } from '#core/document/facts.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { FactField } from '../../forms/fields.tsx';
import { NumberField } from '../../forms/NumberField.tsx';

/** What is left between tyre and fender with the wheel jacked to full bump, now and once it is lower. */
function Fender({ id, lowerMm }: { id: CornerId; lowerMm: number }) {
  const job = useThisJob();
  const place = { kind: 'cycled' as const, round: job.state.current, corner: id, slot: 'bump' };
  const nowMm = factAt(job.facts, place)?.fact.mm ?? null;
  const thenMm = nowMm === null ? null : nowMm - lowerMm;
  return (
    <div className="w-52">
      <FactField
        place={place}
        label={`Tyre to fender at full bump, ${cornerNames[id]}`}
        order={10}
        range={limits.clearanceMm}
        showLabel
      />
      {thenMm !== null && (
        <p className={thenMm > 0 ? 'text-second' : 'text-short font-semibold'}>
          {thenMm > 0 ? (
            <>
              → <Length mm={thenMm} /> then
            </>
          ) : (
            'it would touch'
          )}
        </p>
      )}
    </div>
  );
}

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
          <Length mm={plan.fenderMm} /> nearer at full bump, both ends: measure before it is ridden
        </dd>
      </dl>
      <div className="relative mt-2 flex flex-wrap gap-x-6">
        {cornersIn(document).map((id) => (
          <Fender key={id} id={id} lowerMm={plan.fenderMm} />
        ))}
      </div>
      <p className="label text-second mt-2">
        Links lower the chassis, not the travel, and change the ratio: read both sags again with them on. The
        stand gets too long.
      </p>
    </div>
  );
}
