import { stepOfCorner } from '#core/document/fitting.ts';
import { camPosition } from '#core/document/taken.ts';
import { toldOrder } from '#core/judgement/turningOrder.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Link } from 'react-router';
import { cautionList } from '#words/cautions.ts';
import { cornerSpec } from '#core/estimate/corner.ts';
import { factAt } from '#core/document/facts.ts';
import { workOf } from '#core/estimate/rounds.ts';
import { toldSum } from '#words/explain/cornerSums.ts';
import { toldSeatBy } from '#core/document/told.ts';
import type { Fact, Fitting, ToldCorner, ToldPlan } from '#core/document/types.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { factKey } from '../../jobStore/draftKeys.ts';
import { capital, cornerNumbers } from '../../ui/words.ts';
import {
  InClicks,
  airTold,
  Effect,
  MountMove,
  PitchAssumed,
  RingMove,
  SeatMove,
  Pressure,
} from '../job/MoveWords.tsx';
import { FromSecondEdge } from '../job/SecondEdge.tsx';
import { isSagJob } from '#core/document/sagWish.ts';
import { positionText } from '#words/positions.ts';
import { AirStopped, CamStopped } from './Stopped.tsx';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Button } from '../../ui/Button.tsx';

import { SizeLength } from '../../ui/Figure.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { Cautions } from './Cautions.tsx';
import { doneInput } from './doneInput.ts';
import { CutOpenPanel } from '../sheet/CutOpenPanel.tsx';
import { RingsAlong } from '../rings/RingsByPlace.tsx';
import { MarksOf, Torques } from '../sheet/GoesBack.tsx';
import { CornerGrid } from '../sheet/CornerGrid.tsx';
import { ranges } from '../../forms/fields.tsx';
import { FromInstrument } from '../instruments/FromInstrument.tsx';
import { Footer, NextLink } from '../sheet/Footer.tsx';

/** The work list: each seat with its move and where to stop; what was really done is recorded. */
export function TurnStage() {
  const job = useThisJob();
  const { state } = job;
  const round = state.turning ? state.current + 1 : state.current;
  const told = state.turning?.told ?? state.rounds[state.current]?.told ?? null;
  if (!told)
    return (
      <div className="p-6">
        <p>No plan is issued yet. Open Plan, then start turning there.</p>
        <div className="mt-4 flex">
          <NextLink from="turn" />
        </div>
      </div>
    );
  return (
    <>
      <Cautions
        title="Safety first"
        list={cautionList(
          'turn',
          job.record.document,
          toldOrder(job.record.document, told).filter((id) => told.corners[id]),
        )}
        folded={state.turning?.begun ?? false}
      />
      <CornerGrid
        showPlan={state.turning !== null}
        corner={(id) => (
          <>
            <CornerWork id={id} round={round} told={told} />
            <MarksOf id={id} />
          </>
        )}
      />
      <Torques />
      <RingsAlong round={round} />
      {job.answer && <CutOpenPanel answer={job.answer} />}
      <FromInstrument />
      <Footer>
        <p aria-live="polite">
          {state.turning ? (
            <>
              <b>{capital(state.turning.left.map((id) => cornerNames[id]).join(', '))}</b> to turn.
            </>
          ) : isSagJob(job.record.document) ? (
            'Everything is set. Read its sag again.'
          ) : (
            'Everything is turned. Roll it, bounce it, then measure.'
          )}
        </p>
        {state.turning && (
          <Link
            to={`/jobs/${job.record.id}/bay`}
            className="border-ink/60 ml-auto flex min-h-9 items-center border px-4 font-semibold"
          >
            Bay view
          </Link>
        )}
        <NextLink from="turn" />
      </Footer>
    </>
  );
}

interface WorkProps {
  id: CornerId;
  round: number;
  told: ToldPlan;
}

