import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { isOf } from '#core/document/facts.ts';
import { FactField, ranges } from '../../forms/fields.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { SizeLength } from '../../ui/Figure.tsx';
import { capital } from '../../ui/words.ts';

/** The wheels hang: how far each collar is turned. */
export function TurnNow({ round, onDown }: { round: number; onDown: () => void }) {
  const { record, facts } = useThisJob();
  const { document } = record;
  const turned = facts.some(({ fact }) => isOf('adjustment')(fact) && fact.round === round);
  return (
    <section aria-label="Turning" className="mt-5">
      <h2 className="border-rule text-head border-b pb-1 font-semibold">Round {round}: the wheels hang</h2>
      <p className="mt-1">
        mm of collar: towards the spring raises, with a minus away from it lowers. One turn is{' '}
        <SizeLength mm={document.corners[cornersIn(document)[0] ?? 'LF'].pitchMm ?? 2} />.
      </p>
      <table className="mt-2 text-left">
        <tbody data-fields>
          {cornersIn(document).map((id, k) => (
            <tr key={id} className="border-rule border-t">
              <th className="py-1 pr-8 font-semibold">{capital(cornerNames[id])}</th>
              <td className="relative w-40">
                <FactField
                  place={{ kind: 'adjustment', round, corner: id, slot: 'done' }}
                  label={`Turned, ${cornerNames[id]}`}
                  order={k + 1}
                  quantity="size"
                  range={ranges.move}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button look="main" className="mt-4 min-h-11 px-4" onClick={onDown}>
        {turned ? 'Let it down' : 'Let it down, nothing turned'}
      </Button>
    </section>
  );
}
