import { Section } from './Section.tsx';
import { UnitsTable } from './UnitsTable.tsx';

/** Units, as this device shows them. */
export function UnitsSection() {
  return (
    <Section id="units" title="Units, on this device">
      <p className="mt-1 mb-3">
        What is not chosen by itself goes with the length. A figure typed with its unit counts anywhere.
      </p>
      <div className="max-w-[520px]">
        <UnitsTable />
      </div>
    </Section>
  );
}
