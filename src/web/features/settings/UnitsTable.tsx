import { inReadersUnit, unitsOf, type MeasureName } from '#core/units/measure.ts';
import { useSettings } from '../../ui/settings.ts';

const rows: readonly (readonly [MeasureName, string])[] = [
  ['mass', 'Weight'],
  ['rate', 'Spring rate'],
  ['force', 'Force'],
  ['pressure', 'Pressure'],
  ['distance', 'Distance driven'],
  ['volume', 'Tank'],
  ['chamber', 'Air chamber'],
  ['area', 'Area'],
  ['torsion', 'Torsion rate'],
  ['angleGain', 'Camber gained'],
  ['torque', 'Torque'],
];
const systems = ['mm', 'in'] as const;
const denominators = [8, 16, 32] as const;

/** Units of every quantity, each by itself: whoever reads a tape in inches may still weigh in kg. */
export function UnitsTable() {
  const { system, own, setOwn, setSystem, denominator, setDenominator } = useSettings();
  return (
    <div className="grid gap-y-1">
      <Row label="Length">
        {systems.map((one) => (
          <Pick key={one} chosen={system === one} onClick={() => setSystem(one)}>
            {one}
          </Pick>
        ))}
      </Row>
      <Row label="Inches by tape to">
        {denominators.map((one) => (
          <Pick key={one} chosen={denominator === one} onClick={() => setDenominator(one)}>
            {`1/${one}`}
          </Pick>
        ))}
      </Row>
      {rows.map(([name, label]) => (
        <Row key={name} label={label}>
          {unitsOf(name).map((one) => (
            <Pick
              key={one}
              chosen={(own[name] ?? system) === one}
              onClick={() => setOwn(name, one === system ? null : one)}
            >
              {inReadersUnit(name, 0, one).unit}
            </Pick>
          ))}
        </Row>
      ))}
    </div>
  );
}

function Row({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div role="group" aria-label={label} className="grid grid-cols-[1fr_220px] items-center gap-x-4">
      <span aria-hidden>{label}</span>
      <span className="flex gap-2">{children}</span>
    </div>
  );
}

interface PickProps {
  chosen: boolean;
  onClick: () => void;
  children: string;
}

function Pick({ chosen, onClick, children }: PickProps) {
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={onClick}
      className={`min-h-9 min-w-16 flex-1 border px-2 ${chosen ? 'border-action text-action bg-wash font-semibold' : 'border-rule text-second'}`}
    >
      {children}
    </button>
  );
}
