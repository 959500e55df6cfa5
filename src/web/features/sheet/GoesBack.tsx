import { measureIn } from '#core/units/measure.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useUnitsOf } from '../../ui/settings.ts';

/** How a corner goes back together, as it was noted; nothing where nobody noted it. */
export function MarksOf({ id }: { id: CornerId }) {
  const { marks } = useThisJob().record.document.corners[id];
  return marks === '' ? null : (
    <p className="mt-2" data-testid={`marks-${id}`}>
      <span className="text-second">goes back: </span>
      {marks}
    </p>
  );
}

/** What the bolts are tightened to; nothing where no torque is known. */
export function Torques() {
  const { torques } = useThisJob().record.document;
  const system = useUnitsOf('torque');
  if (torques.length === 0) return null;
  return (
    <p className="mt-3 px-4 print:px-0" data-testid="torques">
      <b>Torques:</b> {torques.map(({ what, nm }) => `${what} ${measureIn('torque', nm, system)}`).join('; ')}
    </p>
  );
}
