import { isOf } from '#core/document/facts.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Length, SizeLength } from '../../ui/Figure.tsx';
import { capital } from '../../ui/words.ts';

/** What was turned and read before, round by round. */
export function PastRounds({ before }: { before: number }) {
  const { record, facts } = useThisJob();
  if (before === 0) return null;
  const corners = cornersIn(record.document);
  const all = facts.map(({ fact }) => fact);
  const read = (round: number, id: CornerId) =>
    all.filter(isOf('height')).find((one) => one.round === round && one.corner === id)?.mm;
  const turned = (round: number, id: CornerId) =>
    all.filter(isOf('adjustment')).find((one) => one.round === round && one.corner === id)?.mm;
  return (
    <section aria-label="Earlier rounds" className="mt-8 overflow-x-auto">
      <h2 className="border-rule text-head border-b pb-1 font-semibold">Earlier</h2>
      <table className="mt-2 text-left">
        <thead className="label text-second">
          <tr>
            <th className="pr-8 font-normal">Round</th>
            {corners.map((id) => (
              <th key={id} className="pr-8 font-normal">
                {capital(cornerNames[id])}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {Array.from({ length: before }, (_, round) => (
            <tr key={round} className="border-rule border-t align-top">
              <th className="py-1 pr-8 font-semibold">{round === 0 ? 'came in' : round}</th>
              {corners.map((id) => (
                <td key={id} className="pr-8">
                  {turned(round, id) !== undefined && (
                    <span className="text-second block">
                      seat <SizeLength mm={turned(round, id) ?? 0} signed />
                    </span>
                  )}
                  {read(round, id) === undefined ? '—' : <Length mm={read(round, id) ?? 0} />}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
