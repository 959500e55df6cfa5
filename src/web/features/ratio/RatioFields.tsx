import { assumedOf } from '#core/document/description/assumed.ts';
import { ratioFrom } from '#core/document/description/parts.ts';
import type { RatioDocument } from '#core/document/types.ts';
import type { RatioDescription } from '#core/geometry/ratioMap.ts';
import { limits } from '#contract/limits.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { PairTable } from '../../forms/PairTable.tsx';
import { Select } from '../../ui/Select.tsx';
import { useBegunRatio } from './begunRatio.ts';
import { LinkageFields } from './LinkageFields.tsx';
import { ratioKindOf, ratioKinds, ratioKindWords, type RatioKind } from './ratioKind.ts';
import { putTogether, takenApart, type Figures, type NamedKind } from './ratioParts.ts';

interface Props {
  /** Null, or constant, where one number stands for the whole travel. */
  value: RatioDescription | RatioDocument | null;
  /** What stands for the whole travel: what a linkage is drawn by until its own places are typed. */
  ratio: number;
  travelMm: number;
  draftKey: string;
  /** Where the one number stands, if not here. */
  whenOne?: string;
  /** Null goes back to the one number. */
  put: (next: RatioDocument | null) => void;
}

/** The wheel hanging: there nothing has moved yet. */
const HANGING = [[0, 0]] as const;

/** Where a ratio that changes over the travel comes from: measured pairs, levers, or a linkage. */
export function RatioFields({ value, ratio, travelMm, draftKey, put, whenOne }: Props) {
  const begun = useBegunRatio(draftKey, put);
  const kind = begun.kind ?? ratioKindOf(value);
  const typed = (next: RatioDocument | null) => {
    begun.drop();
    put(next);
  };
  const choose = (to: RatioKind) => {
    if (to === 'one') typed(null);
    else if (to === ratioKindOf(value)) begun.drop();
    else begun.begin(to);
  };
  const figures = begun.kind ? begun.figures : value ? takenApart(value) : {};
  const set = (named: NamedKind) => (key: string, next: number | null) => {
    if (begun.kind) begun.set(key, next);
    else put(putTogether(named, { ...figures, [key]: next }));
  };
  return (
    <>
      <Select
        label="Motion ratio from"
        value={kind}
        options={ratioKinds.map((one) => ({ value: one, words: ratioKindWords[one] }))}
        onChange={(to) => choose(to as RatioKind)}
      />
      {kind === 'one' && whenOne && <p className="text-second mt-3">{whenOne}</p>}
      {begun.kind && (
        <p className="text-tight mt-2">
          Not counted yet:{' '}
          {begun.kind === 'table'
            ? 'it needs a pair beside the wheel hanging.'
            : `${begun.missing} ${begun.missing === 1 ? 'figure' : 'figures'} to go.`}
        </p>
      )}
      {kind === 'table' && (
        <PairTable
          columns={[
            { label: 'Wheel travel', quantity: 'length', range: { min: 0, max: 2000 } },
            { label: 'Damper compression', quantity: 'length', range: { min: 0, max: 2000 } },
          ]}
          rows={!begun.kind && value?.kind === 'table' ? value.rows : HANGING}
          fixed={begun.kind ? 1 : 0}
          row="pair"
          least={2}
          most={limits.tableRows}
          draftKey={draftKey}
          put={(rows) => typed({ kind: 'table', rows })}
        />
      )}
      {kind === 'levers' && <Levers figures={figures} draftKey={draftKey} set={set('levers')} />}
      {kind === 'linkage' && (
        <LinkageFields
          figures={figures}
          ratio={ratio}
          travelMm={travelMm}
          draftKey={draftKey}
          set={set('linkage')}
        />
      )}
    </>
  );
}

interface LeverProps {
  figures: Figures;
  draftKey: string;
  set: (key: string, value: number | null) => void;
}

const angle = ratioFrom.of.levers.damperAngleDeg;

function Levers({ figures, draftKey, set }: LeverProps) {
  const parts = [
    { name: 'damperLeverMm', label: 'Pivot to damper', quantity: 'size', range: limits.springMm },
    { name: 'wheelLeverMm', label: 'Pivot to wheel', quantity: 'size', range: limits.springMm },
    { name: 'damperAngleDeg', label: 'Damper to arm, °', quantity: 'number', range: angle.range },
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
          value={figures[name] ?? null}
          assumed={name === 'damperAngleDeg' ? assumedOf(angle) : null}
          onCommit={(next) => (next !== null || name === 'damperAngleDeg') && set(name, next)}
        />
      ))}
    </div>
  );
}
