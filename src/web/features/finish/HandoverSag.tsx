import { whoWords } from '#words/sagPrompts.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import type { SagLimits } from '#core/document/types.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { sagFigure } from '#core/figures/sagFigure.ts';
import { sagEnds, type SagEnd } from '#core/sag/bench.ts';
import { capital } from '../../ui/words.ts';
import { Length } from '../../ui/Figure.tsx';
import { EstimatedLength, MeasuredLength } from '../../ui/FigureKinds.tsx';

/** Both sags of every end as they stand, with what was wanted; nothing where nobody rides. */
export function HandoverSag({ answer }: { answer: Answer }) {
  const ends = sagEnds(answer);
  const [rider] = answer.document.riders;
  if (!rider || ends.length === 0) return null;
  return (
    <table className="mt-4 w-full">
      <thead className="label text-second text-right">
        <tr>
          <th className="py-1 text-left font-normal">sag</th>
          <th className="font-normal">{whoWords(answer.document, rider.key)}</th>
          <th className="font-normal">wanted</th>
          <th className="font-normal">nobody on</th>
          <th className="font-normal">wanted</th>
        </tr>
      </thead>
      <tbody>
        {ends.map((end) => {
          const { id } = end;
          const { sagWindow, staticWindow } = answer.document.corners[id];
          return (
            <tr key={id} className="border-rule border-t text-right">
              <td className="py-1.5 text-left font-medium">{capital(cornerNames[id])}</td>
              <td className="font-semibold">
                <SagNow answer={answer} end={end} who={rider.key} />
              </td>
              <td>
                <Wanted window={sagWindow} />
              </td>
              <td className="font-semibold">
                <SagNow answer={answer} end={end} who="alone" />
              </td>
              <td>
                <Wanted window={staticWindow} />
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** As it was read; where it was not, what the machine as the readings have it comes to. */
function SagNow({ answer, end, who }: { answer: Answer; end: SagEnd; who: string }) {
  const { measured, estimated } = sagFigure(answer, end, who);
  return measured ? (
    <MeasuredLength figure={measured} className="" />
  ) : (
    <EstimatedLength figure={estimated} note="" />
  );
}

function Wanted({ window }: { window: SagLimits | null }) {
  if (!window) return <>—</>;
  return (
    <>
      <Length mm={window.fromMm} decimals={0} bare /> to <Length mm={window.toMm} decimals={0} />
    </>
  );
}
