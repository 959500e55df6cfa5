import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { axleOf, type CornerId } from '#core/kinds/corners.ts';
import type { Axle } from '#core/kinds/corners.ts';
import { referenceKinds } from '#core/geometry/reference.ts';
import { meanOf } from '#core/numerics/mean.ts';
import { anglesAfter, USUAL_RADIUS_MM } from '#core/stance/anglesAfter.ts';
import { wheelbaseOf } from '#core/stance/body.ts';
import { lowPoints } from '#core/stance/lowPoints.ts';
import { lengthText } from '#core/units/formatLength.ts';
import { useLengthStyle } from '../../ui/settings.ts';
import { SideView, type SideState } from '../../drawing/SideView.tsx';

/** Before and after from the side, nose left, on the ground line. */
export function Side({ answer }: { answer: Answer }) {
  const job = useThisJob();
  const style = useLengthStyle(0);
  const { document } = answer;
  const radiusMm = {
    front: (document.stance.tyreMm.front ?? 2 * USUAL_RADIUS_MM) / 2,
    rear: (document.stance.tyreMm.rear ?? 2 * USUAL_RADIUS_MM) / 2,
  };
  const angles = anglesAfter(answer);
  return (
    <figure className="mt-2">
      <div>
        <SideView
          machineClass={document.machine.class}
          wheelbaseMm={wheelbaseOf(answer)}
          radiusMm={radiusMm}
          before={stateOf(answer, radiusMm, 'before')}
          after={stateOf(answer, radiusMm, 'after')}
          points={lowPoints(answer).map(({ name, xMm, nowMm, afterMm, leastMm }) => ({
            name,
            xMm,
            beforeMm: nowMm,
            afterMm,
            short: leastMm !== null && afterMm < leastMm,
          }))}
          approachDeg={angles.approach?.deg ?? null}
          departureDeg={angles.departure?.deg ?? null}
          say={(mm) => lengthText(mm, style)}
        />
      </div>
      <figcaption className="label text-second">
        Figures in the wheels: what the body rises or drops there by the plan, against how it came in.
        {document.stance.tyreMm.front === null && ' Tyres are drawn as usual until somebody measures them.'}
        {job.state.locked && ' As locked.'}
      </figcaption>
    </figure>
  );
}

/** Arch heights over the ground, mm: as read where the arch is measured, else a usual arch moved by what the body moves. */
function stateOf(answer: Answer, radiusMm: Record<Axle, number>, when: 'before' | 'after'): SideState {
  const { corners, posterior, document } = answer;
  const first = posterior.heightsByRound[0] ?? [];
  const archAt = (axle: Axle) => {
    const own = corners
      .map((corner, r) => ({ corner, r }))
      .filter(({ corner }) => axleOf(corner.id) === axle);
    const at = own.map(({ corner, r }) => {
      const was = first[r] ?? corner.nowMm;
      const mm = when === 'before' ? was : corner.predictedMm;
      return onGround(document.corners[corner.id].reference.kind, { mm, was, radius: radiusMm[axle] });
    });
    return at.length === 0 ? 2.2 * radiusMm[axle] : meanOf(at);
  };
  return { frontArchMm: archAt('front'), rearArchMm: archAt('rear') };
}

function onGround(
  kind: Answer['document']['corners'][CornerId]['reference']['kind'],
  { mm, was, radius }: { mm: number; was: number; radius: number },
): number {
  if (kind === 'hub-arch') return radius + mm;
  if (kind === 'ground-arch') return mm;
  const moved = referenceKinds[kind].follows === 'damper' ? 0 : mm - was;
  return 2.2 * radius + moved;
}
