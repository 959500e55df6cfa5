import { faultTold } from '#words/faults.ts';
import { useSay } from '../ui/settings.ts';
import { Plus, X } from 'lucide-react';
import { lazy, Suspense, useMemo } from 'react';
import { benchOf, LAB_SETUPS } from '#core/lab/setup.ts';
import type { Fault } from '#core/faults.ts';
import { HeaderSlot } from '../ui/headerSlot.tsx';
import { Button } from '../ui/Button.tsx';
import { TextField } from '../forms/TextField.tsx';
import { SumPanel } from '../features/sums/SumPanel.tsx';
import { useUndoKeys } from '../jobStore/useUndoKeys.ts';
import { CopyLink } from '../features/lab/CopyLink.tsx';
import { IntoJob } from '../features/lab/IntoJob.tsx';
import { LabFigures } from '../features/lab/LabFigures.tsx';
import { RingFields } from '../features/lab/RingFields.tsx';
import { SectionView } from '../features/lab/SectionView.tsx';
import { SetupFields } from '../features/lab/SetupFields.tsx';
import { useLab, type LabActions } from '../features/lab/useLab.ts';

const StackChart = lazy(async () => ({ default: (await import('../charts/StackChart.tsx')).StackChart }));

/** Any springs on any wheel, without a job: cut open, in curves, up to four over each other. */
export function StackPage() {
  const lab = useLab();
  useUndoKeys(lab);
  const checked = useMemo(() => lab.setups.map((setup) => benchOf(setup)), [lab.setups]);
  const benches = useMemo(() => checked.flatMap((one) => (one.ok ? [one.value] : [])), [checked]);
  const now = checked[lab.current];
  const bench = now?.ok ? now.value : null;
  const at = bench ? benches.indexOf(bench) : -1;
  return (
    <main className="mx-auto w-full max-w-[1360px] flex-1 px-6 py-4 narrow:px-4">
      <title>Stack lab · Margin</title>
      <HeaderSlot.Fill>
        <h1 className="font-semibold">Stack lab</h1>
        <Button look="quiet" disabled={lab.past.length === 0} onClick={lab.undo}>
          Undo
        </Button>
      </HeaderSlot.Fill>
      {lab.fault && (
        <p role="alert" className="text-short mb-3">
          The link could not be read, so what was on the bench is kept. {lab.fault}
        </p>
      )}
      <Tabs lab={lab} />
      <div className="bg-sheet border-rule grid grid-cols-[326px_minmax(340px,1fr)_minmax(380px,1.1fr)] gap-x-6 border p-4 max-lg:grid-cols-[326px_minmax(0,1fr)] max-sm:grid-cols-1">
        {bench ? (
          <SectionView key={lab.current} bench={bench} change={lab.change} />
        ) : (
          <Faults faults={now && !now.ok ? now.faults : []} />
        )}
        <div className="min-w-0">
          <SetupFields setup={lab.setup} index={lab.current} change={lab.change} />
        </div>
        <div className="min-w-0 max-lg:col-span-2 max-sm:col-span-1">
          <SumPanel />
          <Suspense fallback={<p className="text-second h-[520px]">Drawing …</p>}>
            <StackChart benches={benches} current={at} />
          </Suspense>
        </div>
        <div className="border-rule col-span-full mt-3 border-t pt-3">
          <LabFigures benches={benches} current={at} />
          <p className="label text-second mt-1">
            What energy to full bump is the springs’ and the stop’s share, from rest; the fall is from wheels
            hanging. A damper adds to both.
          </p>
        </div>
        {bench && (
          <section aria-label="Rings" className="border-rule col-span-full mt-3 border-t pt-3">
            <h3 className="mb-1 font-semibold">Crossover rings</h3>
            <RingFields bench={bench} index={lab.current} change={lab.change} />
          </section>
        )}
      </div>
    </main>
  );
}

function Tabs({ lab }: { lab: LabActions }) {
  return (
    <div className="mb-3 flex flex-wrap items-end gap-x-4 gap-y-2">
      <div role="tablist" aria-label="Setups" className="flex flex-wrap gap-x-4">
        {lab.setups.map((setup, k) => (
          <button
            key={k}
            type="button"
            role="tab"
            aria-selected={k === lab.current}
            onClick={() => lab.choose(k)}
            className={`min-h-9 border-b-2 ${k === lab.current ? 'border-action font-semibold' : 'text-second border-transparent'}`}
          >
            {setup.name || `Setup ${k + 1}`}
          </button>
        ))}
      </div>
      {lab.setups.length < LAB_SETUPS && (
        <button
          type="button"
          className="text-action inline-flex min-h-9 items-center gap-1 font-semibold"
          onClick={() => lab.add({ ...lab.setup, name: `Setup ${lab.setups.length + 1}` })}
        >
          <Plus size={15} aria-hidden /> Copy to compare
        </button>
      )}
      {lab.setups.length > 1 && (
        <button
          type="button"
          className="text-second inline-flex min-h-9 items-center gap-1"
          onClick={lab.remove}
        >
          <X size={15} aria-hidden /> Delete this setup
        </button>
      )}
      <div className="ml-auto w-48">
        <TextField
          key={lab.current}
          label="Name of this setup"
          value={lab.setup.name}
          draftKey={`lab.${lab.current}.name`}
          maxLength={60}
          required
          onCommit={(name) => lab.change({ ...lab.setup, name })}
        />
      </div>
      <IntoJob setup={lab.setup} />
      <CopyLink setups={lab.setups} />
    </div>
  );
}

/** What is missing or wrong, by where it stands. */
function Faults({ faults }: { faults: Fault[] }) {
  const say = useSay(1);
  return (
    <div role="alert">
      <h3 className="font-semibold">Not enough to draw yet</h3>
      <ul className="text-tight mt-1">
        {faults
          .map((fault) => faultTold(fault, say))
          .map(({ path, want }) => (
            <li key={path}>
              {inWords(path)}: {want} is needed.
            </li>
          ))}
      </ul>
    </div>
  );
}

/** "springs[1].rateNPerMm" as a reader would say it. */
function inWords(path: string): string {
  return path
    .replace(/\[(\d+)\]/g, (_, i: string) => ` ${Number(i) + 1}`)
    .replace(/springs/, 'spring')
    .replace(/cases/, 'load case')
    .replace(/rings/, 'ring')
    .replace(/\.(rateNPerMm)/, ', rate')
    .replace(/\.(freeLengthMm)/, ', free length')
    .replace(/\.(solidLengthMm)/, ', solid length')
    .replace(/\.kg/, ', weight');
}
