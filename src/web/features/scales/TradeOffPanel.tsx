import { tradeWords } from '#words/tradeOff.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { WorkFailed } from '../../ui/WorkFailed.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { lazy, Suspense } from 'react';
import type { JobDocument } from '#core/document/types.ts';
import { type TradeOff, type TradePoint } from '#core/scales/tradeOff.ts';
import { tradeHeightSum, tradeShareSum } from '#words/explain/scaleSums.ts';
import { fineLengthText } from '#core/units/formatLength.ts';
import { useLengthStyle } from '../../ui/settings.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { useTrade } from './useScales.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Button } from '../../ui/Button.tsx';
import { FineLength } from '../../ui/Figure.tsx';
import { MoveList } from './MoveList.tsx';
import { SeatWays } from './SeatWays.tsx';

const Chart = lazy(async () => ({
  default: (await import('../../charts/TradeOffChart.tsx')).TradeOffChart,
}));

/** What can be had of heights and scales together, and which of it is taken. */
export function TradeOffPanel({ answer }: { answer: Answer }) {
  const job = useThisJob();
  const style = useLengthStyle(1);
  const { value, stale, failed } = useTrade(job.record);
  if (!isAsked(job))
    return (
      <p className="label text-second mt-2">
        Ask something of the scales, and what it costs in height shows here.
      </p>
    );
  if (failed !== null) return <WorkFailed />;
  if (!value?.traded)
    return <p className="text-second mt-3">{stale ? 'Calculating …' : 'Nothing to weigh against.'}</p>;
  const { trade, ways } = value.traded;
  const { taken } = trade;
  const { can, words } = tradeWords(trade, answer.tolerance.value, (mm) => fineLengthText(mm, style.system));
  const take = ({ weight }: TradePoint) =>
    job.actions.change('Scales against heights', [['crossWeight'], weight]);
  return (
    <div className={`mt-3 ${stale ? 'opacity-60' : ''}`} data-testid="trade" aria-busy={stale}>
      <p className={`max-w-[75ch] ${can ? '' : 'text-tight'}`} role="status">
        {words}
      </p>
      <div className="mt-2 grid grid-cols-[minmax(0,5fr)_minmax(0,7fr)] gap-x-6 max-lg:grid-cols-1">
        <Suspense fallback={<p className="text-second h-72">Drawing …</p>}>
          <Chart
            trade={trade}
            toleranceMm={answer.tolerance.value}
            taken={taken}
            now={nowOf(answer, trade)}
            onPick={(k) => {
              const point = trade.points[k];
              if (point) take(point);
            }}
          />
        </Suspense>
        <Points document={answer.document} trade={trade} taken={taken} take={take} />
      </div>
      {!job.state.locked && (
        <SeatWays answer={answer} ways={ways} weight={trade.points[taken]?.weight ?? 1} stale={stale} />
      )}
    </div>
  );
}

function isAsked({ record: { document } }: Job): boolean {
  return document.frontEqual || document.crossTarget !== null;
}

function nowOf({ cross, corners }: Answer, { goal }: TradeOff) {
  const off = corners.map(({ spec, nowSpecMm }) =>
    spec.targetMm === null ? 0 : Math.abs(nowSpecMm - spec.targetMm),
  );
  const share = (goal === 'front' ? cross?.frontRight.now : cross?.now) ?? 0;
  return { share, heightOffMm: Math.max(0, ...off) };
}

interface PointsProps {
  document: JobDocument;
  trade: TradeOff;
  taken: number;
  take: (point: TradePoint) => void;
}

/** The points of the line as rows: the same as the chart, for keys and for reading. */
function Points({ document, trade, taken, take }: PointsProps) {
  const { system } = useLengthStyle(1);
  return (
    <div className="relative max-h-72 min-w-0 overflow-auto">
      <table className="w-full">
        <caption className="sr-only">Plans from heights first to scales first</caption>
        <thead className="label text-second text-right">
          <tr>
            <th className="py-1 text-left font-normal">scales</th>
            <th className="px-2 font-normal">height off</th>
            <th className="px-2 text-left font-normal">turns</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {trade.points.map((point, k) => (
            <tr
              key={point.weight}
              className={`border-rule border-t text-right align-top ${k === taken ? 'font-semibold' : ''}`}
              data-point={k}
              aria-current={k === taken ? 'true' : undefined}
            >
              <td className="figures py-1.5 text-left whitespace-nowrap">
                <SumFigure name="Scales by this plan" sum={() => tradeShareSum(trade, point)}>
                  {(100 * point.share).toFixed(1)} %
                </SumFigure>
              </td>
              <td className="px-2 py-1.5">
                <SumFigure name="Furthest height off" sum={() => tradeHeightSum(point)}>
                  <FineLength mm={point.heightOffMm} />
                </SumFigure>
              </td>
              <td className="label px-2 py-2 text-left font-normal">
                <MoveList document={document} moves={point.moves} />
              </td>
              <td className="py-0.5">
                {k === taken ? (
                  <span className="label">{trade.both === k ? 'taken, both in' : 'taken'}</span>
                ) : (
                  <Button
                    look="quiet"
                    className="whitespace-nowrap"
                    onClick={() => take(point)}
                    aria-label={`Use this plan: ${(100 * point.share).toFixed(1)} %, ${fineLengthText(point.heightOffMm, system)} off`}
                  >
                    Use this plan
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
