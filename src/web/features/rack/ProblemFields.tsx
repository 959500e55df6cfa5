import { Plus, X } from 'lucide-react';
import { SEARCH_CASES, type SearchCase, type SearchProblem } from '#core/rack/problem.ts';
import { limits } from '#contract/limits.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { TextField } from '../../forms/TextField.tsx';
import { UnitOf } from '../../forms/UnitOf.tsx';
import type { QuantityName, Range } from '../../forms/quantity.ts';

interface Props {
  problem: SearchProblem;
  change: (next: SearchProblem) => void;
}

interface FieldProps {
  label: string;
  name: string;
  order: number;
  quantity?: QuantityName;
  range: Range;
  value: number | null;
  placeholder?: string;
  hideLabel?: boolean;
  onCommit: (value: number | null) => void;
}

function Field({ name, quantity = 'length', hideLabel = false, ...rest }: FieldProps) {
  return (
    <NumberField
      {...rest}
      quantity={quantity}
      showLabel={!hideLabel}
      showUnit={!hideLabel}
      decimals={1}
      draftKey={`search.${name}`}
    />
  );
}

/** What the springs are to do: the wheel, what it carries, where it is to stand, and what can be adjusted. */
export function ProblemFields({ problem, change }: Props) {
  return (
    <div data-fields className="min-w-0">
      <Wheel problem={problem} change={change} />
      <Cases problem={problem} change={change} />
      <Adjusters problem={problem} change={change} />
      <Kept problem={problem} change={change} />
    </div>
  );
}

const grid = 'relative grid grid-cols-2 gap-x-4 gap-y-1';

function Wheel({ problem, change }: Props) {
  const { travelMm, ratio, targetMm } = problem;
  return (
    <>
      <h3 className="font-semibold">The wheel</h3>
      <div className={grid}>
        <Field
          label="Wheel travel"
          name="travel"
          order={1}
          range={limits.travelMm}
          value={travelMm}
          onCommit={(mm) => mm !== null && change({ ...problem, travelMm: mm })}
        />
        {ratio.kind === 'constant' ? (
          <Field
            label="Motion ratio"
            name="ratio"
            order={2}
            quantity="ratio"
            range={limits.ratio}
            value={ratio.ratio}
            onCommit={(value) => value !== null && change({ ...problem, ratio: { ...ratio, ratio: value } })}
          />
        ) : (
          <p className="label text-second self-end pb-2">Ratio as in the job.</p>
        )}
        <Field
          label="To stand at, travel used"
          name="target"
          order={3}
          range={{ min: 0, max: travelMm }}
          value={targetMm}
          onCommit={(mm) => mm !== null && change({ ...problem, targetMm: mm })}
        />
        <Field
          label="Stop touched with left"
          name="stop"
          order={4}
          range={{ min: 0, max: travelMm }}
          value={problem.stop?.leftMm ?? null}
          placeholder="no stop"
          onCommit={(mm) =>
            change({
              ...problem,
              stop:
                mm === null
                  ? null
                  : {
                      rows: problem.stop?.rows ?? [
                        [0, 0],
                        [30, 3600],
                      ],
                      leftMm: mm,
                    },
            })
          }
        />
      </div>
    </>
  );
}

function Cases({ problem, change }: Props) {
  const { cases, travelMm } = problem;
  return (
    <>
      <h3 className="mt-4 font-semibold">Load cases</h3>
      <table className="w-full table-fixed">
        <thead className="label text-second text-left">
          <tr>
            <th className="font-normal">case</th>
            <th className="w-[24%] px-1 font-normal">
              carried, <UnitOf name="mass" />
            </th>
            <th className="w-[22%] px-1 font-normal">
              sag from, <UnitOf name="length" />
            </th>
            <th className="w-[22%] px-1 font-normal">
              to, <UnitOf name="length" />
            </th>
            <th className="w-9" />
          </tr>
        </thead>
        <tbody>
          {cases.map((_, k) => (
            <CaseRow key={k} problem={problem} change={change} k={k} />
          ))}
        </tbody>
      </table>
      {cases.length < SEARCH_CASES && (
        <button
          type="button"
          className="text-action inline-flex min-h-9 items-center gap-1 font-semibold"
          onClick={() => {
            const kg = Math.round(1.25 * (cases[0]?.kg ?? 100));
            const next = { name: `load ${cases.length + 1}`, kg, fromMm: 0, toMm: travelMm };
            change({ ...problem, cases: [...cases, next] });
          }}
        >
          <Plus size={15} aria-hidden /> Another load case
        </button>
      )}
    </>
  );
}

