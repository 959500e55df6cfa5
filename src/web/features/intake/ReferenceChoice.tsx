import type { Json } from '#core/document/types.ts';
import { kindsOn, referenceKinds } from '#core/geometry/reference.ts';
import { footingOf } from '#core/kinds/classes/index.ts';
import { axleOf, type CornerId } from '#core/kinds/corners.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Select } from '../../ui/Select.tsx';

/** From where to where is read, alike at these corners. */
export function ReferenceChoice({ label, corners }: { label: string; corners: readonly CornerId[] }) {
  const job = useThisJob();
  const { document } = job.record;
  const [first = 'LF'] = corners;
  return (
    <Select
      label={label}
      look="-ml-1 h-8 w-full bg-transparent text-[13px]"
      value={document.corners[first].reference.kind}
      options={kindsOn(footingOf(document.machine.class), { bench: true })
        // A fork alone has a clamp.
        .filter((one) => one !== 'clamp-axle' || axleOf(first) === 'front')
        .map((one) => ({
          value: one,
          words: referenceKinds[one].title,
        }))}
      onChange={(to) =>
        job.actions.change(
          label,
          ...corners.map((id): [string[], Json] => [['corners', id, 'reference', 'kind'], to]),
        )
      }
    />
  );
}
