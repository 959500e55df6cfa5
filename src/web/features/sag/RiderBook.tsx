import { FromSecondEdge } from '../job/SecondEdge.tsx';
import { camPosition } from '#core/document/taken.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Plus, X } from 'lucide-react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import type { RiderDocument } from '#core/document/types.ts';
import { isBothLegs } from '#core/document/fitting.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { bookPages, type BookPage } from '#core/sag/book.ts';
import { ASSUMED_RIDER_KG, nextRiderKey } from '#core/document/riders.ts';
import { bookSagSum } from '#words/explain/benchSums.ts';
import { seatMoveSum } from '#words/explain/cornerSums.ts';
import { limits } from '#contract/limits.ts';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { PredictedLength } from '../../ui/FigureKinds.tsx';
import { SumFigure } from '../sums/SumFigure.tsx';
import { PitchAssumed, SeatMove, airMove } from '../job/MoveWords.tsx';
import { Button } from '../../ui/Button.tsx';
import { SizeLength } from '../../ui/Figure.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { TextField } from '../../forms/TextField.tsx';
import { FactField } from '../../forms/fields.tsx';
import { sagRound } from './sagRound.ts';

interface Props {
  answer: Answer;
  fresh: boolean;
}

/** Everybody who rides it, and where the adjusters go for each; one reading with him on confirms it. */
export function RiderBook({ answer, fresh }: Props) {
  const job = useThisJob();
  const { riders } = job.record.document;
  const pages = useMemo(() => bookPages(answer), [answer]);
  const put = (next: RiderDocument[], label: string) => job.actions.change(label, [['riders'], next]);
  return (
    <div data-fields className="relative">
      <table className="w-full min-w-[700px] table-fixed">
        <caption className="sr-only">Book of riders</caption>
        <Headings />
        <tbody>
          {riders.map((rider, k) => (
            <RiderRow
              key={rider.key}
              rider={rider}
              rank={k}
              page={pages.find((one) => one.rider.key === rider.key) ?? null}
              answer={answer}
              put={(part, label) =>
                put(
                  riders.map((one, j) => (j === k ? { ...one, ...part } : one)),
                  label,
                )
              }
              ride={() => put([rider, ...riders.filter((_, j) => j !== k)], `Set for ${rider.name}`)}
              remove={
                k === 0
                  ? null
                  : () =>
                      put(
                        riders.filter((_, j) => j !== k),
                        `${rider.name} out of the book`,
                      )
              }
            />
          ))}
        </tbody>
      </table>
      <div className="mt-3 flex flex-wrap items-center gap-4">
        <Button
          disabled={riders.length >= limits.riders}
          onClick={() => put([...riders, anotherRider(riders)], 'Another rider')}
        >
          <Plus aria-hidden size={15} className="mr-1 inline" />
          Another rider
        </Button>
        {!fresh && (
          <Link
            to={`/jobs/${job.record.id}/riders`}
            className="text-action font-semibold underline underline-offset-4"
          >
            Cards to keep under the seat
          </Link>
        )}
      </div>
      <p className="label text-second mt-2">
        The first is the one who is on while reading. For the others one reading with them on, at the present
        setting, is enough to confirm it.
      </p>
    </div>
  );
}

function Headings() {
  return (
    <>
      <colgroup>
        <col className="w-[132px]" />
        <col className="w-[74px]" />
        <col className="w-[74px]" />
        <col className="w-[74px]" />
        <col />
        <col className="w-[150px]" />
        <col className="w-9" />
      </colgroup>
      <thead className="label text-second text-left">
        <tr>
          <th className="font-normal">who</th>
          <th className="pl-3 font-normal">in gear</th>
          <th className="pl-3 font-normal">passenger</th>
          <th className="pl-3 font-normal">luggage</th>
          <th className="pl-4 font-normal">from where it stands now</th>
          <th className="font-normal">then reads</th>
          <th />
        </tr>
      </thead>
    </>
  );
}

/** Like the first, until told otherwise. */
function anotherRider(riders: readonly RiderDocument[]): RiderDocument {
  return {
    ...(riders[0] as RiderDocument),
    key: nextRiderKey(riders),
    name: `rider ${riders.length + 1}`,
  };
}

interface RowProps {
  rider: RiderDocument;
  rank: number;
  page: BookPage | null;
  answer: Answer;
  put: (part: Partial<RiderDocument>, label: string) => void;
  remove: (() => void) | null;
  /** Puts this rider first: the plan is then for them. */
  ride: () => void;
}