function CornerWork({ id, round, told }: WorkProps) {
  const job = useThisJob();
  const asked = told.corners[id];
  if (!asked) return <p className="text-second text-head mt-3 font-semibold">Leave it</p>;
  const { moves, mounts } = job.state.rounds[round] ?? { moves: {}, mounts: {} };
  const begun = moves[id] !== undefined || mounts[id] !== undefined;
  const [seatBy, mountMm] = [toldSeatBy(asked), asked.mountMm ?? 0];
  return (
    <>
      {(seatBy !== 0 || mountMm !== 0) && !goesToPlace(asked) && (
        <p className={`text-figure mt-1 font-bold ${begun ? 'text-second' : 'text-action'}`}>
          <Effect seatBy={seatBy} mountMm={mountMm} riseMm={asked.riseMm ?? null} />
        </p>
      )}
      <SeatWork id={id} round={round} asked={asked} />
      {workOf(asked)
        .flatMap((work) => (work.kind === 'mount' || work.kind === 'ring' ? [work] : []))
        .map((work) => (
          <OtherWork key={work.kind + work.slot} id={id} round={round} work={work} />
        ))}
    </>
  );
}

/** A lower mount or a ring: what to move, and what was done. */
interface OtherProps {
  id: CornerId;
  round: number;
  work: { kind: 'mount' | 'ring'; slot: string; mm: number };
}

function OtherWork({ id, round, work }: OtherProps) {
  const job = useThisJob();
  const { kind, slot, mm } = work;
  const place = { kind, round, corner: id, slot };
  const done = factAt(job.facts, place)?.fact ?? null;
  const what = kind === 'mount' ? 'Lower mount' : `Ring ${Number(slot) + 1}`;
  const record = (doneMm: number) =>
    job.actions.record(`${what} moved, ${cornerNames[id]}`, { ...place, mm: doneMm, askedMm: mm });
  const { mount, fitting } = job.record.document.corners[id];
  return (
    <div className="border-rule mt-4 border-t pt-2">
      <p className="font-semibold">
        {kind === 'mount' ? (
          <MountMove turns={mm / (mount?.pitchMm ?? 1)} mm={mm} fitting={fitting} />
        ) : (
          <RingMove slider={Number(slot)} moveMm={mm} />
        )}
      </p>
      <div className="relative mt-1 flex flex-wrap items-end gap-2 wide:in-data-[corner^=R]:justify-end">
        <NumberField
          className="w-32"
          label={`${what} moved, ${cornerNames[id]}`}
          order={60 + cornerNumbers[id]}
          draftKey={`${factKey(job.record.id, place)}|typed`}
          quantity="size"
          decimals={1}
          range={ranges.move}
          value={done?.mm ?? null}
          onCommit={(value) => value !== null && record(value)}
        />
        {!done && (
          <Button onClick={() => record(mm)} aria-label={`${what} done, ${cornerNames[id]}`}>
            Done
          </Button>
        )}
      </div>
    </div>
  );
}