function CaseRow({ problem, change, k }: Props & { k: number }) {
  const { cases, travelMm } = problem;
  const one = cases[k];
  if (!one) return null;
  const { name, kg, fromMm, toMm } = one;
  const set = (part: Partial<SearchCase>) =>
    change({ ...problem, cases: cases.map((old, i) => (i === k ? { ...old, ...part } : old)) });
  return (
    <tr className="relative">
      <td>
        <TextField
          label={`Case ${k + 1}`}
          hideLabel
          value={name}
          draftKey={`search.cases.${k}.name`}
          maxLength={40}
          required
          onCommit={(next) => set({ name: next })}
        />
      </td>
      <td className="px-1">
        <Field
          hideLabel
          label={`Carried, ${name}`}
          name={`cases.${k}.kg`}
          order={10 + 3 * k}
          quantity="mass"
          range={{ min: 1, max: 5000 }}
          value={kg}
          onCommit={(value) => value !== null && set({ kg: value })}
        />
      </td>
      <td className="px-1">
        <Field
          hideLabel
          label={`Sag from, ${name}`}
          name={`cases.${k}.from`}
          order={11 + 3 * k}
          range={{ min: 0, max: toMm }}
          value={fromMm}
          onCommit={(mm) => set({ fromMm: mm ?? 0 })}
        />
      </td>
      <td className="px-1">
        <Field
          hideLabel
          label={`Sag to, ${name}`}
          name={`cases.${k}.to`}
          order={12 + 3 * k}
          range={{ min: fromMm, max: travelMm }}
          value={toMm}
          onCommit={(mm) => mm !== null && set({ toMm: mm })}
        />
      </td>
      <td>
        {k > 0 && (
          <button
            type="button"
            aria-label={`Remove ${name}`}
            className="text-second inline-flex size-9 items-center justify-center"
            onClick={() => change({ ...problem, cases: cases.filter((_, i) => i !== k) })}
          >
            <X size={16} aria-hidden />
          </button>
        )}
      </td>
    </tr>
  );
}

function Adjusters({ problem, change }: Props) {
  const { room, ring, kinds } = problem;
  const wide = { min: 0, max: 3000 };
  return (
    <>
      <h3 className="mt-4 font-semibold">What can be adjusted</h3>
      <p className="label text-second">
        Room for the springs with the wheel hanging, from one seat to the other.
      </p>
      <div className={grid}>
        <Field
          label="Room, seat turned in"
          name="room.least"
          order={40}
          range={{ ...wide, max: room.mostMm }}
          value={room.leastMm}
          onCommit={(mm) => mm !== null && change({ ...problem, room: { ...room, leastMm: mm } })}
        />
        <Field
          label="Room, seat backed off"
          name="room.most"
          order={41}
          range={{ ...wide, min: room.leastMm }}
          value={room.mostMm}
          onCommit={(mm) => mm !== null && change({ ...problem, room: { ...room, mostMm: mm } })}
        />
      </div>
      <Stacks problem={problem} change={change} />
      {kinds.dual && ring && <RingRange problem={problem} change={change} ring={ring} />}
    </>
  );
}

/** Which assemblies are tried. */
function Stacks({ problem, change }: Props) {
  const { kinds } = problem;
  return (
    <div className="mt-2 flex flex-wrap gap-x-5">
      {(
        [
          ['single', 'one spring'],
          ['tender', 'tender and main'],
          ['dual', 'two with a ring'],
        ] as const
      ).map(([kind, words]) => (
        <label key={kind} className="flex min-h-9 cursor-pointer items-center gap-2">
          <input
            type="checkbox"
            className="accent-action size-4"
            checked={kinds[kind]}
            onChange={(event) => change({ ...problem, kinds: { ...kinds, [kind]: event.target.checked } })}
          />
          {words}
        </label>
      ))}
      <label className="flex min-h-9 cursor-pointer items-center gap-2">
        <input
          type="checkbox"
          className="accent-action size-4"
          checked={problem.sideBySide === 2}
          onChange={(event) => change({ ...problem, sideBySide: event.target.checked ? 2 : 1 })}
        />
        two alike side by side: both legs of a fork, twin shocks
      </label>
    </div>
  );
}

