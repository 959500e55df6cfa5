import { useUnitsOf, useTell } from '../../ui/settings.ts';
import { recheckAfter, recheckWords } from '#words/recheck.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Link } from 'react-router';
import { factAt } from '#core/document/facts.ts';
import { recheckOf } from '#core/document/recheck.ts';
import { closeList } from '#words/checks.ts';
import { rodSum } from '#words/explain/stanceSums.ts';
import type { usualSteering } from '#core/stance/toe.ts';
import { rodsOf, tieRodTurns, toeWanted, totalToe } from '#core/stance/toe.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { cornersIn, footingOf } from '#core/kinds/classes/index.ts';
import { limits } from '#contract/limits.ts';
import { saveRecheck } from '../job/calendar.ts';
import { capital, cornerNumbers } from '../../ui/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Length, Turns } from '../../ui/Figure.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import type { Fact } from '#core/document/types.ts';
import { Panel } from '../sheet/Panel.tsx';
import { Clearances } from './Clearances.tsx';
import { CheckList } from '../prep/CheckList.tsx';
import { SumFigure } from '../sums/SumFigure.tsx';
import { UnitOf } from '../../forms/UnitOf.tsx';
import { RodFields, RodWays } from '../toe/RodWays.tsx';
import { FactField, PathField } from '../../forms/fields.tsx';

/** Everything that is seen to and written down before a machine goes out. */
export function CloseOutSections() {
  const job = useThisJob();
  const { facts } = job;
  const round = job.state.current;
  const isRead = (kind: Fact['kind']) => facts.some(({ fact }) => fact.kind === kind);
  return (
    <div className="grid gap-x-8 gap-y-5 px-4 pb-4 xl:grid-cols-2">
      <section aria-label="Checklist before it goes out">
        <h3 className="font-semibold">Checklist</h3>
        <CheckList kind="check" round={round} items={closeList(job.record.document)} />
      </section>
      <div className="flex flex-col gap-4">
        <Clearances round={round} />
        <Recheck />
        <div className="border-rule border-b">
          {footingOf(job.record.document.machine.class) === 'wheels' && (
            <Panel title="Toe" words="front axle" open={isRead('toe')}>
              <Toe round={round} />
            </Panel>
          )}
          <Panel
            title="Damper starting point"
            words="clicks from full hard; gas charge"
            open={
              isRead('clicks') || facts.some(({ fact }) => fact.kind === 'pressure' && fact.slot === 'gas')
            }
          >
            <Clicks round={round} />
          </Panel>
        </div>
        <p className="print:hidden">
          <Link
            to={`/jobs/${job.record.id}/handover`}
            className="text-action font-semibold underline underline-offset-4"
          >
            Handover sheet
          </Link>
        </p>
      </div>
    </div>
  );
}

/** Tape at the front and the rear of the tyres, and what to turn for the toe wanted. */
function Toe({ round }: { round: number }) {
  const job = useThisJob();
  const wantedMm = toeWanted(job.record.document).toeMm;
  const rods = rodsOf(job.record.document);
  const read = (slot: 'front' | 'rear') =>
    factAt(job.facts, { kind: 'toe', round, corner: null, slot })?.fact.mm ?? null;
  const [frontMm, rearMm] = [read('front'), read('rear')];
  const toe = frontMm !== null && rearMm !== null ? totalToe({ frontMm, rearMm }) : null;
  const turns = toe === null ? null : tieRodTurns(wantedMm - toe, rods);
  const own = (name: keyof typeof usualSteering, label: string, order: number) => (
    <PathField path={['steering', name]} label={label} showLabel order={order} />
  );
  return (
    <section aria-label="Toe" data-fields>
      <div className="relative grid grid-cols-3 gap-x-4 gap-y-4">
        {(['front', 'rear'] as const).map((slot, k) => (
          <FactField
            key={slot}
            place={{ kind: 'toe', round, corner: null, slot }}
            label={`At the tyres’ ${slot}`}
            showLabel
            order={200 + k}
            range={limits.heightMm}
          />
        ))}
        {own('toeMm', 'Toe-in wanted', 202)}
        {own('tyreMm', 'Tyre diameter', 203)}
        {own('armMm', 'Steering arm', 204)}
        {own('pitchMm', 'Tie rod pitch', 205)}
        <RodFields />
      </div>
      {toe !== null && (
        <p className="mt-5" data-testid="toe">
          Total toe{' '}
          <b>
            <Length mm={Math.abs(toe)} /> {toe > 0 ? 'in' : toe < 0 ? 'out' : ''}
          </b>
          .{' '}
          {turns !== null && Math.abs(turns) >= 1 / 16 && (
            <>
              Each tie rod{' '}
              <SumFigure name="Each tie rod" sum={() => rodSum(toe, job.record.document)}>
                <Turns turns={turns} />
              </SumFigure>{' '}
              {turns > 0 ? 'for more toe-in' : 'for less toe-in'}, both alike.
              <RodWays changeMm={wantedMm - toe} />
            </>
          )}
          {turns !== null && Math.abs(turns) < 1 / 16 && 'Nothing to turn.'}
        </p>
      )}
    </section>
  );
}