function SeatWork({ id, round, asked }: Omit<WorkProps, 'told'> & { asked: ToldCorner }) {
  const job = useThisJob();
  const next = useIsNext(id);
  const moved = (asked.mountMm ?? 0) !== 0;
  if (asked.airByBar !== undefined && asked.airToBar !== undefined)
    return <AirWork id={id} round={round} asked={asked} byBar={asked.airByBar} />;
  if (asked.seatMm === 0)
    return (
      <>
        <p className={moved ? 'text-second' : 'text-second text-head mt-3 font-semibold'}>
          {moved ? 'leave the seat' : 'Leave it'}
        </p>
        {asked.stopAtMm !== null && (
          <p>
            the collar reads <SizeLength mm={asked.stopAtMm} />
            <FromSecondEdge id={id} mm={asked.stopAtMm} />
          </p>
        )}
      </>
    );
  const place = { kind: 'adjustment' as const, round, corner: id, slot: 'done' };
  const done = factAt(job.facts, place)?.fact ?? null;
  const record = (mm: number) =>
    job.actions.record(`Turned ${cornerNames[id]}`, { ...place, mm, askedMm: asked.seatMm });
  return (
    <div>
      <p className={instructionLook(asked, done !== null)}>
        <SumFigure
          name={`Seat move as issued, ${cornerNames[id]}`}
          sum={() => toldSum(asked, cornerNames[id])}
        >
          <SeatMove
            turns={asked.turns}
            steps={asked.steps ?? null}
            fitting={job.record.document.corners[id].fitting}
            cam={
              asked.camTo === undefined
                ? null
                : camPosition(job.record.document.corners[id].torsion, asked.camTo)
            }
            air={null}
            id={id}
            leads={goesToPlace(asked)}
          />
        </SumFigure>
      </p>
      {goesToPlace(asked) && <PlaceEffect asked={asked} />}
      {asked.stopAtMm !== null && (
        <p className="font-medium">
          stop when the collar reads <SizeLength mm={asked.stopAtMm} />
          <FromSecondEdge id={id} mm={asked.stopAtMm} />
        </p>
      )}
      {asked.camTo === undefined && <OfSeat id={id} asked={asked} />}
      <div className="mt-2 flex flex-wrap items-end gap-x-3 gap-y-2 wide:in-data-[corner^=R]:flex-row-reverse">
        {asked.camTo === undefined ? (
          <DoneField id={id} round={round} done={done} record={record} />
        ) : (
          <CamStopped id={id} round={round} done={done} record={record} />
        )}
        {!done && <AsTold next={next} id={id} record={() => record(asked.seatMm)} />}
      </div>
      {done && (
        <div className="mt-2">
          <Done
            done={done}
            camAsked={
              asked.camTo === undefined
                ? null
                : camPosition(job.record.document.corners[id].torsion, asked.camTo)
            }
            pitchMm={cornerSpec(job.record.document, id).pitchMm.value}
            stepMm={stepOfCorner(job.record.document.corners[id])}
            fitting={job.record.document.corners[id].fitting}
          />
        </div>
      )}
    </div>
  );
}

/** Whether it goes to a place with a number, which is then what to do: a position, or a pressure. */
const goesToPlace = ({ camTo, airToBar }: ToldCorner) => camTo !== undefined || airToBar !== undefined;

/** Where it goes to a place, that is the biggest; else what it is for is. */
const instructionLook = (asked: ToldCorner, done: boolean) =>
  goesToPlace(asked)
    ? `text-figure mt-1 font-bold ${done ? 'text-second' : 'text-action'}`
    : 'text-[18px] leading-6 font-semibold';

/** What going to a place is for. */
function PlaceEffect({ asked }: { asked: ToldCorner }) {
  return (
    <p className="text-[18px] leading-6 font-semibold">
      <Effect seatBy={toldSeatBy(asked)} mountMm={0} riseMm={asked.riseMm ?? null} />
    </p>
  );
}

/** How far the seat itself goes. */
function OfSeat({ id, asked }: { id: CornerId; asked: ToldCorner }) {
  const { document } = useThisJob().record;
  return (
    <p className="label text-second">
      <SizeLength mm={Math.abs(asked.seatMm)} /> of seat
      <InClicks id={id} turns={asked.turns} />
      <PitchAssumed pitch={cornerSpec(document, id).pitchMm} steps={asked.steps ?? null} />
    </p>
  );
}

/** bar. No gauge is read nearer. */
const SAME_BAR = 0.005;

