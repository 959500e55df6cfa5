import type { CSSProperties, ReactNode } from 'react';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { twinOf, cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Term } from '../../ui/Term.tsx';
import { capital, cornerNumbers } from '../../ui/words.ts';

const GRID = 'grid gap-x-4 wide:grid-cols-[148px_repeat(var(--corners),minmax(0,1fr))] narrow:grid-cols-2';

/** As many columns as the machine has corners, so that what is said of one stands under it. */
function useColumns(): CSSProperties {
  const { document } = useThisJob().record;
  return { '--corners': cornersIn(document).length } as CSSProperties;
}

/** The corners' names over their columns. */
export function SetupColumns() {
  const { document } = useThisJob().record;
  return (
    <div className={`${GRID} narrow:hidden`} style={useColumns()} aria-hidden>
      <span />
      {cornersIn(document).map((id) => (
        <span key={id} className="py-1 font-semibold">
          <span className="figures text-second">{cornerNumbers[id]}</span> {capital(cornerNames[id])}
        </span>
      ))}
    </div>
  );
}

/** One thing that is asked, with a cell for every corner or group of corners. */
export function SetupRow({ label, help, children }: { label: string; help: ReactNode; children: ReactNode }) {
  return (
    <div className={`border-rule mb-5 items-start border-t pt-2 ${GRID}`} style={useColumns()}>
      <div className="narrow:col-span-2">
        <p className="font-medium">
          <Term>{label}</Term>
        </p>
        <div className="label text-second">{help}</div>
      </div>
      {children}
    </div>
  );
}

/** The first answer, set apart from what is asked. */
export function SetupAnswer({
  label,
  help,
  children,
}: {
  label: string;
  help: ReactNode;
  children: ReactNode;
}) {
  return (
    <div
      className={`border-action bg-wash/40 -mx-4 mb-4 border-y px-4 py-3 ${GRID}`}
      style={useColumns()}
      aria-live="polite"
      data-testid="first-answer"
    >
      <p className="font-medium narrow:col-span-2">
        {label}
        <span className="label text-second block">{help}</span>
      </p>
      {children}
    </div>
  );
}

/** How wide a cell is that speaks for both sides of an axle: over both of its columns. */
export function cellSpan(id: CornerId): string {
  return twinOf(id) ? 'col-span-2 min-w-0' : 'min-w-0';
}