function Clicks({ round }: { round: number }) {
  const job = useThisJob();
  return (
    <section aria-label="Damper starting point" data-fields>
      <p className="label text-second">Start mid-range, or full soft on groomed ground.</p>
      <table className="w-full table-fixed">
        <thead>
          <tr className="label text-second text-left">
            <th className="w-28" />
            {cornersIn(job.record.document).map((id) => (
              <th key={id} className="px-1 font-normal">
                {capital(cornerNames[id])}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {(['compression', 'rebound'] as const).map((slot, k) => (
            <tr key={slot} className="relative">
              <th scope="row" className="text-left font-normal">
                {capital(slot)}
              </th>
              {cornersIn(job.record.document).map((id) => (
                <td key={id} className="px-1">
                  <FactField
                    place={{ kind: 'clicks', round, corner: id, slot }}
                    label={`${capital(slot)} clicks, ${cornerNames[id]}`}
                    order={300 + 10 * k + cornerNumbers[id]}
                    quantity="number"
                    range={limits.clicks}
                    narrow
                  />
                </td>
              ))}
            </tr>
          ))}
          <tr className="relative">
            <th scope="row" className="text-left font-normal">
              Gas charge, <UnitOf name="pressure" />
            </th>
            {cornersIn(job.record.document).map((id) => (
              <td key={id} className="px-1">
                <FactField
                  place={{ kind: 'pressure', round, corner: id, slot: 'gas' }}
                  label={`Gas charge, ${cornerNames[id]}`}
                  order={340 + cornerNumbers[id]}
                  quantity="pressure"
                  range={{ min: 0.1, max: limits.gasBar }}
                  showUnit={false}
                  narrow
                />
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </section>
  );
}

/** When it is due back, by distance and by day, and a file for the calendar. */
function Recheck() {
  const job = useThisJob();
  const due = recheckOf(job.facts);
  const tell = useTell();
  const distance = useUnitsOf('distance');
  const place = { kind: 'recheck' as const, round: 0, corner: null, slot: 'due' };
  const set = (km: number | null, day: string | null) => {
    if (km === null && day === null) job.actions.clear('Recheck taken back', place);
    else job.actions.record('Recheck set', { ...place, km, day });
  };
  return (
    <section aria-label="Recheck" data-fields>
      <h3 className="font-semibold">
        Recheck{' '}
        <span className="label text-second font-normal">
          new springs settle, lock rings walk: {recheckAfter[distance]}
        </span>
      </h3>
      <div className="relative mt-1 flex flex-wrap items-end gap-4">
        <div className="w-28">
          <NumberField
            label="After"
            showLabel
            order={400}
            quantity="distance"
            decimals={0}
            range={limits.recheckKm}
            draftKey={`${job.record.id}|recheck.km`}
            value={due?.km ?? null}
            onCommit={(km) => set(km, due?.day ?? null)}
          />
        </div>
        <label>
          <span className="label text-second block">On</span>
          <input
            type="date"
            value={due?.day ?? ''}
            onChange={(event) => set(due?.km ?? null, event.target.value || null)}
            className="border-second/70 h-9 border-b bg-transparent"
          />
        </label>
        {due?.day && (
          <Button onClick={() => void saveRecheck(job.record, due.day ?? '', recheckWords(due, tell))}>
            Save to calendar
          </Button>
        )}
      </div>
    </section>
  );
}
