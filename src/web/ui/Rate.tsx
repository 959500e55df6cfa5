import { inReadersUnit } from '#core/units/measure.ts';
import { useUnitsOf } from './settings.ts';
import { Plain } from './Figure.tsx';

/** A rate in the reader's unit. */
export function Rate({ nPerMm }: { nPerMm: number }) {
  const system = useUnitsOf('rate');
  const { value, unit } = inReadersUnit('rate', nPerMm, system);
  return (
    <span className="figures whitespace-nowrap">
      <Plain value={value} decimals={value < 20 ? 2 : system === 'mm' ? 1 : 0} />
      <span className="text-[0.72em] font-normal">{`\u2009${unit}`}</span>
    </span>
  );
}
