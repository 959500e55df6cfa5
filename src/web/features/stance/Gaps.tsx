import type { Answer } from '#core/planning/answerShape.ts';
import { axleOf, cornerNames } from '#core/kinds/corners.ts';
import type { Axle } from '#core/kinds/corners.ts';
import { wheelbaseOf } from '#core/stance/body.ts';
import { rakeOf, wheelGaps, type WheelGap } from '#core/stance/gaps.ts';
import { changesTyres } from '#core/stance/tyres.ts';
import { gapSum, nextGapSum, rakeSum } from '#words/explain/stanceSums.ts';
import { capital } from '../../ui/words.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Length, Plain } from '../../ui/Figure.tsx';
import { PathField } from '../../forms/fields.tsx';

/** Tyres, what is left between them and the arches, and how the body stands front to rear. */
export function Gaps({ answer }: { answer: Answer }) {
  const gaps = wheelGaps(answer);
  return (
    <div data-fields className="relative">
      <Tyres />
      {gaps.length === 0 ? (
        <p className="label text-second mt-5">
          Gaps need the tyres’ measured diameters, and heights taken to the arch from hub or ground.
        </p>
      ) : (
        <GapTable answer={answer} gaps={gaps} />
      )}
      <RakeLine answer={answer} />
    </div>
  );
}

function Tyres() {
  return (
    <div className="mt-2 grid max-w-2xl grid-cols-4 gap-x-4 gap-y-3 max-md:grid-cols-2">
      {(['front', 'rear'] as const).flatMap((axle: Axle, k) => [
        <PathField
          key={axle}
          path={['stance', 'tyreMm', axle]}
          label={`${capital(axle)} tyre, measured`}
          showLabel
          order={10 + 2 * k}
        />,
        <PathField
          key={`next ${axle}`}
          path={['stance', 'nextTyreMm', axle]}
          label={`${capital(axle)} tyre to go on`}
          showLabel
          order={11 + 2 * k}
          placeholder="none"
        />,
      ])}
    </div>
  );
}

function GapTable({ answer, gaps }: { answer: Answer; gaps: readonly WheelGap[] }) {
  const next = changesTyres(answer.document);
  return (
    <table className="mt-6 w-full max-w-2xl" data-testid="gaps">
      <thead className="label text-second text-right">
        <tr>
          <th className="py-1 text-left font-normal">tyre to arch</th>
          <th className="px-3 font-normal">≈ before, estimated</th>
          <th className="px-3 font-normal">≈ now, estimated</th>
          <th className="text-action px-3 font-normal">→ after, predicted</th>
          {next && <th className="text-action px-3 font-normal">→ on the next tyres, predicted</th>}
        </tr>
      </thead>
      <tbody>
        {gaps.map((gap) => (
          <tr key={gap.id} className="border-rule border-t text-right">
            <th scope="row" className="py-1.5 text-left font-medium">
              {capital(cornerNames[gap.id])}
            </th>
            {(['before', 'now', 'after'] as const).map((when) => (
              <td key={when} className={`px-3 ${when === 'after' ? 'font-semibold' : ''}`}>
                <SumFigure
                  name={`Wheel gap ${when}, ${cornerNames[gap.id]}`}
                  sum={() => gapSum(gap, when, answer.document.stance.tyreMm[axleOf(gap.id)] ?? 0)}
                >
                  <Length mm={gap[when].mm} decimals={0} />
                </SumFigure>
              </td>
            ))}
            {next && (
              <td className="px-3">
                <SumFigure
                  name={`Wheel gap on the next tyres, ${cornerNames[gap.id]}`}
                  sum={() => nextGapSum(gap)}
                >
                  <Length mm={gap.onNextTyresMm} decimals={0} />
                </SumFigure>
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function RakeLine({ answer }: { answer: Answer }) {
  const wheelbaseMm = wheelbaseOf(answer);
  const rake = rakeOf(answer, wheelbaseMm);
  return (
    <p className="mt-3" data-testid="rake">
      {rake ? (
        <>
          Rake: rear ≈{' '}
          <SumFigure name="Rake now" sum={() => rakeSum(rake, 'now', wheelbaseMm)}>
            <Length mm={rake.now.mm} signed decimals={0} /> over the front now, estimated (
            <Plain value={rake.now.deg} decimals={2} />
            °)
          </SumFigure>
          , →{' '}
          <SumFigure name="Rake after the plan" sum={() => rakeSum(rake, 'after', wheelbaseMm)}>
            <Length mm={rake.after.mm} signed decimals={0} /> predicted after the plan (
            <Plain value={rake.after.deg} decimals={2} />
            °)
          </SumFigure>
          , at the reference points.
        </>
      ) : (
        <span className="label text-second">
          Rake needs front and rear measured in the same way, at like points.
        </span>
      )}
    </p>
  );
}
