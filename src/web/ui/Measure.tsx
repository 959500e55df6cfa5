import { inReadersUnit, type MeasureName } from '#core/units/measure.ts';
import { useSettings } from './settings.ts';
import { Plain } from './Figure.tsx';

function Measure({ name, value, decimals = 0 }: { name: MeasureName; value: number; decimals?: number }) {
  const system = useSettings((state) => state.system);
  const { value: shown, unit } = inReadersUnit(name, value, system);
  return (
    <span className="figures whitespace-nowrap">
      <Plain value={shown} decimals={decimals} />
      <span className="text-[0.85em] font-normal">{`\u2009${unit}`}</span>
    </span>
  );
}

/** A weight in the reader's unit. */
export function Mass({ kg, decimals = 0 }: { kg: number; decimals?: number }) {
  return <Measure name="mass" value={kg} decimals={decimals} />;
}

/** A force in the reader's unit. */
export function Force({ n }: { n: number }) {
  return <Measure name="force" value={n} />;
}
