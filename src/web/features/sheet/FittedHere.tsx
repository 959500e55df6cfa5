import type { JobDocument } from '#core/document/types.ts';
import type { RoundsState } from '#core/estimate/rounds.ts';
import { sagAsRead } from '#core/sag/asRead.ts';
import type { Fitted } from '#core/estimate/fittedIn.ts';
import { limits } from '#contract/limits.ts';
import { isOf } from '#core/document/facts.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { meanOf } from '#core/numerics/mean.ts';
import { newPartMeans, newPartNames } from '#words/newParts.ts';
import { FactField } from '../../forms/fields.tsx';
import { TextField } from '../../forms/TextField.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Length } from '../../ui/Figure.tsx';
import { capital } from '../../ui/words.ts';

/** The end that a part went in at, or its only corner. */
const whereFitted = ({ axle, corner }: Pick<Fitted, 'axle' | 'corner'>) =>
  corner === null ? axle : cornerNames[corner];

/** What went in before a round was read: what it is called, what that means for the job, and the heights on both sides of it. */
export function FittedHere({ round }: { round: number }) {
  const { facts, record, actions } = useThisJob();
  const fitted = facts
    .map(({ fact }) => fact)
    .filter(isOf('fitted'))
    .filter((one) => one.round === round);
  if (fitted.length === 0) return null;
  return (
    <section aria-label="What is new" className="border-rule mx-4 mt-3 border-b pb-3">
      <h2 className="font-semibold">
        {fitted.every(({ part }) => part === 'right')
          ? `Put right: ${fitted.map(({ words }) => words).join('; ')}`
          : `New: ${fitted.map((one) => `${newPartNames[one.part]}, ${whereFitted(one)}`).join('; ')}`}
      </h2>
      <div className="mt-2 flex flex-wrap gap-x-10 gap-y-4">
        <div className="max-w-96 min-w-64 flex-1 space-y-4">
          {fitted.map((one) => (
            <div key={one.slot + (one.corner ?? '')}>
              <TextField
                label={`${capital(newPartNames[one.part])}, ${whereFitted(one)}: what it is called`}
                value={one.words}
                draftKey={`${record.id}|fitted.${round}.${one.slot}${one.corner ?? ''}`}
                maxLength={limits.labelLength}
                placeholder="as on its sheet"
                onCommit={(words) => actions.record('What is new named', { ...one, words })}
              />
              <p className="label text-second">{newPartMeans[one.part]}</p>
            </div>
          ))}
          <div data-fields className="relative w-40">
            <FactField
              place={{ kind: 'driven', round, corner: null, slot: 'km' }}
              label="Driven with it"
              showLabel
              order={1}
              quantity="distance"
              range={limits.recheckKm}
              placeholder="not yet"
            />
          </div>
        </div>
        <BeforeAndAfter round={round} />
      </div>
    </section>
  );
}

/** One thing that was read before something new went in, mm, and with it; null where it is not read yet. */
interface Compared {
  name: string;
  was: number;
  is: number | null;
}

function heightRows({ rounds }: RoundsState, document: JobDocument, round: number): Compared[] {
  const [before, here] = [rounds[round - 1], rounds[round]];
  return cornersIn(document).flatMap((id) => {
    const [was, is] = [before?.heights[id], here?.heights[id]];
    const { offsetMm } = document.corners[id].reference;
    return was
      ? [{ name: cornerNames[id], was: meanOf(was) + offsetMm, is: is ? meanOf(is) + offsetMm : null }]
      : [];
  });
}

/** Sags in the same way, each by what was read of its end up to then. */
function sagRows(state: RoundsState, document: JobDocument, round: number): Compared[] {
  const upTo = (last: number) => ({
    document,
    state: { ...state, rounds: state.rounds.slice(0, last + 1), current: last },
  });
  if (round === 0) return [];
  const people = [
    ...document.riders.map(({ key, name }) => ({ key, name })),
    { key: 'alone', name: 'nobody' },
  ];
  return cornersIn(document).flatMap((id) =>
    people.flatMap(({ key, name }) => {
      const was = sagAsRead(upTo(round - 1), id, key);
      const is = sagAsRead(upTo(round), id, key);
      return was
        ? [{ name: `sag ${cornerNames[id]}, ${name} on`, was: was.sagMm, is: is?.sagMm ?? null }]
        : [];
    }),
  );
}

/** What the tape read before and with it, and what it lifted; nothing while neither was read. */
function BeforeAndAfter({ round }: { round: number }) {
  const { state, record } = useThisJob();
  const rows = [...heightRows(state, record.document, round), ...sagRows(state, record.document, round)];
  if (rows.length === 0) return null;
  return (
    <table className="self-start text-right" aria-label="Before and with it">
      <thead className="label text-second">
        <tr>
          <th className="pr-4 text-left font-normal">as the tape read</th>
          <th className="px-3 font-normal">before</th>
          <th className="px-3 font-normal">with it</th>
          <th className="pl-3 font-normal">changed by</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ name, was, is }) => (
          <tr key={name} className="border-rule border-t">
            <th scope="row" className="py-1 pr-4 text-left font-medium">
              {capital(name)}
            </th>
            <td className="px-3">
              <Length mm={was} />
            </td>
            <td className="px-3">{is === null ? '—' : <Length mm={is} />}</td>
            <td className="pl-3 font-semibold">
              {is === null ? 'read it' : <Length mm={is - was} signed />}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
