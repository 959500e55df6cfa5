import type { Answer } from '#core/planning/answerShape.ts';
import { useMemo } from 'react';
import { cornerNames } from '#core/kinds/corners.ts';
import { worthReading, type SagAsking } from '#core/sag/worth.ts';
import { worthSum } from '#words/explain/benchSums.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { tolerances } from '#core/tolerances.ts';
import { capital } from '../../ui/words.ts';
import { SizeLength } from '../../ui/Figure.tsx';

const words: Record<SagAsking['ask'], string> = {
  rider: 'pressed and lifted with the rider on',
  alone: 'pressed and lifted with nobody on',
  spring: 'the spring’s rate',
  preload: 'the preload, from its bench lengths',
  weigh: 'the weight on this wheel',
};

/** The one thing that would narrow the planned sags most; nothing where no reading is worth the walk. */
export function WorthReading({ answer }: { answer: Answer }) {
  const best = useMemo(() => worthReading(answer)[0], [answer]);
  if (!best || answer.state.locked || best.withItMm > tolerances.worthAskingShare * best.sdMm) return null;
  return (
    <p className="label text-second mb-2" data-testid="worth-reading">
      <b className="text-ink">What would settle it:</b> {cornerNames[best.id]}, {words[best.ask]}.{' '}
      {capital('the sags there are known to')} ± <SizeLength mm={best.sdMm} decimals={0} />, and would be to ±{' '}
      <SumFigure name="What it would settle" sum={() => worthSum(best)}>
        <SizeLength mm={best.withItMm} decimals={0} />
      </SumFigure>
      .
    </p>
  );
}
