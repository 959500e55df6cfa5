import { Select } from '../ui/Select.tsx';
import { useParams, useSearchParams } from 'react-router';
import { kindsOn, referenceKinds } from '#core/geometry/reference.ts';
import { classDefaults, machineClasses, type MachineClass, standsOnFour } from '#core/kinds/classes/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { cornersOf, footingOf } from '#core/kinds/classes/index.ts';
import type { JobDocument } from '#core/document/types.ts';
import { ShopHead } from '../features/sheet/ShopHead.tsx';
import { MachinePlan } from '../drawing/MachinePlan.tsx';
import { useJobRecord } from '../api/jobs.ts';
import { capital } from '../ui/words.ts';
import { Button } from '../ui/Button.tsx';

/** A sheet of paper to measure on: boxes for a pen, for a class of machine or for one job. */
export function PaperPage() {
  const { id = '' } = useParams();
  const [params, setParams] = useSearchParams();
  const { record } = useJobRecord(id);
  const asked = machineClasses.find((one) => one === params.get('class'));
  const machineClass = record?.document.machine.class ?? asked ?? 'car';
  return (
    <main className="mx-auto w-full max-w-[820px] px-6 py-5 print:max-w-none print:p-0">
      <title>Measuring sheet · Margin</title>
      <div className="mb-3 flex flex-wrap items-center gap-4 print:hidden">
        {id === '' && (
          <label className="flex items-center gap-2">
            For a
            <Select
              look=""
              value={machineClass}
              options={machineClasses.map((one) => ({ value: one, words: classDefaults[one].title }))}
              onChange={(to) => setParams({ class: to }, { replace: true })}
            />
          </label>
        )}
        <Button look="main" className="ml-auto" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <Sheet machineClass={machineClass} document={record?.document ?? null} />
    </main>
  );
}

function Sheet({ machineClass, document }: { machineClass: MachineClass; document: JobDocument | null }) {
  const ids = cornersOf(machineClass);
  const footing = footingOf(machineClass);
  const kinds = kindsOn(footing).map((kind) => referenceKinds[kind].title);
  return (
    <article
      aria-label="Measuring sheet"
      className="bg-sheet border-rule border p-5 print:border-0 print:p-0"
    >
      <ShopHead />
      <h1 className="text-[22px] font-bold">
        Measuring sheet{' '}
        <span className="text-second text-[15px] font-normal">{classDefaults[machineClass].title}</span>
      </h1>
      <div className="mt-2 grid grid-cols-3 narrow:grid-cols-1 gap-x-5 gap-y-2">
        <Line words="job" filled={document?.name} />
        <Line words="machine" filled={document?.machine.title} />
        <Line words="date" />
        <Line words="on board, fuel" filled={document?.load} />
        <Line words="measured by" />
        <Line words={footing === 'sleds' ? 'floor, casters' : 'floor, pads'} />
      </div>
      <div className="mt-4 grid grid-cols-[1fr_120px_1fr] items-center gap-4 narrow:grid-cols-1">
        <div className="flex flex-col gap-4">
          {ids
            .filter((_, k) => k % 2 === 0)
            .map((id) => (
              <CornerBoxes key={id} id={id} document={document} />
            ))}
        </div>
        <MachinePlan
          footprint={
            document?.machine ?? {
              class: machineClass,
              wheelbaseMm: null,
              trackFrontMm: null,
              trackRearMm: null,
            }
          }
          moves={{}}
          width={120}
        />
        <div className="flex flex-col gap-4">
          {ids
            .filter((_, k) => k % 2 === 1)
            .map((id) => (
              <CornerBoxes key={id} id={id} document={document} />
            ))}
        </div>
      </div>
      <p className="label mt-3">
        Read once round, in the order of the numbers, then round again. Heights by: {kinds.join(' · ')} (ring
        one).
      </p>
      <div className="mt-3 grid grid-cols-3 narrow:grid-cols-1 gap-x-5 gap-y-2">
        <Line words="settled before the first round: rolled, bounced, driven" />
        <Line words="settled before the second round" />
        <Line
          words={footing === 'wheels' ? 'bar links off, bushes loose' : 'friction: press, read; lift, read'}
        />
        {footing === 'wheels' && <Line words="between the tyres in front" />}
        {footing === 'wheels' && <Line words="between the tyres behind" />}
      </div>
      <p className="label mt-4">what was seen, heard, felt</p>
      {[1, 2, 3].map((line) => (
        <div key={line} className="border-ink/50 h-7 border-b" />
      ))}
    </article>
  );
}

function Line({ words, filled }: { words: string; filled?: string | undefined }) {
  return (
    <div>
      <p className="label text-second">{words}</p>
      <p className="border-ink/50 min-h-6 border-b font-semibold">{filled}</p>
    </div>
  );
}

const ROWS = ['before', 'after round 1', 'after round 2'];

function CornerBoxes({ id, document }: { id: CornerId; document: JobDocument | null }) {
  const corner = document?.corners[id];
  const number = document ? cornersOf(document.machine.class).indexOf(id) + 1 : null;
  return (
    <section aria-label={cornerNames[id]}>
      <h2 className="font-semibold">
        {number !== null && <span className="text-second figures">{number} </span>}
        {capital(cornerNames[id])}{' '}
        {corner && <span className="label font-normal">{referenceKinds[corner.reference.kind].title}</span>}
      </h2>
      <table className="w-full table-fixed border-collapse">
        <thead>
          <tr className="label text-second text-left">
            <th className="w-[86px] font-normal" />
            <th className="font-normal">1.</th>
            <th className="font-normal">2.</th>
            <th className="font-normal">collar</th>
          </tr>
        </thead>
        <tbody>
          {ROWS.map((row) => (
            <tr key={row}>
              <th scope="row" className="label text-left font-normal">
                {row}
              </th>
              {[1, 2, 3].map((box) => (
                <td key={box} className="border-ink/60 h-8 border" />
              ))}
            </tr>
          ))}
          {document && standsOnFour(document.machine.class) && (
            <tr>
              <th scope="row" className="label text-left font-normal">
                on the pad
              </th>
              {[1, 2, 3].map((box) => (
                <td key={box} className="border-ink/60 h-8 border" />
              ))}
            </tr>
          )}
          <tr>
            <th scope="row" className="label text-left font-normal">
              travel, pressure
            </th>
            <td className="border-ink/60 h-8 border" colSpan={2} />
            <td className="border-ink/60 h-8 border" />
          </tr>
        </tbody>
      </table>
    </section>
  );
}