/** Where a ring may stand, and where in the bump it is to take over. */
function RingRange({ problem, change, ring }: Props & { ring: NonNullable<SearchProblem['ring']> }) {
  return (
    <div className="relative grid grid-cols-3 gap-x-4">
      <Field
        label="Ring from seat, least"
        name="ring.least"
        order={43}
        range={{ min: -500, max: ring.mostMm }}
        value={ring.leastMm}
        onCommit={(mm) => mm !== null && change({ ...problem, ring: { ...ring, leastMm: mm } })}
      />
      <Field
        label="most"
        name="ring.most"
        order={44}
        range={{ min: ring.leastMm, max: 3000 }}
        value={ring.mostMm}
        onCommit={(mm) => mm !== null && change({ ...problem, ring: { ...ring, mostMm: mm } })}
      />
      <Field
        label="Over at, of bump"
        name="ring.share"
        order={45}
        quantity="share"
        range={{ min: ring.fromShare, max: ring.toShare }}
        value={ring.share}
        onCommit={(share) => share !== null && change({ ...problem, ring: { ...ring, share } })}
      />
      <Field
        label="or anywhere from"
        name="ring.from"
        order={46}
        quantity="share"
        range={{ min: 0.05, max: ring.share }}
        value={ring.fromShare}
        onCommit={(share) => share !== null && change({ ...problem, ring: { ...ring, fromShare: share } })}
      />
      <Field
        label="to"
        name="ring.to"
        order={47}
        quantity="share"
        range={{ min: ring.share, max: 1 }}
        value={ring.toShare}
        onCommit={(share) => share !== null && change({ ...problem, ring: { ...ring, toShare: share } })}
      />
    </div>
  );
}

function Kept({ problem, change }: Props) {
  const { least, inner, inStock } = problem;
  const setInner = (end: 'leastMm' | 'mostMm', mm: number | null) => {
    if (mm === null) return change({ ...problem, inner: null });
    const from = end === 'leastMm' ? mm : Math.min(inner?.leastMm ?? mm, mm);
    const to = end === 'mostMm' ? mm : Math.max(inner?.mostMm ?? mm, mm);
    change({ ...problem, inner: { leastMm: from, mostMm: to } });
  };
  return (
    <>
      <h3 className="mt-4 font-semibold">To be kept</h3>
      <div className="relative grid grid-cols-3 gap-x-4 gap-y-1">
        {(
          [
            ['coilMm', 'Coil space'],
            ['seatedMm', 'Seated at droop'],
            ['bumpMm', 'Bump to the stop'],
          ] as const
        ).map(([key, label], k) => (
          <Field
            key={key}
            label={label}
            name={`least.${key}`}
            order={50 + k}
            range={{ min: 0, max: 200 }}
            value={least[key]}
            onCommit={(mm) => change({ ...problem, least: { ...least, [key]: mm ?? 0 } })}
          />
        ))}
        <Field
          label="Inner diameter from"
          name="inner.least"
          order={54}
          range={limits.springMm}
          value={inner?.leastMm ?? null}
          placeholder="any"
          onCommit={(mm) => setInner('leastMm', mm)}
        />
        <Field
          label="to"
          name="inner.most"
          order={55}
          range={limits.springMm}
          value={inner?.mostMm ?? null}
          placeholder="any"
          onCommit={(mm) => setInner('mostMm', mm)}
        />
        <Field
          label="In stock, at least"
          name="stock"
          order={56}
          quantity="number"
          range={{ min: 0, max: 20 }}
          value={inStock}
          onCommit={(count) => change({ ...problem, inStock: Math.round(count ?? 0) })}
        />
      </div>
    </>
  );
}
