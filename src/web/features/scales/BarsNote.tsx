import { useThisJob } from '../../jobStore/jobContext.ts';
import { useMemo } from 'react';
import { blankBar } from '#core/document/create.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { barShift } from '#core/scales/bars.ts';
import { barCrossSum, barPadSum } from '#words/explain/scaleSums.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { useHookedBars } from './useScales.ts';
import { Button } from '../../ui/Button.tsx';
import { FineLength } from '../../ui/Figure.tsx';
import { Mass } from '../../ui/Measure.tsx';

/** Bars that are hooked up though they should not be: said to be, or told from the readings. */
export function BarsNote() {
  const job = useThisJob();
  const { answer } = job;
  const shift = useMemo(() => (answer ? barShift(answer) : null), [answer]);
  const found = useHookedBars(job.record).value ?? [];
  const { bars } = job.record.document;
  const hooked = (['front', 'rear'] as const).filter((axle) => bars[axle]?.hooked);
  return (
    <div role="status" data-testid="bars">
      {hooked.length > 0 && (
        <div className="mt-2">
          <p className="text-tight">
            The {hooked.join(' and ')} bar {hooked.length > 1 ? 'are' : 'is'} hooked up: it carries part of
            any difference between left and right. Unhook a link, or the pads show the bar as well as the
            seats.
          </p>
          {shift && (
            <p className="label text-second">
              By the model the bar makes cross weight{' '}
              <SumFigure name="Cross weight with the bar" sum={() => barCrossSum(shift, bars)}>
                {(100 * shift.crossWith).toFixed(1)} %
              </SumFigure>
              ; without it it would be {(100 * shift.crossWithout).toFixed(1)} %. What it does:{' '}
              {shift.corners.map((corner, k) => (
                <span key={corner.id}>
                  {k > 0 && ', '}
                  {cornerNames[corner.id]}{' '}
                  <SumFigure name={`The bar, ${cornerNames[corner.id]}`} sum={() => barPadSum(corner)}>
                    {corner.padKg < 0 ? '−' : '+'}
                    <Mass kg={Math.abs(corner.padKg)} decimals={1} /> (
                    <FineLength mm={corner.heightMm} signed />)
                  </SumFigure>
                </span>
              ))}
              .
            </p>
          )}
        </div>
      )}
      {found.map(({ axle, rateNPerMm, through }) => (
        <div key={axle} className="mt-2" data-hooked={axle}>
          <p className="text-tight">
            This machine answers as if its {axle} bar were hooked up. The seats changed the difference between
            left and right by only {Math.round(100 * through)} % of what they should. Look at its links. Undo
            one and measure again.
          </p>
          <Button
            className="mt-1"
            onClick={() =>
              job.actions.change(`Bar, ${axle}`, [
                ['bars', axle],
                {
                  ...(bars[axle] ?? blankBar(null, true)),
                  // What the readings themselves show is more than a guess.
                  rateNPerMm: bars[axle]?.rateNPerMm ?? Math.round(10 * rateNPerMm) / 10,
                  hooked: true,
                },
              ])
            }
          >
            It was hooked up: count it so
          </Button>
        </div>
      ))}
    </div>
  );
}
