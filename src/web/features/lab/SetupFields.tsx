import { Plus, X } from 'lucide-react';
import { blankSpring, type SpringDocument } from '#core/document/spring.ts';
import { LAB_CASES, type LabSetup } from '#core/lab/setup.ts';
import { limits } from '#contract/limits.ts';
import { TextField } from '../../forms/TextField.tsx';
import { LabField } from './LabField.tsx';
import { ToRack } from './ToRack.tsx';
import { UnitOf } from '../../forms/UnitOf.tsx';
import { WheelFields } from './WheelFields.tsx';

interface Props {
  setup: LabSetup;
  index: number;
  change: (next: LabSetup) => void;
}

const icon = 'text-second inline-flex size-9 items-center justify-center';
const add = 'text-action inline-flex min-h-9 items-center gap-1 font-semibold';

/** What is on the bench: springs from the seat outwards, the wheel they work on, and what they carry. */
export function SetupFields(props: Props) {
  return (
    <div data-fields className="min-w-0">
      <Springs {...props} />
      <WheelFields {...props} />
      <Cases {...props} />
    </div>
  );
}

const figures = [
  { name: 'rateNPerMm', label: 'rate', quantity: 'rate', range: limits.springRateNPerMm },
  { name: 'freeLengthMm', label: 'free', quantity: 'size', range: limits.springMm },
  { name: 'solidLengthMm', label: 'solid', quantity: 'size', range: limits.springMm },
] as const;

function Springs({ setup, index, change }: Props) {
  const { springs } = setup;
  const put = (next: SpringDocument[]) =>
    change({ ...setup, springs: next, rings: setup.rings.filter(({ after }) => after < next.length - 1) });
  return (
    <>
      <h3 className="font-semibold">Springs, from the seat outwards</h3>
      <div className="overflow-x-auto">
        <table className="w-full min-w-[460px] table-fixed">
          <colgroup>
            <col className="w-[20%]" />
            <col />
            <col />
            <col />
            <col className="w-12" />
            <col className="w-[72px]" />
          </colgroup>
          <thead className="label text-second text-left">
            <tr>
              <th className="font-normal">spring</th>
              {figures.map(({ name, label, quantity }) => (
                <th key={name} className="px-1 font-normal">
                  {label}, <UnitOf name={quantity} />
                </th>
              ))}
              <th className="font-normal">tender</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {springs.map((spring, i) => (
              <SpringRow
                key={i}
                spring={spring}
                setup={index}
                place={i}
                change={(part) => put(springs.map((one, k) => (k === i ? { ...one, ...part } : one)))}
                {...(springs.length > 1 ? { takeOff: () => put(springs.filter((_, k) => k !== i)) } : {})}
              />
            ))}
          </tbody>
        </table>
      </div>
      {springs.length < limits.springsPerCorner && (
        <button
          type="button"
          className={add}
          onClick={() => put([...springs, { ...(springs.at(-1) ?? blankSpring), name: '', tender: false }])}
        >
          <Plus size={15} aria-hidden /> Another spring
        </button>
      )}
    </>
  );
}

interface SpringRowProps {
  spring: SpringDocument;
  /** Which setup, and which of its springs. */
  setup: number;
  place: number;
  change: (part: Partial<SpringDocument>) => void;
  takeOff?: () => void;
}

function SpringRow({ spring, setup, place, change, takeOff }: SpringRowProps) {
  return (
    <tr className="relative">
      <td>
        <TextField
          label={`Name, spring ${place + 1}`}
          hideLabel
          value={spring.name}
          draftKey={`lab.${setup}.springs.${place}.name`}
          maxLength={40}
          placeholder={`spring ${place + 1}`}
          onCommit={(name) => change({ name })}
        />
      </td>
      {figures.map(({ name, label, quantity, range }, k) => (
        <td key={name} className="px-1">
          {name === 'rateNPerMm' && spring.kind === 'table' ? (
            <span className="label text-second">measured</span>
          ) : (
            <LabField
              label={`${label[0]?.toUpperCase()}${label.slice(1)}, spring ${place + 1}`}
              showLabel={false}
              showUnit={false}
              name={`springs.${place}.${name}`}
              setup={setup}
              order={10 * place + k}
              quantity={quantity}
              range={range}
              value={spring[name]}
              onCommit={(value) => change({ [name]: value })}
            />
          )}
        </td>
      ))}
      <td>
        <input
          type="checkbox"
          aria-label={`Spring ${place + 1} is a tender`}
          className="accent-action ml-2 size-4"
          checked={spring.tender}
          onChange={(event) => change({ tender: event.target.checked })}
        />
      </td>
      <td className="flex">
        <ToRack spring={spring} />
        {takeOff && (
          <button
            type="button"
            className={icon}
            aria-label={`Take spring ${place + 1} off`}
            onClick={takeOff}
          >
            <X size={16} aria-hidden />
          </button>
        )}
      </td>
    </tr>
  );
}

function Cases({ setup, index, change }: Props) {
  const { cases } = setup;
  const set = (k: number, part: object) =>
    change({ ...setup, cases: cases.map((one, i) => (i === k ? { ...one, ...part } : one)) });
  return (
    <>
      <h3 className="mt-4 font-semibold">What this wheel’s springs carry</h3>
      {cases.map(({ name, kg }, k) => (
        <div key={k} className="relative grid grid-cols-[1fr_140px_36px] items-end gap-x-4">
          <TextField
            label={`Load case ${k + 1}`}
            hideLabel
            value={name}
            draftKey={`lab.${index}.cases.${k}.name`}
            maxLength={40}
            required
            onCommit={(next) => set(k, { name: next })}
          />
          <LabField
            label={`Sprung weight, ${name}`}
            showLabel={false}
            setup={index}
            name={`cases.${k}.kg`}
            order={70 + k}
            quantity="mass"
            range={{ min: 1, max: 5000 }}
            value={kg}
            onCommit={(value) => value !== null && set(k, { kg: value })}
          />
          {k > 0 && (
            <button
              type="button"
              className={icon}
              aria-label={`Remove ${name}`}
              onClick={() => change({ ...setup, cases: cases.filter((_, i) => i !== k) })}
            >
              <X size={16} aria-hidden />
            </button>
          )}
        </div>
      ))}
      {cases.length < LAB_CASES && (
        <button
          type="button"
          className={add}
          onClick={() =>
            change({
              ...setup,
              cases: [
                ...cases,
                { name: `load ${cases.length + 1}`, kg: Math.round(1.25 * (cases[0]?.kg ?? 100)) },
              ],
            })
          }
        >
          <Plus size={15} aria-hidden /> Another load case
        </button>
      )}
    </>
  );
}
