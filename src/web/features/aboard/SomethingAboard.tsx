import { useState } from 'react';
import { limits } from '#contract/limits.ts';
import { classDefaults } from '#core/kinds/classes/index.ts';
import { withLoad } from '#core/document/loadCases.ts';
import type { LoadDocument } from '#core/document/types.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { TextField } from '../../forms/TextField.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Select.tsx';

/** Where something lies, as a share of the wheelbase ahead of its middle. */
const places = [
  { along: 0.65, words: 'ahead of the front axle' },
  { along: 0.5, words: 'over the front axle' },
  { along: 0, words: 'in the middle' },
  { along: -0.25, words: 'ahead of the rear axle' },
  { along: -0.5, words: 'over the rear axle' },
  { along: -0.65, words: 'behind the rear axle' },
];

/** Something heavy that is aboard now: what it is, what it weighs, where it lies, and whether the targets mean it. */
export function SomethingAboard({ add, leave }: { add: (loads: LoadDocument[]) => void; leave: () => void }) {
  const job = useThisJob();
  const { document } = job.record;
  const [name, setName] = useState('');
  const [kg, setKg] = useState<number | null>(null);
  const [along, setAlong] = useState(0);
  const [meant, setMeant] = useState(true);
  const base = document.machine.wheelbaseMm ?? classDefaults[document.machine.class].wheelbaseMm;
  const put = () => {
    if (kg === null) return;
    const load = {
      name: name || `load ${document.loads.length + 1}`,
      kg,
      xMm: Math.round(along * base),
      yMm: 0,
    };
    add(withLoad(document, load, meant));
  };
  return (
    <div data-fields className="relative mt-2 flex flex-wrap items-end gap-x-4 gap-y-2">
      <div className="w-48">
        <TextField
          label="What is aboard"
          value={name}
          draftKey={`${job.record.id}|aboard.name`}
          maxLength={limits.nameLength}
          placeholder="two people"
          onCommit={setName}
        />
      </div>
      <NumberField
        className="w-28"
        label="Weighs"
        showLabel
        order={300}
        quantity="mass"
        decimals={1}
        range={limits.wheelKg}
        draftKey={`${job.record.id}|aboard.kg`}
        value={kg}
        onCommit={setKg}
      />
      <label>
        <span className="label text-second block">Where</span>
        <Select
          label="Where"
          look="pr-2"
          value={String(along)}
          options={places.map((one) => ({ value: String(one.along), words: one.words }))}
          onChange={(to) => setAlong(Number(to))}
        />
      </label>
      <label className="flex min-h-9 cursor-pointer items-center gap-1.5">
        <input
          type="checkbox"
          className="accent-action size-4"
          checked={meant}
          onChange={(event) => setMeant(event.target.checked)}
        />
        the targets are with it aboard
      </label>
      <Button onClick={put} disabled={kg === null || kg === 0}>
        It is aboard
      </Button>
      <Button look="quiet" onClick={leave}>
        Close
      </Button>
    </div>
  );
}
