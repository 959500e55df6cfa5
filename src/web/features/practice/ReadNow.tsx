import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { SeenTo } from './SeenTo.tsx';
import { Settled } from '../measure/Settled.tsx';
import { FactField, ranges } from '../../forms/fields.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Length } from '../../ui/Figure.tsx';
import { capital } from '../../ui/words.ts';

/** What is read in this round, beside what is wanted. */
export function ReadNow({ round }: { round: number }) {
  const { record } = useThisJob();
  const { document } = record;
  return (
    <section aria-label="Readings" className="mt-5">
      <h2 className="border-rule text-head border-b pb-1 font-semibold">
        {round === 0 ? 'As it came in' : `After round ${round}`}
      </h2>
      <div className="mt-2">
        <SeenTo />
        <Settled round={round} />
      </div>
      <table className="mt-2 text-left">
        <thead className="label text-second">
          <tr>
            <th className="pr-8 font-normal">Corner</th>
            <th className="pr-8 font-normal">You read</th>
            <th className="font-normal">Wanted</th>
          </tr>
        </thead>
        <tbody data-fields>
          {cornersIn(document).map((id, k) => (
            <tr key={id} className="border-rule border-t">
              <th className="py-1 pr-8 font-semibold">{capital(cornerNames[id])}</th>
              <td className="relative w-44 pr-8">
                <FactField
                  place={{ kind: 'height', round, corner: id, slot: '1' }}
                  label={`Read, ${cornerNames[id]}`}
                  order={k + 1}
                  range={ranges.height}
                />
              </td>
              <td>
                <Length mm={document.corners[id].targetMm ?? 0} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
