import { useThisJob } from '../../jobStore/jobContext.ts';
import { risenSince } from '#core/stance/risen.ts';
import { factAt } from '#core/document/facts.ts';
import type { ClearanceDocument } from '#core/document/types.ts';
import { distanceAfter, sinceMeasured } from '#core/stance/clearance.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { clearanceSum } from '#words/explain/planSums.ts';
import { limits } from '#contract/limits.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Length } from '../../ui/Figure.tsx';
import { FactField } from '../../forms/fields.tsx';

/** Clearances that were described: what they should be at this height, what they are, and the least. */
export function Clearances({ round }: { round: number }) {
  const job = useThisJob();
  const { document } = job.record;
  const lines = cornersIn(document).flatMap((id) =>
    document.corners[id].clearances.map((one, k) => ({ id, k, one })),
  );
  if (lines.length === 0) return null;
  return (
    <section aria-label="Clearances at this height" data-fields>
      <h3 className="font-semibold">Clearances at this height</h3>
      <table className="w-full">
        <thead className="label text-second text-left">
          <tr>
            <th className="font-normal">where</th>
            <th className="px-2 text-right font-normal">expected</th>
            <th className="px-2 text-right font-normal">at least</th>
            <th className="w-28 px-2 font-normal">measured</th>
          </tr>
        </thead>
        <tbody>
          {lines.map(({ id, k, one }, i) => {
            const { name, leastMm } = one;
            const place = { kind: 'clearance' as const, round, corner: id, slot: String(k) };
            const measured = factAt(job.facts, place)?.fact.mm ?? null;
            return (
              <tr key={id + String(k)} className="border-rule relative border-t">
                <td className="py-1">
                  {name} <span className="label text-second">{cornerNames[id]}</span>
                </td>
                <td className="px-2 text-right">
                  {job.answer ? (
                    <Expected
                      one={one}
                      id={id}
                      risenMm={sinceMeasured(job.answer, id, one, risenSince(job.answer, id))}
                    />
                  ) : (
                    '—'
                  )}
                </td>
                <td className="px-2 text-right">
                  <Length mm={leastMm} />
                </td>
                <td className="px-2">
                  <FactField
                    place={place}
                    label={`Measured, ${name}, ${cornerNames[id]}`}
                    order={250 + i}
                    range={limits.clearanceMm}
                  />
                  {measured !== null && measured < leastMm && (
                    <p className="text-short label mt-4 font-semibold">
                      short by <Length mm={leastMm - measured} />
                    </p>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function Expected({ one, id, risenMm }: { one: ClearanceDocument; id: CornerId; risenMm: number }) {
  return (
    <SumFigure name={`${one.name}, ${cornerNames[id]}`} sum={() => clearanceSum(one, id, risenMm)}>
      <Length mm={distanceAfter(one, risenMm)} />
    </SumFigure>
  );
}
