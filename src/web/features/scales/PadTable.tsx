import { cornersIn } from '#core/kinds/classes/index.ts';
import { useBegun } from '../../jobStore/useBegun.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { limits } from '#contract/limits.ts';
import { cornerNumbers } from '../../ui/words.ts';
import { CornerRow, CornerTable } from '../sheet/CornerRow.tsx';
import { FactField } from '../../forms/fields.tsx';

export const REPEATS = ['1', '2', '3'] as const;

/** Slot of a pad reading: repeats of the case that is measured in stand alone, others name their case. */
export function padSlot(loadCase: number, repeat: string): string {
  return loadCase === 0 ? repeat : `c${loadCase}-${repeat}`;
}

interface Props {
  round: number;
  /** Place of the load case that is on board. */
  loadCase?: number;
}

/** Weight on each wheel, up to three times over: rolled off and on between. A time begun brings the next. */
export function PadTable({ round, loadCase = 0 }: Props) {
  const job = useThisJob();
  const isBegun = useBegun();
  const begun = (repeat: string) =>
    cornersIn(job.record.document).some((corner) =>
      isBegun({ kind: 'pad', round, corner, slot: padSlot(loadCase, repeat) }),
    );
  const shown = REPEATS.slice(0, 1 + Math.max(0, ...REPEATS.map((repeat, k) => (begun(repeat) ? k + 1 : 0))));
  return (
    <CornerTable caption="Weight on each wheel" numbers>
      {shown.map((repeat, k) => (
        <CornerRow
          key={repeat}
          label={`Reading ${repeat}`}
          help={k === 0 ? 'wheel and all' : 'rolled off and on'}
        >
          {(id) => (
            <FactField
              place={{ kind: 'pad', round, corner: id, slot: padSlot(loadCase, repeat) }}
              label={`On the pad, ${cornerNames[id]}, reading ${repeat}`}
              order={3000 + 10 * k + cornerNumbers[id]}
              quantity="mass"
              range={limits.wheelKg}
            />
          )}
        </CornerRow>
      ))}
    </CornerTable>
  );
}
