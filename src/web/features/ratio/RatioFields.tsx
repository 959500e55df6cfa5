import { useState } from 'react';
import type { RatioDescription } from '#core/geometry/ratioMap.ts';
import { limits } from '#contract/limits.ts';
import { NumberField } from '../../ui/NumberField.tsx';
import { PairTable } from '../../ui/PairTable.tsx';
import { Select } from '../../ui/Select.tsx';
import { LinkageFields } from './LinkageFields.tsx';
import { ratioKindOf, ratioKinds, ratioKindWords, startOf, type RatioKind } from './ratioKind.ts';

interface Props {
  /** Null, or constant, where one number stands for the whole travel. */
  value: RatioDescription | null;
  /** What stands for the whole travel: what a new way of saying it starts from. */
  ratio: number;
  travelMm: number;
  draftKey: string;
  /** Where the one number stands, if not here. */
  whenOne?: string;
  /** Null goes back to the one number. */
  put: (next: RatioDescription | null) => void;
}

/** Where a ratio that changes over the travel comes from: measured pairs, levers, or a linkage. */
export function RatioFields({ value, ratio, travelMm, draftKey, put, whenOne }: Props) {
  // What a new way of saying it starts from only repeats the one ratio: it counts once somebody has typed over it.
  const [begun, setBegun] = useState<RatioDescription | null>(null);
  const shown = begun ?? value;
  const kind = ratioKindOf(shown);
  const typed = (next: RatioDescription | null) => {
    setBegun(null);
    put(next);
  };
  return (
    <>
      <Select
        label="Ratio by"
        value={kind}
        options={ratioKinds.map((one) => ({ value: one, words: ratioKindWords[one] }))}
        onChange={(to) => {
          const start = startOf(to as RatioKind, ratio, travelMm);
          setBegun(start);
          if (start === null) put(null);
        }}
      />
      {kind === 'one' && whenOne && <p className="text-second mt-3">{whenOne}</p>}
      {begun && (
        <p className="text-tight mt-2">
          Not counted yet: these figures only repeat the one ratio. Type what was measured over them.
        </p>
      )}
      {shown?.kind === 'table' && (
        <PairTable
          columns={[
            { label: 'Wheel travel', quantity: 'length', range: { min: 0, max: 2000 } },
            { label: 'Damper compression', quantity: 'length', range: { min: 0, max: 2000 } },
          ]}
          rows={shown.rows}
          row="pair"
          least={2}
          most={limits.tableRows}
          draftKey={draftKey}
          put={(rows) => typed({ kind: 'table', rows })}
        />
      )}
      {shown?.kind === 'levers' && <Levers value={shown} draftKey={draftKey} put={typed} />}
      {shown?.kind === 'linkage' && (
        <LinkageFields value={shown} travelMm={travelMm} draftKey={draftKey} put={typed} />
      )}
    </>
  );
}

interface PartProps<Kind extends RatioDescription['kind']> {
  value: Extract<RatioDescription, { kind: Kind }>;
  draftKey: string;
  put: (next: RatioDescription) => void;
}

function Levers({ value, draftKey, put }: PartProps<'levers'>) {
  const parts = [
    { name: 'damperLeverMm', label: 'Pivot to damper', quantity: 'size', range: limits.springMm },
    { name: 'wheelLeverMm', label: 'Pivot to wheel', quantity: 'size', range: limits.springMm },
    { name: 'damperAngleDeg', label: 'Damper to arm, °', quantity: 'number', range: { min: 5, max: 175 } },
  ] as const;
  return (
    <div className="relative mt-3 grid grid-cols-3 gap-x-4">
      {parts.map(({ name, label, quantity, range }, k) => (
        <NumberField
          key={name}
          label={label}
          showLabel
          order={k}
          draftKey={`${draftKey}.${name}`}
          quantity={quantity}
          decimals={1}
          range={range}
          value={value[name]}
          onCommit={(next) => next !== null && put({ ...value, [name]: next })}
        />
      ))}
    </div>
  );
}
