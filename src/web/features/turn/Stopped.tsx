import { limits } from '#contract/limits.ts';
import { camChoices } from '#core/adjusting/positions.ts';
import { camPosition } from '#core/document/taken.ts';
import type { Fact } from '#core/document/types.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { positionText } from '#words/positions.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { factKey } from '../../jobStore/draftKeys.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Select } from '../../ui/Select.tsx';
import { cornerNumbers } from '../../ui/words.ts';

interface CamProps {
  id: CornerId;
  round: number;
  done: Fact<'adjustment'> | null;
  record: (mm: number) => void;
}

/** mm at the leg. Two places nearer than this are one. */
const SAME_MM = 0.05;

/** At which of its positions a cam really stands, where that is another than was asked. */
export function CamStopped({ id, round, done, record }: CamProps) {
  const { record: job, state } = useThisJob();
  const corner = job.document.corners[id];
  const gone = state.rounds
    .filter((one) => one.round < round)
    .reduce((sum, { moves }) => sum + (moves[id] ?? 0), 0);
  const choices = camChoices(corner, gone);
  const at = done === null ? -1 : choices.findIndex((mm) => Math.abs(mm - done.mm) < SAME_MM);
  return (
    <label>
      <span className="label text-second block">Really stands at</span>
      <Select
        label={`Really stands at, ${cornerNames[id]}`}
        value={at < 0 ? '' : String(at)}
        options={[
          ...(at < 0 ? [{ value: '', words: 'as told' }] : []),
          ...choices.map((_, k) => ({
            value: String(k),
            words: `position ${positionText(camPosition(corner.torsion, k))}`,
          })),
        ]}
        onChange={(value) => value !== '' && record(choices[Number(value)] ?? 0)}
      />
    </label>
  );
}

interface AirProps {
  id: CornerId;
  round: number;
  /** What it held before, and what was let in since, bar; null while nothing was. */
  beforeBar: number;
  doneBar: number | null;
  record: (byBar: number) => void;
}

/** What the gauge really shows, where that is another pressure than was asked. */
export function AirStopped({ id, round, beforeBar, doneBar, record }: AirProps) {
  const job = useThisJob();
  return (
    <div className="relative w-32">
      <NumberField
        label={`Gauge really shows, ${cornerNames[id]}`}
        showLabel
        order={cornerNumbers[id]}
        draftKey={`${factKey(job.record.id, { kind: 'inflated', round, corner: id, slot: 'done' })}|typed`}
        quantity="pressure"
        decimals={2}
        range={{ min: 0, max: limits.gasBar }}
        value={doneBar === null ? null : beforeBar + doneBar}
        onCommit={(bar) => bar !== null && record(bar - beforeBar)}
      />
    </div>
  );
}
