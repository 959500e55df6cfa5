import { inReadersUnit, type MeasureName } from '#core/units/measure.ts';
import { useUnitsOf } from './settings.ts';
import { Plain } from './Figure.tsx';

interface Props {
  name: MeasureName;
  value: number;
  /** One standard deviation, in the same unit. */
  sd?: number | undefined;
  decimals?: number;
}

function Measure({ name, value, sd, decimals = 0 }: Props) {
  const system = useUnitsOf(name);
  const { value: shown, unit } = inReadersUnit(name, value, system);
  return (
    <span className="figures whitespace-nowrap">
      <Plain value={shown} decimals={decimals} />
      {sd !== undefined && (
        <>
          {' ± '}
          {/* Nothing is known better than its last digit. */}
          <Plain
            value={Math.max(inReadersUnit(name, sd, system).value, 10 ** -decimals)}
            decimals={decimals}
          />
        </>
      )}
      <span className="text-[0.85em] font-normal">{`\u2009${unit}`}</span>
    </span>
  );
}

/** A weight in the reader's unit. */
export function Mass({ kg, sd, decimals = 0 }: { kg: number; sd?: number; decimals?: number }) {
  return <Measure name="mass" value={kg} sd={sd} decimals={decimals} />;
}

/** How far something is driven, in the reader's unit. */
export function Distance({ km }: { km: number }) {
  return <Measure name="distance" value={km} />;
}

/** A bolt's torque in the reader's unit. */
export function Torque({ nm }: { nm: number }) {
  return <Measure name="torque" value={nm} />;
}

/** A force in the reader's unit. */
export function Force({ n }: { n: number }) {
  return <Measure name="force" value={n} />;
}
