import { gainGroups } from '#core/estimate/corner.ts';
import { axleOf, twinOf } from '#core/kinds/corners.ts';
import { use } from 'react';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { ApartContext } from './alike.ts';

/** Over each axle, whether what is alike left and right is asked once. */
export function AxleHeads() {
  const { document } = useThisJob().record;
  const apart = use(ApartContext);
  const groups = gainGroups(document);
  if (!groups.some(({ id }) => twinOf(id))) return null;
  return (
    <tr className="narrow:group-data-numbers/corners:grid narrow:group-data-numbers/corners:grid-cols-2">
      <td className="narrow:hidden" />
      {groups.map(({ id, title }) => {
        if (!twinOf(id)) return <td key={id} />;
        const axle = axleOf(id);
        return (
          <td key={id} colSpan={2} className="px-2 pb-1 narrow:px-1">
            <label className="label text-second flex min-h-8 cursor-pointer items-center gap-1.5">
              <input
                type="checkbox"
                className="accent-action size-4"
                aria-label={`Same both sides, ${title}`}
                checked={!apart.axles.has(axle)}
                onChange={(event) => apart.show(axle, !event.target.checked)}
              />
              same both sides
            </label>
          </td>
        );
      })}
    </tr>
  );
}
