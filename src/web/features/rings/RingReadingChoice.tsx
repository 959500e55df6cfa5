import type { RingWay } from '#core/kinds/ringWays.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Select } from '../../ui/Select.tsx';

const byOptions: readonly { value: RingWay; words: string }[] = [
  { value: 'gap', words: 'the gap, slider to ring' },
  { value: 'seat', words: 'from the seat to the ring' },
  { value: 'edge', words: 'from the collar’s edge to the ring' },
  { value: 'second', words: 'from its second edge to the ring' },
];

/** How rings are read on this machine, and in what state: once for all of them, so that what is read and wanted compare. */
export function RingReadingChoice() {
  const { record, actions } = useThisJob();
  const { document } = record;
  const { by, hanging, perDamper } = document.ringReading;
  const hasSecond = cornersIn(document).some((id) => document.corners[id].second !== null);
  return (
    <div className="mb-2 flex flex-wrap gap-x-6 gap-y-2">
      <label>
        <span className="label text-second block">How it is read</span>
        <Select
          label="How it is read"
          look="pr-2"
          value={by}
          // A second edge is there once somebody has described it.
          options={byOptions.filter(({ value }) => value !== 'second' || value === by || hasSecond)}
          onChange={(to) => actions.change('How rings are read', [['ringReading', 'by'], to])}
        />
      </label>
      <label>
        <span className="label text-second block">The wheels</span>
        <Select
          label="The wheels"
          look="pr-2"
          value={hanging ? 'hanging' : 'standing'}
          options={[
            { value: 'standing', words: 'carry the machine' },
            { value: 'hanging', words: 'hang' },
          ]}
          onChange={(to) =>
            actions.change('Wheels while rings are read', [['ringReading', 'hanging'], to === 'hanging'])
          }
        />
      </label>
      <label>
        <span className="label text-second block">Rings at a damper</span>
        <Select
          label="Rings at a damper"
          look="pr-2"
          value={String(perDamper)}
          options={[
            { value: '1', words: 'one' },
            { value: '2', words: 'two, of three springs' },
          ]}
          onChange={(to) => actions.change('Rings at a damper', [['ringReading', 'perDamper'], Number(to)])}
        />
      </label>
      {hanging && (
        <p className="label text-second basis-full">
          All gaps here, read and wanted, are with the wheels hanging. Jack it up the same way every time.
        </p>
      )}
    </div>
  );
}
