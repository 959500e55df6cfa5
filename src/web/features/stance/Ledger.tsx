import { distanceAfter, gainsAt, knownClearance } from '#core/stance/clearance.ts';
import { AssumedMark } from '../job/AssumedMark.tsx';
import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { isOf } from '#core/document/facts.ts';
import { useState } from 'react';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { ledgerOf, type LedgerLine } from '#core/stance/ledger.ts';
import { clearanceSum } from '#words/explain/planSums.ts';
import { jointSum } from '#words/explain/stanceSums.ts';
import { limits } from '#contract/limits.ts';
import { pathKey } from '../../jobStore/draftKeys.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { cornerNumbers } from '../../ui/words.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Length, Plain } from '../../ui/Figure.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { PairTable } from '../../forms/PairTable.tsx';
import { StateMark } from '../../ui/StateMark.tsx';
import { CornerRow, CornerTable } from '../sheet/CornerRow.tsx';
import { FactField } from '../../forms/fields.tsx';

/** Every clearance and joint with where it goes, and what the jack found at both ends of the travel. */
export function Ledger({ answer }: { answer: Answer }) {
  const lines = ledgerOf(answer);
  return (
    <div data-fields className="relative">
      {lines.length === 0 ? (
        <p className="label text-second mt-1">
          Nothing is followed yet: clearances and shaft joints are entered at intake, corner by corner.
        </p>
      ) : (
        <div className="relative overflow-x-auto">
          <table className="mt-1 w-full min-w-[720px]" data-testid="ledger">
            <thead className="label text-second text-right">
              <tr>
                <th className="py-1 text-left font-normal">what</th>
                <th className="w-40 px-2 text-left font-normal">measured at height</th>
                <th className="px-2 font-normal">measured</th>
                <th className="px-2 font-normal">≈ now</th>
                <th className="px-2 font-normal">→ after</th>
                <th className="px-2 font-normal">→ worst load</th>
                <th className="px-2 font-normal">→ full bump</th>
                <th className="px-2 font-normal">→ full droop</th>
                <th className="px-2 font-normal">limit</th>
              </tr>
            </thead>
            <tbody>
              {lines.map((line) => (
                <Line key={line.corner + line.kind + String(line.index)} line={line} />
              ))}
            </tbody>
          </table>
        </div>
      )}
      <h3 className="mt-4 font-semibold">
        Taken to its ends by a jack{' '}
        <span className="label text-second font-normal">
          springs out or slack, wheel on: least distance left anywhere
        </span>
      </h3>
      <CornerTable caption="Taken to its ends by a jack" numbers>
        {(['bump', 'droop'] as const).map((slot, k) => (
          <CornerRow
            key={slot}
            label={slot === 'bump' ? 'Full bump' : 'Full droop'}
            help={slot === 'bump' ? 'to the stop, steering both ways' : 'hanging: lines, shafts, springs'}
          >
            {(id) => <Cycled id={id} slot={slot} order={600 + 10 * k + cornerNumbers[id]} lines={lines} />}
          </CornerRow>
        ))}
      </CornerTable>
    </div>
  );
}

interface CycledProps {
  id: CornerId;
  slot: 'bump' | 'droop';
  order: number;
  lines: readonly LedgerLine[];
}

/** What the jack found, against what the ledger expects there. */
function Cycled({ id, slot, order, lines }: CycledProps) {
  const job = useThisJob();
  const found =
    job.facts
      .map(({ fact }) => fact)
      .filter(isOf('cycled'))
      .findLast((fact) => fact.corner === id && fact.slot === slot)?.mm ?? null;
  const expected = lines
    .filter(({ corner, kind }) => corner === id && kind === 'clearance')
    .map((line) => (slot === 'bump' ? line.atBump : line.atDroop));
  const least = expected.length > 0 ? Math.min(...expected) : null;
  return (
    <>
      <FactField
        place={{ kind: 'cycled', round: job.state.current, corner: id, slot }}
        label={`At full ${slot}, ${cornerNames[id]}`}
        order={order}
        range={limits.clearanceMm}
      />
      <span
        className={`label block ${found !== null && found <= 0 ? 'text-short font-semibold' : 'text-second'}`}
      >
        {found !== null && found <= 0
          ? 'touches'
          : least !== null && (
              <>
                worked out: <Length mm={least} decimals={0} />
              </>
            )}
      </span>
    </>
  );
}

