import { useThisJob } from '../../jobStore/jobContext.ts';
import type { RiderDocument } from '#core/document/types.ts';
import { ASSUMED_RIDER_KG } from '#core/document/riders.ts';
import { limits } from '#contract/limits.ts';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { PathField } from '../../forms/fields.tsx';

/** Who is on while sag is read, in what clothes and with how much fuel. */
export function RiderLine({ rider }: { rider: RiderDocument }) {
  const job = useThisJob();
  const { machine } = job.record.document;
  const set = (part: Partial<RiderDocument>, label: string) =>
    job.actions.change(label, [
      ['riders'],
      job.record.document.riders.map((one, k) => (k === 0 ? { ...one, ...part } : one)),
    ]);
  const number = (
    label: string,
    name: 'kg' | 'gearKg' | 'luggageKg',
    { order, range }: { order: number; range: { min: number; max: number } },
  ) => (
    <NumberField
      label={label}
      showLabel
      order={order}
      draftKey={`${pathKey(job.record.id, ['riders'])}.0.${name}`}
      quantity="mass"
      range={range}
      value={rider[name]}
      assumed={name === 'kg' ? ASSUMED_RIDER_KG : null}
      onCommit={(kg) => (kg !== null || name === 'kg') && set({ [name]: kg }, label)}
    />
  );
  return (
    <div data-fields className="border-rule relative mx-4 border-b pt-3 pb-2">
      <div className="relative grid grid-cols-5 items-end gap-x-4 narrow:grid-cols-2">
        {number('Rider in full gear', 'kg', { order: 1, range: limits.riderKg })}
        {number('Of that gear', 'gearKg', {
          order: 2,
          range: { min: 0, max: Math.min(60, (rider.kg ?? ASSUMED_RIDER_KG) - 10) },
        })}
        {number('Luggage carried', 'luggageKg', { order: 3, range: limits.wheelKg })}
        <PathField
          path={['machine', 'massKg']}
          label="Machine alone"
          showLabel
          order={4}
          placeholder="assumed"
        />
        <PathField
          path={['machine', 'tankL']}
          label="Tank holds"
          showLabel
          order={5}
          placeholder={machine.tankL === null ? 'not told' : ''}
        />
      </div>
      <OnWhileReading rider={rider} />
    </div>
  );
}

/** In what clothes, with how much luggage and fuel sag is read; what that leaves to be added. */
function OnWhileReading({ rider }: { rider: RiderDocument }) {
  const job = useThisJob();
  const { sagRead, machine } = job.record.document;
  const state = (part: Partial<typeof sagRead>, label: string) =>
    job.actions.change(label, [['sagRead'], { ...sagRead, ...part }]);
  return (
    <fieldset className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-1">
      <legend className="sr-only">On while reading</legend>
      <span className="label text-second">On while reading:</span>
      <label className="flex min-h-9 cursor-pointer items-center gap-1.5">
        <input
          type="checkbox"
          className="accent-action size-4"
          checked={sagRead.gear}
          onChange={(event) => state({ gear: event.target.checked }, 'Riding gear on while reading')}
        />
        full gear
      </label>
      {rider.luggageKg > 0 && (
        <label className="flex min-h-9 cursor-pointer items-center gap-1.5">
          <input
            type="checkbox"
            className="accent-action size-4"
            checked={sagRead.luggage}
            onChange={(event) => state({ luggage: event.target.checked }, 'Luggage on while reading')}
          />
          luggage
        </label>
      )}
      {machine.tankL !== null && (
        <div className="relative w-28">
          <NumberField
            label="Tank full by"
            showLabel
            order={6}
            draftKey={`${pathKey(job.record.id, ['sagRead'])}.fuel`}
            quantity="share"
            range={{ min: 0, max: 1 }}
            value={sagRead.fuel}
            onCommit={(fuel) => fuel !== null && state({ fuel }, 'Fuel while reading')}
          />
        </div>
      )}
      {(!sagRead.gear || sagRead.fuel < 1 || (!sagRead.luggage && rider.luggageKg > 0)) && (
        <span className="label text-tight">
          Sags stand as ridden: full gear, luggage and a full tank are added to what was read.
          {!sagRead.gear && rider.gearKg === 0 && ' Say how much of the weight is gear.'}
        </span>
      )}
    </fieldset>
  );
}
