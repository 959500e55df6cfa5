import type { Answer } from '#core/planning/answerShape.ts';
import { attitudeOf, type Attitude as Stands } from '#core/sag/attitude.ts';
import type { SagEnd } from '#core/sag/bench.ts';
import { attitudeSum } from '#words/explain/benchSums.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Plain } from '../../ui/Figure.tsx';

/** How front and rear stand to each other, now and after: drawn from the side, the tip four times as steep as it is. */
export function Attitude({ answer, ends }: { answer: Answer; ends: readonly SagEnd[] }) {
  const now = attitudeOf(answer, ends, 'now');
  const after = attitudeOf(answer, ends, 'after');
  if (!now || !after) return <p className="text-second">Read both ends first.</p>;
  return (
    <div className="flex flex-wrap items-center gap-x-8 gap-y-3">
      <Side now={now} after={after} />
      <table className="label">
        <thead>
          <tr className="text-second text-left">
            <th className="pr-6 font-normal" />
            <th className="pr-6 font-normal">front uses</th>
            <th className="pr-6 font-normal">rear uses</th>
            <th className="pr-6 font-normal">chassis</th>
            <th className="font-normal">balance</th>
          </tr>
        </thead>
        <tbody>
          {(
            [
              ['now', now],
              ['after', after],
            ] as const
          ).map(([word, one]) => (
            <tr key={word}>
              <th scope="row" className="text-second pr-6 text-left font-normal">
                {word}
              </th>
              <td className="pr-6 font-semibold">{Math.round(100 * one.front)} %</td>
              <td className="pr-6 font-semibold">{Math.round(100 * one.rear)} %</td>
              <td className="pr-6">
                <SumFigure name={`Attitude ${word}`} sum={() => attitudeSum(one)}>
                  <Plain value={Math.abs(one.noseDownDeg)} decimals={1} />°{' '}
                  {one.noseDownDeg >= 0 ? 'nose down' : 'nose up'}
                </SumFigure>
              </td>
              <td className={one.verdict === 'in proportion' ? '' : 'text-tight font-semibold'}>
                {one.verdict}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="label text-second basis-full">
        Of their travel, front and rear should use about as much. From fully extended at both ends; a machine
        that stands nose down turns quicker and is less stable.
      </p>
    </div>
  );
}

const STEEPER = 4;

function Side({ now, after }: { now: Stands; after: Stands }) {
  const line = ({ noseDownDeg }: Stands) => {
    const rise = 75 * Math.tan((STEEPER * noseDownDeg * Math.PI) / 180);
    return { x1: 35, y1: 42 - rise, x2: 185, y2: 42 + rise };
  };
  return (
    <svg
      viewBox="0 0 220 110"
      width="220"
      height="110"
      role="img"
      aria-label={`From the side: ${now.noseDownDeg.toFixed(1)}° nose down now, ${after.noseDownDeg.toFixed(1)}° after`}
      fill="none"
      stroke="currentColor"
    >
      <path d="M5 104H215" className="stroke-rule" />
      <circle cx="35" cy="82" r="21" className="stroke-second" />
      <circle cx="185" cy="82" r="21" className="stroke-second" />
      <line {...line(now)} strokeWidth="2" strokeDasharray="4 3" />
      <line {...line(after)} strokeWidth="3" className="stroke-action" />
      <text x="185" y="14" textAnchor="middle" stroke="none" fill="currentColor" fontSize="12">
        front
      </text>
      <text x="35" y="14" textAnchor="middle" stroke="none" fill="currentColor" fontSize="12">
        rear
      </text>
    </svg>
  );
}