/** Air let in or out: what the gauge is to show. */
function AirWork({
  id,
  round,
  asked,
  byBar,
}: Omit<WorkProps, 'told'> & { asked: ToldCorner; byBar: number }) {
  const job = useThisJob();
  const place = { kind: 'inflated' as const, round, corner: id, slot: 'done' };
  const done = factAt(job.facts, place)?.fact ?? null;
  const next = useIsNext(id);
  if (byBar === 0) return <p className="text-second text-head mt-3 font-semibold">Leave it</p>;
  const record = (bar: number) =>
    job.actions.record(`Pressure set, ${cornerNames[id]}`, { ...place, bar, askedBar: byBar });
  const otherwise = done && Math.abs(done.bar - byBar) > SAME_BAR;
  return (
    <div>
      <p className={instructionLook(asked, done !== null)}>
        <SumFigure
          name={`Pressure as issued, ${cornerNames[id]}`}
          sum={() => toldSum(asked, cornerNames[id])}
        >
          <SeatMove
            turns={0}
            steps={null}
            fitting={job.record.document.corners[id].fitting}
            cam={null}
            air={airTold(asked)}
            id={id}
            leads
          />
        </SumFigure>
      </p>
      <PlaceEffect asked={asked} />
      <div className="mt-3 flex flex-wrap items-end gap-x-3 gap-y-2">
        <AirStopped
          id={id}
          round={round}
          beforeBar={(asked.airToBar ?? 0) - byBar}
          doneBar={done?.bar ?? null}
          record={record}
        />
        {!done && <AsTold next={next} id={id} record={() => record(byBar)} />}
      </div>
      {done && (
        <p data-testid="done" className={`mt-2 font-semibold ${otherwise ? 'text-tight' : ''}`}>
          <span aria-hidden>✓ </span>done
          {otherwise && (
            <>
              {' '}
              (<Pressure bar={asked.airToBar ?? 0} /> asked)
            </>
          )}
        </p>
      )}
    </div>
  );
}

/** Whether this corner is the next to be worked at. */
function useIsNext(id: CornerId): boolean {
  const job = useThisJob();
  const { turning } = job.state;
  return (
    turning !== null &&
    toldOrder(job.record.document, turning.told).find((one) => turning.left.includes(one)) === id
  );
}

function AsTold({ next, id, record }: { next: boolean; id: CornerId; record: () => void }) {
  return (
    <Button
      look={next ? 'main' : 'plain'}
      className="min-h-11 px-4"
      onClick={record}
      aria-label={`Done, ${cornerNames[id]}`}
    >
      Done
    </Button>
  );
}

function Done({
  done,
  camAsked,
  pitchMm,
  stepMm,
  fitting,
}: {
  done: Fact<'adjustment'>;
  /** Position of a cam that was asked, as it is numbered; null where it is turned. */
  camAsked: number | null;
  pitchMm: number;
  stepMm: number | null;
  fitting: Fitting;
}) {
  const { mm, askedMm: asked } = done;
  const steps = stepMm === null ? null : Math.round(mm / stepMm);
  const short = asked !== null && Math.abs(mm - asked) > 0.05;
  return (
    <p data-testid="done" className={short ? 'text-tight font-semibold' : 'font-semibold'}>
      <span aria-hidden>✓ </span>
      {mm === 0 ? (
        'left alone'
      ) : camAsked !== null ? (
        'done'
      ) : (
        <>
          <SeatMove turns={mm / pitchMm} steps={steps} fitting={fitting} cam={null} air={null} /> done
        </>
      )}
      {short && asked !== null && (
        <>
          {' '}
          ({camAsked === null ? <SizeLength mm={asked} signed /> : `position ${positionText(camAsked)}`}{' '}
          asked)
        </>
      )}
    </p>
  );
}

interface DoneFieldProps {
  id: CornerId;
  round: number;
  done: Fact<'adjustment'> | null;
  record: (mm: number) => void;
}

/** What was really done: the collar reading it stopped at, or turns where no collar was ever read. */
function DoneField({ id, round, done, record }: DoneFieldProps) {
  const job = useThisJob();
  const input = doneInput(job.record.document, job.state.rounds, id, round);
  return (
    <div className="relative w-24">
      <NumberField
        key={input.label}
        label={input.label}
        order={cornerNumbers[id]}
        showLabel
        draftKey={`${factKey(job.record.id, { kind: 'adjustment', round, corner: id, slot: 'done' })}|typed`}
        quantity={input.quantity}
        decimals={input.decimals}
        range={input.range}
        value={done === null ? null : input.shown(done.mm)}
        question={input.question}
        onCommit={(shown) => shown !== null && record(input.meant(shown))}
      />
    </div>
  );
}
