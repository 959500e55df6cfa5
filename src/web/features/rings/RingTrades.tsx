import { useSay } from '../../ui/settings.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { benchFrom } from '#core/lab/fromJob.ts';
import { ringTrade } from '#core/lab/rings.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { type CornerAnswer } from '#core/planning/cornerAnswer.ts';
import { capital } from '../../ui/words.ts';
import { TradeCells } from '../lab/TradeCells.tsx';
import { Panel } from '../sheet/Panel.tsx';

interface TableProps {
  answer: Answer;
  ringed: CornerAnswer[];
}

/** Comfort against bottoming for every ring, 10 mm either way. */
export function RingTrades({ answer, ringed }: TableProps) {
  const say = useSay(0);
  const rows = ringed.flatMap(({ id, rings }) => {
    const bench = benchFrom(answer, id, cornerNames[id]);
    return bench ? rings.map(({ after }, k) => ({ id, after, trade: ringTrade(bench, k) })) : [];
  });
  if (rows.length === 0) return null;
  return (
    <div className="mx-4 mt-3">
      <Panel title="Comfort against bottoming" words={`${say(10)} of gap either way`}>
        <table className="w-full min-w-[560px]">
          <thead className="label text-second text-left">
            <tr>
              <th className="font-normal">ring</th>
              <th className="pr-3 font-normal">gap</th>
              <th className="pr-3 font-normal">comfort: rate in the first half of bump</th>
              <th className="font-normal">bottoming: springs take in by full bump</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ id, after, trade }) =>
              trade.map((one, k) => (
                <tr key={`${id}${after}${k}`} className={k === 0 ? 'border-rule border-t' : ''}>
                  <td className="pr-3">{k === 0 && `${capital(cornerNames[id])}, ring ${after + 1}`}</td>
                  <TradeCells trade={one} />
                </tr>
              )),
            )}
          </tbody>
        </table>
      </Panel>
    </div>
  );
}
