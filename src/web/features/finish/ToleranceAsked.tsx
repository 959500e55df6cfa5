import { PathField } from '../../forms/fields.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { SizeLength } from '../../ui/Figure.tsx';

/** Asks how near is near enough, as long as that is only assumed: it decides whether the machine is done. */
export function ToleranceAsked() {
  const { answer, state } = useThisJob();
  if (answer?.tolerance.source !== 'assumed' || state.locked) return null;
  // A job by sag alone has no height to be near to.
  if (answer.corners.every(({ spec }) => spec.targetMm === null)) return null;
  return (
    <div data-fields className="relative mt-2 flex flex-wrap items-end gap-x-4 print:hidden">
      <p className="text-second pb-2">
        ± <SizeLength mm={answer.tolerance.value} /> is assumed. Is that near enough? If not, type how near.
      </p>
      <div className="w-44">
        <PathField path={['toleranceMm']} label="Tolerance, each corner ±" showLabel order={1} />
      </div>
    </div>
  );
}
