import { measuredWords, typedOtherwise } from '#words/figures.ts';
import type { Estimated, Measured, Predicted } from '#core/figures/figure.ts';
import { lengthText } from '#core/units/formatLength.ts';
import { useLengthStyle } from './settings.ts';
import { Length, SizeLength } from './Figure.tsx';

/** The one look of each kind of number. A reading: ink, heavy, the biggest of its corner. */
export function MeasuredLength({
  figure,
  className = 'text-figure',
  below,
}: {
  figure: Measured;
  className?: string;
  /** Said after what kind of figure it is; the two then stand on a line of their own. */
  below?: string;
}) {
  const style = useLengthStyle(1);
  return (
    <span data-kind="measured">
      <span className={`font-bold whitespace-nowrap ${className}`}>
        <Length mm={figure.value} />
      </span>{' '}
      <span
        className={`label text-second font-normal ${below === undefined ? 'inline-block' : 'block leading-4'}`}
      >
        {[
          measuredWords(figure, (mm) => lengthText(mm, style)),
          typedOtherwise(figure, style.system),
          figure.onTape !== undefined && `${lengthText(figure.onTape, style)} on the tape`,
          below,
        ]
          .filter(Boolean)
          .join(', ')}
      </span>
    </span>
  );
}

/** Worked out from readings: always with its sign and spread, never in the place of a reading. */
export function EstimatedLength({
  figure,
  note,
  below = false,
}: {
  figure: Estimated;
  note: string;
  /** The note stands on a line of its own. */
  below?: boolean;
}) {
  return (
    <span data-kind="estimated">
      <span className="whitespace-nowrap">
        ≈ <Length mm={figure.value} bare /> ± <SizeLength mm={figure.sd} />
      </span>{' '}
      <span className={`label text-second ${below ? 'block leading-4' : ''}`}>
        estimated{note && `, ${note}`}
      </span>
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