function RiderRow({ rider, rank, page, answer, put, remove, ride }: RowProps) {
  const job = useThisJob();
  const number = (name: 'kg' | 'passengerKg' | 'luggageKg', label: string, order: number) => (
    <td className="pl-3 align-top">
      <NumberField
        label={`${label}, ${rider.name}`}
        order={100 * rank + order}
        draftKey={`${pathKey(job.record.id, ['riders'])}.${rank}.${name}`}
        quantity="mass"
        range={name === 'kg' ? limits.riderKg : limits.wheelKg}
        narrow
        value={rider[name]}
        assumed={name === 'kg' ? ASSUMED_RIDER_KG : null}
        onCommit={(kg) => (kg !== null || name === 'kg') && put({ [name]: kg }, `${label}, ${rider.name}`)}
      />
    </td>
  );
  return (
    <tr className="border-rule relative border-t" data-rider={rider.key}>
      <td className="align-top">
        <TextField
          label={`Name, rider ${rank + 1}`}
          hideLabel
          required
          value={rider.name}
          draftKey={`${job.record.id}|rider|${rider.key}`}
          maxLength={40}
          onCommit={(name) => put({ name }, `Rider ${rank + 1} is ${name}`)}
        />
      </td>
      {number('kg', 'In gear', 1)}
      {number('passengerKg', 'Passenger', 2)}
      {number('luggageKg', 'Luggage', 3)}
      <td className="label py-1 pl-4 align-top">
        {page?.ends.map((end) => (
          <EndMove key={end.id} rider={rider} end={end} answer={answer} />
        ))}
      </td>
      <td className="label py-1 align-top">
        {page?.ends.map((end) => (
          <EndReads key={end.id} rider={rider} end={end} />
        ))}
        {rank > 0 && <Confirm rider={rider} page={page} />}
        {rank > 0 && page && (
          <Button look="quiet" className="mt-1" onClick={ride} aria-label={`Set it for ${rider.name}`}>
            Set it for them
          </Button>
        )}
      </td>
      <td className="align-top">
        {remove && (
          <button
            type="button"
            aria-label={`Remove ${rider.name}`}
            onClick={remove}
            className="text-second inline-flex size-9 items-center justify-center"
          >
            <X aria-hidden size={16} />
          </button>
        )}
      </td>
    </tr>
  );
}

interface EndProps {
  rider: RiderDocument;
  end: BookPage['ends'][number];
}

/** Where the adjuster of an end goes for a rider. */
function EndMove({ rider, end: { id, corner }, answer }: EndProps & { answer: Answer }) {
  return (
    <span className="block">
      <span className="text-second">{cornerNames[id]}:</span>{' '}
      <b>
        {corner.seatBy === 0 ? (
          'as it is'
        ) : (
          <SumFigure name={`${rider.name}, ${cornerNames[id]}`} sum={() => seatMoveSum(corner, answer)}>
            <SeatMove
              turns={corner.turns}
              steps={corner.steps}
              fitting={answer.document.corners[id].fitting}
              cam={corner.cam && camPosition(answer.document.corners[corner.id].torsion, corner.cam.after)}
              air={airMove(corner.airBar)}
              id={id}
            />
          </SumFigure>
        )}
      </b>
      {corner.seatBy !== 0 && isBothLegs(answer.document, id) && ', both legs'}
      {corner.seatBy !== 0 && !corner.cam && !corner.airBar && (
        <PitchAssumed pitch={corner.spec.pitchMm} steps={corner.steps} />
      )}
      {corner.stopAtMm !== null && (
        <>
          , at <SizeLength mm={corner.stopAtMm} />
          <FromSecondEdge id={id} mm={corner.stopAtMm} />
        </>
      )}
    </span>
  );
}

/** What an end then reads with the rider on. */
function EndReads({ rider, end }: EndProps) {
  return (
    <span className={`block ${end.inWindow === false ? 'text-short font-semibold' : ''}`}>
      <SumFigure name={`Sag, ${rider.name}, ${cornerNames[end.id]}`} sum={() => bookSagSum(rider.name, end)}>
        <PredictedLength figure={{ value: end.sagMm, sd: end.sdMm }} />
      </SumFigure>
      {end.inWindow === false && ' out of its window'}
    </span>
  );
}

/** One reading with this rider on, at each end, as it rests. */
function Confirm({ rider, page }: { rider: RiderDocument; page: BookPage | null }) {
  const job = useThisJob();
  return (
    <span className="mt-1 grid grid-cols-2 gap-x-2">
      {page?.ends.map(({ id, confirmed }, k) => (
        <FactField
          key={id}
          place={{ kind: 'sag', round: sagRound(job), corner: id, slot: `${rider.key}-rest-1` }}
          label={`Reads with ${rider.name} on, ${cornerNames[id]}`}
          order={900 + k}
          range={limits.heightMm}
          narrow
          showUnit={false}
          placeholder={confirmed ? 'read' : `reads, ${cornerNames[id].split(' ')[0]}`}
        />
      ))}
    </span>
  );
}
