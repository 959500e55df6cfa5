import { measuredWords, typedOtherwise } from '#words/figures.ts';
import type { Estimated, Measured, Predicted } from '#core/figures/figure.ts';
import { lengthText } from '#core/units/formatLength.ts';
import { useLengthStyle } from './settings.ts';
import { Length, SizeLength } from './Figure.tsx';

/** The one look of each kind of number. A reading: ink, heavy, the biggest of its corner. */
export function MeasuredLength({
  figure,
  className = 'text-figure',
}: {
  figure: Measured;
  className?: string;
}) {
  const style = useLengthStyle(1);
  return (
    <span data-kind="measured">
      <span className={`font-bold ${className}`}>
        <Length mm={figure.value} />
      </span>{' '}
      <span className="label text-second inline-block font-normal">
        {[measuredWords(figure, (mm) => lengthText(mm, style)), typedOtherwise(figure, style.system)]
          .filter(Boolean)
          .join(', ')}
      </span>
    </span>
  );
}

/** Worked out from readings: always with its sign and spread, never in the place of a reading. */
export function EstimatedLength({ figure, note }: { figure: Estimated; note: string }) {
  return (
    <span data-kind="estimated">
      ≈ <Length mm={figure.value} bare /> ± <SizeLength mm={figure.sd} />{' '}
      <span className="label text-second">estimated{note && `, ${note}`}</span>
    </span>
  );
}

/** Expected of something not done or not measured yet: petrol, light, with its arrow. */
export function PredictedLength({ figure }: { figure: Pick<Predicted, 'value' | 'sd'> }) {
  return (
    <span data-kind="predicted" className="text-action font-normal">
      → <Length mm={figure.value} decimals={0} bare /> ± <SizeLength mm={figure.sd} decimals={0} />{' '}
      <span className="label">predicted</span>
    </span>
  );
}
