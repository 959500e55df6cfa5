import { NumberField } from '../../forms/NumberField.tsx';
import type { QuantityName, Range } from '../../forms/quantity.ts';

interface Props {
  label: string;
  showLabel?: boolean;
  showUnit?: boolean;
  /** Names the field on the bench: unique in a setup. */
  name: string;
  setup: number;
  order: number;
  quantity: QuantityName;
  range: Range;
  value: number | null;
  decimals?: number;
  placeholder?: string;
  onCommit: (value: number | null) => void;
}

/** A number on the bench: the one field, with the setup's own draft. */
export function LabField({ name, setup, showLabel = true, decimals = 1, ...rest }: Props) {
  return (
    <NumberField {...rest} showLabel={showLabel} decimals={decimals} draftKey={`lab.${setup}.${name}`} />
  );
}
