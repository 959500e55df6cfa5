import type { ReactNode } from 'react';
import { whoWords } from '#words/sagPrompts.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import type { JobDocument, RiderDocument, SagLimits } from '#core/document/types.ts';
import { sagWish, setEnds } from '#core/document/sagWish.ts';
import { sagAsRead } from '#core/sag/asRead.ts';
import { shaftAsRead, shaftScale } from '#core/sag/atShaft.ts';
import { useTell } from '../../ui/settings.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { sagFigure } from '#core/figures/sagFigure.ts';
import { sagEnds, type SagEnd } from '#core/sag/bench.ts';
import { capital } from '../../ui/words.ts';
import { Length } from '../../ui/Figure.tsx';
import { EstimatedLength, MeasuredLength } from '../../ui/FigureKinds.tsx';

/** Both sags of every end as they stand, with what was wanted; nothing where nobody rides. */
export function HandoverSag({ answer }: { answer: Answer }) {
  const set = setEnds(answer.document);
  const ends = sagEnds(answer).filter(({ id }) => set.includes(id));
  const [rider] = answer.document.riders;
  const ridden = set.some((id) => sagWish(answer.document, id)?.who !== 'alone');
  if (!rider || ends.length === 0) return null;
  return (
    <>
      {ridden && <RiderLine document={answer.document} rider={rider} />}
      <table className="mt-4 w-full max-w-[520px] text-right">
        <thead>
          <tr>
            <th className="label text-second py-1 text-left font-normal">sag</th>
            {ends.map(({ id }) => (
              <th key={id} scope="col" className="pl-3 font-medium">
                {capital(cornerNames[id])}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rowsOf(answer, rider.key).map(({ words, cell }, k) => (
            <tr key={k} className="border-rule border-t align-baseline">
              <th scope="row" className="label text-second py-1.5 text-left font-normal">
                {words}
              </th>
              {ends.map((end) => (
                <td key={end.id} className="pl-3">
                  {cell(end)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** What is told of every end. */
function rowsOf(answer: Answer, rider: string): { words: string; cell: (end: SagEnd) => ReactNode }[] {
  const { document } = answer;
  const wanted = (window: 'sagWindow' | 'staticWindow') => (end: SagEnd) => (
    <Wanted window={document.corners[end.id][window]} scale={shaftScale(document, end.id)} />
  );
  return [
    { words: 'before', cell: (end) => <Before answer={answer} end={end} rider={rider} /> },
    {
      words: whoWords(document, rider),
      cell: (end) =>
        sagWish(document, end.id)?.who === 'alone' ? (
          '—'
        ) : (
          <b>
            <SagNow answer={answer} end={end} who={rider} />
          </b>
        ),
    },
    { words: 'wanted', cell: wanted('sagWindow') },
    {
      words: 'nobody on',
      cell: (end) => <b>{end.aloneKnown ? <SagNow answer={answer} end={end} who="alone" /> : 'not read'}</b>,
    },
    { words: 'wanted', cell: wanted('staticWindow') },
  ];
}

/** Who was on, and in what: a sag counts for that. */
function RiderLine({ document, rider }: { document: JobDocument; rider: RiderDocument }) {
  const tell = useTell();
  const { sagRead } = document;
  const left = [
    !sagRead.gear && rider.gearKg > 0 && `${tell('mass', rider.gearKg)} of gear`,
    !sagRead.luggage && rider.luggageKg > 0 && 'luggage',
    sagRead.fuel < 1 && 'fuel to full',
  ].filter(Boolean);
  return (
    <p className="mt-4">
      {capital(rider.name)}, {rider.kg === null ? 'not weighed' : `${tell('mass', rider.kg)} in full gear`}
      {rider.passengerKg > 0 && `, passenger ${tell('mass', rider.passengerKg)}`}
      {rider.luggageKg > 0 && `, luggage ${tell('mass', rider.luggageKg)}`}
      {left.length > 0 && `. Not on while reading: ${left.join(', ')}`}.
    </p>
  );
}

/** The sag that it is set by as it came; a dash where that was not read whole. */
function Before({ answer, end: { id }, rider }: { answer: Answer; end: SagEnd; rider: string }) {
  // As it came there is no before.
  if (answer.state.current === 0) return <>—</>;
  const who = sagWish(answer.document, id)?.who === 'alone' ? 'alone' : rider;
  const mm = sagAsRead(answer, id, who, 0)?.sagMm ?? shaftAsRead(answer, id, who, 0);
  return mm === null ? <>—</> : <Length mm={mm} />;
}

/** As it was read; where it was not, what the machine as the readings have it comes to there. */
function SagNow({ answer, end, who }: { answer: Answer; end: SagEnd; who: string }) {
  const { measured, shaft, estimated } = sagFigure(answer, end, who);
  const read = measured ?? shaft;
  const scale = measured ? 1 : shaftScale(answer.document, end.id);
  const { value, sd } = estimated;
  return (
    <>
      {read ? (
        <MeasuredLength figure={read} className="" />
      ) : (
        <EstimatedLength figure={{ ...estimated, value: scale * value, sd: scale * sd }} note="" />
      )}
      {(scale !== 1 || (read !== null && !measured)) && (
        <span className="label text-second"> at the shaft</span>
      )}
    </>
  );
}

/** The window where the sag is read: `scale` is mm of shaft per mm of wheel for one that is read on its shaft, else 1. */
function Wanted({ window, scale }: { window: SagLimits | null; scale: number }) {
  if (!window) return <>—</>;
  return (
    <>
      <Length mm={scale * window.fromMm} decimals={0} bare /> to{' '}
      <Length mm={scale * window.toMm} decimals={0} />
      {scale !== 1 && <span className="label text-second"> at the shaft</span>}
    </>
  );
}
