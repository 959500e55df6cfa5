import { useThisJob } from '../../jobStore/jobContext.ts';
import { useState } from 'react';
import type { Json } from '#core/document/types.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import type { Axle } from '#core/kinds/corners.ts';
import { swapResult, type SwapResult } from '#core/scales/swap.ts';
import { swapFactorSum, swapHeightSum } from '#words/explain/scaleSums.ts';
import { limits } from '#contract/limits.ts';
import { cornerNumbers } from '../../ui/words.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Button } from '../../ui/Button.tsx';
import { SizeLength, Plain } from '../../ui/Figure.tsx';
import { Select } from '../../ui/Select.tsx';
import { CornerRow, CornerTable } from '../sheet/CornerRow.tsx';
import { FactField, PathField } from '../../forms/fields.tsx';

/** Pads that are level and agree: offsets by a level, or told by swapping two of them. */
export function SwapPanel({ round }: { round: number }) {
  const job = useThisJob();
  const [axle, setAxle] = useState<Axle>(job.state.rounds[round]?.padsSwapped.rear ? 'rear' : 'front');
  const result = job.answer ? swapResult(job.answer, axle) : null;
  return (
    <div data-fields className="relative">
      <CornerTable caption="Check the scales" numbers>
        <CornerRow label="Pad lies higher by" help="than the others; lower is −">
          {(id) => (
            <PathField
              path={['corners', id, 'floorMm']}
              label={`Pad height, ${cornerNames[id]}`}
              order={3300 + cornerNumbers[id]}
              placeholder="level"
            />
          )}
        </CornerRow>
        <CornerRow label="Pad shows" help="times what stands on it">
          {(id) => (
            <PathField
              path={['corners', id, 'padFactor']}
              label={`Pad factor, ${cornerNames[id]}`}
              order={3310 + cornerNumbers[id]}
              placeholder="1"
            />
          )}
        </CornerRow>
        <CornerRow label="Pads swapped" help="two of them, all four read again">
          {(id) => (
            <FactField
              place={{ kind: 'pad', round, corner: id, slot: `swapped-${axle}` }}
              label={`With the ${axle} pads swapped, ${cornerNames[id]}`}
              order={3320 + cornerNumbers[id]}
              quantity="mass"
              range={limits.wheelKg}
            />
          )}
        </CornerRow>
      </CornerTable>
      <div className="mt-2 flex flex-wrap items-center gap-x-4">
        <span className="w-44">
          <Select
            label="Which pads were swapped"
            value={axle}
            options={[
              { value: 'front', words: 'the two front pads swapped' },
              { value: 'rear', words: 'the two rear pads swapped' },
            ]}
            onChange={(next) => setAxle(next as Axle)}
          />
        </span>
        {result ? (
          <Told result={result} />
        ) : (
          <p className="label text-second">
            Swap the two pads of one axle. Roll the machine back on and read all four. That shows how they
            differ in height and in weight.
          </p>
        )}
      </div>
    </div>
  );
}

function Told({ result }: { result: SwapResult }) {
  const job = useThisJob();
  const { left, right, ratio, higherMm } = result;
  const { corners } = job.record.document;
  const root = Math.sqrt(ratio);
  const factor = (value: number) => Math.round(10_000 * value) / 10_000;
  // Heights are added to what the floor was: once is right.
  const counted = corners[left].padFactor === factor(root) && corners[right].padFactor === factor(1 / root);
  const keep = () => {
    const half = Math.round(5 * higherMm) / 10;
    job.actions.change(
      'Pads told by swapping',
      [['corners', left, 'floorMm'], ((corners[left].floorMm ?? 0) + half) as Json],
      [['corners', right, 'floorMm'], ((corners[right].floorMm ?? 0) - half) as Json],
      [['corners', left, 'padFactor'], factor(root)],
      [['corners', right, 'padFactor'], factor(1 / root)],
    );
  };
  return (
    <>
      <p data-testid="swap">
        The pad that lay {cornerNames[left]} stands{' '}
        <SumFigure name="Pads apart in height" sum={() => swapHeightSum(result)}>
          <SizeLength mm={Math.abs(higherMm)} />
        </SumFigure>{' '}
        {higherMm >= 0 ? 'higher' : 'lower'} than the other and shows{' '}
        <SumFigure name="Pads apart in weight" sum={() => swapFactorSum(result)}>
          <Plain value={100 * Math.abs(ratio - 1)} decimals={1} /> %
        </SumFigure>{' '}
        {ratio >= 1 ? 'more' : 'less'}.
      </p>
      {counted ? (
        <p className="label text-second">Correction in use. Swap the pads back before the next reading.</p>
      ) : (
        <Button onClick={keep}>Use this correction</Button>
      )}
    </>
  );
}