function Line({ line }: { line: LedgerLine }) {
  const job = useThisJob();
  const { corner, index, kind, name } = line;
  const one = kind === 'clearance' && job.answer ? knownClearance(job.answer, corner, index).one : undefined;
  const boot = kind === 'joint' ? job.record.document.corners[corner].boots[index] : undefined;
  const opened = (when: keyof LedgerLine['risenMm']) => (
    <SumFigure
      name={`${name}, ${cornerNames[corner]}, ${whenWords[when]}`}
      sum={() => sumAt(line.risenMm[when])}
    >
      <Value line={line} value={when === 'worst' ? line.worst.value : line[when]} />
    </SumFigure>
  );
  const sumAt = (risenMm: number) =>
    one ? clearanceSum(one, corner, risenMm) : boot ? jointSum(boot, corner, risenMm) : null;
  const touches = (value: number) => kind === 'clearance' && value <= 0;
  return (
    <tr className="border-rule relative border-t text-right" data-ledger={`${corner} ${name}`}>
      <th scope="row" className="py-1.5 text-left font-medium">
        <span className="inline-flex items-center gap-1.5">
          <StateMark state={line.ok ? (line.touchesAtEnd ? 'tight' : 'clear') : 'short'} />
          {name}
        </span>
        <span className="label text-second block font-normal">
          {cornerNames[corner]}
          {one && <Moves corner={corner} index={index} />}
        </span>
      </th>
      <td className="px-2 text-left">{one && <MeasuredAt corner={corner} index={index} />}</td>
      <td className="px-2">
        <Value line={line} value={line.measured} />
      </td>
      <td className="px-2">{opened('now')}</td>
      <td className="px-2 font-semibold">{opened('after')}</td>
      <td className={`px-2 ${line.ok ? '' : 'text-short font-semibold'}`}>
        {opened('worst')}
        <span className="label text-second block font-normal">{line.worst.loadCase}</span>
      </td>
      {(['atBump', 'atDroop'] as const).map((end) => (
        <td key={end} className={`px-2 ${touches(line[end]) ? 'text-tight' : ''}`}>
          {opened(end)}
          {touches(line[end]) && <span className="label block">touches</span>}
        </td>
      ))}
      <td className="px-2">
        <Value line={line} value={line.limit} />
      </td>
    </tr>
  );
}

const whenWords = {
  now: 'now',
  after: 'after the plan',
  worst: 'in the worst load',
  atBump: 'at full bump',
  atDroop: 'at full droop',
} as const;

function Value({ line, value }: { line: LedgerLine; value: number }) {
  return line.kind === 'joint' ? (
    <>
      <Plain value={value} decimals={1} />°
    </>
  ) : (
    <Length mm={value} decimals={0} />
  );
}

/** The height over this wheel at which it was measured. */
function MeasuredAt({ corner, index }: { corner: CornerId; index: number }) {
  const job = useThisJob();
  const list = job.record.document.corners[corner].clearances;
  const one = list[index];
  if (!one) return null;
  return (
    <NumberField
      label={`${one.name}, measured at height, ${cornerNames[corner]}`}
      draftKey={`${pathKey(job.record.id, ['corners', corner, 'clearances'])}.${index}.at`}
      quantity="length"
      decimals={1}
      range={limits.heightMm}
      order={500 + 10 * cornersIn(job.record.document).indexOf(corner) + index}
      placeholder="baseline"
      value={one.atMm}
      onCommit={(atMm) => putClearance(job, corner, index, { atMm })}
    />
  );
}

function putClearance(job: Job, corner: CornerId, index: number, part: object): void {
  const list = job.record.document.corners[corner].clearances;
  job.actions.change(`Clearance: ${list[index]?.name ?? ''}, ${cornerNames[corner]}`, [
    ['corners', corner, 'clearances'],
    list.map((one, k) => (k === index ? { ...one, ...part } : one)),
  ]);
}

/** How a distance goes with height: so much per mm, or a table. */
function Moves({ corner, index }: { corner: CornerId; index: number }) {
  const job = useThisJob();
  const [open, setOpen] = useState(false);
  const one = job.record.document.corners[corner].clearances[index];
  if (!one) return null;
  const gain = Number(gainsAt({ ...one, rows: null }, 0).toFixed(3));
  const usual: [number, number][] = [
    [-60, distanceAfter(one, -60)],
    [0, one.nowMm],
    [60, distanceAfter(one, 60)],
  ];
  return (
    <>
      {', '}
      <button
        type="button"
        className="text-action underline underline-offset-4"
        onClick={() => setOpen(true)}
        aria-label={`How it moves: ${one.name}, ${cornerNames[corner]}`}
      >
        {one.rows ? `by a table of ${one.rows.length}` : one.perMm === 1 ? '1 : 1' : `× ${gain}`}
      </button>
      {!one.rows && one.perMm === null && <AssumedMark />}
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title={`${one.name}, ${cornerNames[corner]}`}
        description="Distance against what the body has risen since it was measured; down is −. Straight between the rows."
      >
        {one.rows ? (
          <PairTable
            columns={[
              { label: 'Risen by', quantity: 'length', range: limits.moveMm },
              { label: 'Distance', quantity: 'length', range: limits.clearanceMm },
            ]}
            rows={one.rows}
            least={2}
            most={limits.tableRows}
            row="row"
            draftKey={`${pathKey(job.record.id, ['corners', corner, 'clearances'])}.${index}.rows`}
            put={(rows) => putClearance(job, corner, index, { rows })}
          />
        ) : (
          <Button className="mt-3" onClick={() => putClearance(job, corner, index, { rows: usual })}>
            Give it a table
          </Button>
        )}
        {one.rows && (
          <Button
            look="quiet"
            className="mt-3 ml-4"
            onClick={() => putClearance(job, corner, index, { rows: null })}
          >
            So much times the drop again
          </Button>
        )}
      </Dialog>
    </>
  );
}
