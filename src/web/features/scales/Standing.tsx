import type { ReactNode } from 'react';
import type { PerCorner } from '#core/estimate/rounds.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { meanOf } from '#core/numerics/mean.ts';
import { balanceOf, repeatSpread, type Balance, type Share } from '#core/scales/balance.ts';
import { padsSum, shareSum } from '#words/explain/scaleSums.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Plain } from '../../ui/Figure.tsx';
import { Mass } from '../../ui/Measure.tsx';

/** Total, front, left, cross and the other diagonal, with how well they are read; and the cross weight that is `believed` now. */
export function Standing({ pads, believed }: { pads: PerCorner<number[]>; believed?: number | undefined }) {
  const balance = balanceOf(pads);
  if (!balance) return <p className="label text-second mt-2">All four wheels give front, left and cross.</p>;
  return (
    <>
      <Figures balance={balance} pads={pads} />
      {believed !== undefined && (
        <p className="label text-second mt-1" data-testid="believed">
          Without what friction held, all rounds together put cross weight at{' '}
          <span className="figures">{(100 * believed).toFixed(1)}</span> %: that is planned from.
        </p>
      )}
    </>
  );
}

function Figures({ balance, pads }: { balance: Balance; pads: PerCorner<number[]> }) {
  const kg: Partial<Record<CornerId, number>> = Object.fromEntries(
    Object.entries(pads).map(([id, list]) => [id, meanOf(list)]),
  );
  const other: Share = { value: 1 - balance.cross.value, sd: balance.cross.sd };
  const shares: [string, string, Share][] = [
    ['Front', 'F = (LF + RF) / T', balance.front],
    ['Left', 'L = (LF + LR) / T', balance.left],
    ['Cross, RF + LR', 'X = (RF + LR) / T', balance.cross],
    ['Other diagonal, LF + RR', 'D = (LF + RR) / T', other],
  ];
  const spread = repeatSpread(pads);
  return (
    <>
      <dl className="mt-3 flex flex-wrap gap-x-6 gap-y-2" data-testid="balance" aria-live="polite">
        <Line title="Total">
          <SumFigure name="Total" sum={() => padsSum('total', balance, kg)}>
            <Mass kg={balance.totalKg} />
          </SumFigure>
        </Line>
        {shares.map(([title, formula, share]) => (
          <Line key={title} title={title}>
            <SumFigure name={title} sum={() => shareSum({ title, formula, share }, balance, kg)}>
              <span className="figures">{(100 * share.value).toFixed(1)}</span> %
            </SumFigure>{' '}
            <span className="label text-second font-normal">
              ± <Plain value={200 * share.sd} decimals={1} />
            </span>
          </Line>
        ))}
        <Line title="Front, right minus left">
          <SumFigure name="Front, right minus left" sum={() => padsSum('front', balance, kg)}>
            {balance.frontDifferenceKg < 0 ? '−' : ''}
            <Mass kg={Math.abs(balance.frontDifferenceKg)} />
          </SumFigure>
        </Line>
      </dl>
      {spread && (
        <p className="label text-second mt-2" data-testid="repeat">
          Rolled on {spread.times} times, cross weight came out within ±{' '}
          <Plain value={100 * spread.halfShare} decimals={2} /> % of its mean, a wheel within ±{' '}
          <Mass kg={spread.halfKg} decimals={1} />
          {spread.halfShare > 0.003
            ? ': that is more than pads do. Settle it better, or look for what binds.'
            : '.'}
        </p>
      )}
    </>
  );
}

function Line({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div>
      <dt className="label text-second">{title}</dt>
      <dd className="text-head font-bold">{children}</dd>
    </div>
  );
}
