import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import type { BarDocument } from '#core/document/types.ts';
import { useState } from 'react';
import { axleOf, cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import type { Axle } from '#core/kinds/corners.ts';
import { linkLength } from '#core/stance/link.ts';
import { linkSum } from '#words/explain/stanceSums.ts';
import { limits } from '#contract/limits.ts';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { capital } from '../../ui/words.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { SizeLength } from '../../ui/Figure.tsx';
import { Force } from '../../ui/Measure.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { Select } from '../../ui/Select.tsx';
import { FactField } from '../../forms/fields.tsx';

/** Bars whose links are undone: how long the link has to be once everything stands as it should. */
export function Links({ answer }: { answer: Answer }) {
  const job = useThisJob();
  const { bars } = job.record.document;
  const axles = (['front', 'rear'] as const).filter((axle) => bars[axle] !== null);
  if (axles.length === 0)
    return (
      <p className="label text-second mt-1">
        No bar is described: bars are named at intake, under clearances.
      </p>
    );
  return axles.map((axle) => <Link key={axle} answer={answer} axle={axle} />);
}

function Link({ answer, axle }: { answer: Answer; axle: Axle }) {
  const job = useThisJob();
  const bar = job.record.document.bars[axle];
  const told = linkLength(answer, job.facts, axle);
  const sides = cornersIn(job.record.document).filter((id) => axleOf(id) === axle);
  const [corner, setCorner] = useState<CornerId>(told?.corner ?? sides[0] ?? 'LF');
  if (!bar) return null;
  const round = job.state.current;
  const set = (label: string, part: object) =>
    job.actions.change(label, [['bars', axle], { ...bar, ...part }]);
  const key = pathKey(job.record.id, ['bars', axle]);
  return (
    <section aria-label={`Link of the ${axle} bar`} data-fields className="relative mt-2">
      <h3 className="font-semibold">{capital(axle)} bar</h3>
      <div className="grid max-w-3xl grid-cols-4 items-end gap-x-4 gap-y-3 max-md:grid-cols-2">
        <label>
          <span className="label text-second block">Link undone</span>
          <Select
            label={`Link undone, ${axle}`}
            value={corner}
            options={sides.map((id) => ({ value: id, words: capital(cornerNames[id]) }))}
            onChange={(next) => setCorner(next as CornerId)}
          />
        </label>
        <FactField
          place={{ kind: 'link', round, corner, slot: 'gap' }}
          label={`Too short by, ${cornerNames[corner]}`}
          showLabel
          order={300}
          range={limits.linkGapMm}
        />
        <NumberField
          label={`Link as it is, ${axle}`}
          showLabel
          draftKey={`${key}.link`}
          quantity="size"
          decimals={1}
          range={limits.linkMm}
          order={301}
          value={bar.linkMm}
          onCommit={(linkMm) => set(`Link, ${axle} bar`, { linkMm })}
        />
        <NumberField
          label={`Link per wheel, ${axle}`}
          showLabel
          draftKey={`${key}.perWheel`}
          quantity="number"
          decimals={2}
          range={limits.linkPerWheel}
          order={302}
          assumed={1}
          value={bar.linkPerWheel}
          onCommit={(linkPerWheel) => set(`Link per wheel, ${axle} bar`, { linkPerWheel })}
        />
      </div>
      <LinkTold told={told} bar={bar} />
    </section>
  );
}

/** How long the link has to be, or how to find out. */
function LinkTold({ told, bar }: { told: ReturnType<typeof linkLength>; bar: BarDocument }) {
  if (!told)
    return (
      <p className="label text-second mt-5 max-w-[75ch]">
        With one link undone and the machine settled, measure how far the link is short of its hole; a minus
        where it is too long. A link that hangs down from the arm has its movement per wheel with a minus.
      </p>
    );
  const way = told.gapThenMm >= 0 ? 'longer' : 'shorter';
  return (
    <p className="mt-5 max-w-[75ch]" data-testid={`link-${axleOf(told.corner)}`}>
      {told.lengthMm !== null && bar.linkMm !== null ? (
        <>
          Set the {cornerNames[told.corner]} link to{' '}
          <b>
            <SumFigure
              name={`Link of the ${axleOf(told.corner)} bar`}
              sum={() => linkSum(told, bar.linkMm ?? 0, bar.linkPerWheel ?? 1)}
            >
              <SizeLength mm={told.lengthMm} />
            </SumFigure>
          </b>
          , <SizeLength mm={Math.abs(told.gapThenMm)} /> {way} than it is: it then goes on without pushing.
        </>
      ) : (
        <>
          The {cornerNames[told.corner]} link will have to be <SizeLength mm={Math.abs(told.gapThenMm)} />{' '}
          {way}.
        </>
      )}{' '}
      <span className="label text-second">
        With on board what the targets are for, at the heights of the plan.
        {told.asItIs && (
          <>
            {' '}
            Hooked up as it is, it would push with <Force n={told.asItIs.wheelN} /> at each wheel and make
            cross weight {(100 * told.asItIs.crossWith).toFixed(1)} %, without it{' '}
            {(100 * told.asItIs.crossWithout).toFixed(1)} %.
          </>
        )}
      </span>
    </p>
  );
}
