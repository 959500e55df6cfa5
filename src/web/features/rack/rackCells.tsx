import type { ReactNode } from 'react';
import { rateOf, solidOf, torsionRateOf, type RackSpring, type RackValues } from '#core/rack/spring.ts';
import { limits } from '#contract/limits.ts';
import { useTell } from '../../ui/settings.ts';
import { useStyleOf } from '../../forms/useStyleOf.ts';
import { quantities, type QuantityName, type Range } from '../../forms/quantity.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { TextField } from '../../forms/TextField.tsx';
import type { RackEdits } from './useRackEdits.ts';

interface CellProps {
  spring: RackSpring;
  edits: RackEdits;
  order: number;
}

interface Column {
  id: string;
  title: string;
  width?: string;
  quantity?: QuantityName;
  /** What stands there to be read. */
  Read: (props: { spring: RackSpring }) => ReactNode;
  /** The same to be typed over. */
  Cell: (props: CellProps) => ReactNode;
}

type NumberKey =
  | 'rateNPerMm'
  | 'freeLengthMm'
  | 'solidLengthMm'
  | 'innerMm'
  | 'wireMm'
  | 'coils'
  | 'maxN'
  | 'stock';

interface NumberColumn {
  id: string;
  title: string;
  key: NumberKey;
  quantity: QuantityName;
  range: (spring: RackValues) => Range;
  /** What follows from other figures, shown where the figure is not given. */
  worked?: (spring: RackValues) => { value: number } | null;
}

const numbers: NumberColumn[] = [
  { id: 'rate', title: 'rate', key: 'rateNPerMm', quantity: 'rate', range: () => limits.springRateNPerMm, worked: rateOf },
  { id: 'free', title: 'free', key: 'freeLengthMm', quantity: 'size', range: (spring) => ({ ...limits.springMm, min: (solidOf(spring)?.value ?? 0) + 1 }) },
  { id: 'solid', title: 'solid', key: 'solidLengthMm', quantity: 'size', range: ({ freeLengthMm }) => ({ ...limits.springMm, max: freeLengthMm === null ? limits.springMm.max : freeLengthMm - 1 }), worked: solidOf },
  { id: 'inner', title: 'inner', key: 'innerMm', quantity: 'size', range: () => limits.springMm },
  { id: 'wire', title: 'wire', key: 'wireMm', quantity: 'size', range: () => limits.wireMm },
  { id: 'coils', title: 'coils', key: 'coils', quantity: 'number', range: () => limits.coils },
  { id: 'max', title: 'carries', key: 'maxN', quantity: 'force', range: () => limits.springN },
  { id: 'stock', title: 'in stock', key: 'stock', quantity: 'number', range: () => limits.stock },
]; // oxfmt-ignore

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

function numberCell({ id, title, key, quantity, range, worked }: NumberColumn): Column {
  return {
    id,
    title,
    quantity,
    Read: function ReadNumber({ spring }) {
      const style = useStyleOf(quantity);
      const tell = useTell();
      const torsion = key === 'rateNPerMm' ? torsionRateOf(spring) : null;
      if (torsion)
        return (
          <span className={torsion.computed ? 'text-second' : 'figures'}>
            {torsion.computed && '= '}
            {tell('torsion', torsion.value)}
          </span>
        );
      const given = spring[key];
      if (given !== null) return <span className="figures">{quantities[quantity].write(given, style)}</span>;
      const follows = worked?.(spring) ?? null;
      return (
        follows && <span className="text-second">= {quantities[quantity].write(follows.value, style)}</span>
      );
    },
    Cell: function NumberCell({ spring, edits, order }) {
      const style = useStyleOf(quantity);
      const follows = spring[key] === null ? (worked?.(spring) ?? null) : null;
      return (
        <NumberField
          narrow
          showUnit={false}
          label={`${capital(title)}, ${spring.name}`}
          order={order}
          draftKey={`rack.${spring.id}.${key}`}
          quantity={quantity}
          range={range(spring)}
          value={spring[key]}
          placeholder={follows ? `= ${quantities[quantity].write(follows.value, style)}` : ''}
          onCommit={(value) =>
            edits.edit(spring, key === 'stock' ? { stock: Math.round(value ?? 0) } : { [key]: value })
          }
        />
      );
    },
  };
}

/** The columns of the rack, with how each is shown and typed over. */
export const cells: Column[] = [
  {
    id: 'name',
    title: 'spring',
    width: '17%',
    Read: ({ spring }) => <b className="font-semibold">{spring.name}</b>,
    Cell: ({ spring, edits }) => (
      <TextField
        label={`Name, ${spring.name}`}
        hideLabel
        value={spring.name}
        draftKey={`rack.${spring.id}.name`}
        maxLength={limits.nameLength}
        required
        onCommit={(name) => edits.edit(spring, { name })}
      />
    ),
  },
  ...numbers.map(numberCell),
  {
    id: 'tender',
    title: 'tender',
    Read: ({ spring }) => (spring.tender ? 'yes' : ''),
    Cell: ({ spring, edits }) => (
      <input
        type="checkbox"
        className="accent-action size-4"
        aria-label={`Tender, ${spring.name}`}
        checked={spring.tender}
        onChange={(event) => edits.edit(spring, { tender: event.target.checked })}
      />
    ),
  },
  {
    id: 'note',
    title: 'note',
    width: '16%',
    Read: ({ spring }) => <span className="text-second">{spring.note}</span>,
    Cell: ({ spring, edits }) => (
      <TextField
        label={`Note, ${spring.name}`}
        hideLabel
        value={spring.note}
        draftKey={`rack.${spring.id}.note`}
        maxLength={limits.rackNote}
        onCommit={(note) => edits.edit(spring, { note })}
      />
    ),
  },
];
