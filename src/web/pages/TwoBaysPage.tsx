import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useJobList } from '../api/jobs.ts';
import { Bay } from '../features/turn/Bay.tsx';
import { HasKeys } from '../features/turn/BayView.tsx';
import { Select } from '../ui/Select.tsx';

type Side = 'left' | 'right';

/** Two bays on one screen: the keys go to the one last touched. */
export function TwoBaysPage() {
  const [params] = useSearchParams();
  const [touched, setTouched] = useState<Side>('left');
  const both = params.get('left') !== null && params.get('right') !== null;
  return (
    <main className="grid min-h-screen grid-cols-2 max-lg:grid-cols-1">
      <title>Two bays · Margin</title>
      {(['left', 'right'] as const).map((side) => (
        <section
          key={side}
          aria-label={side === 'left' ? 'Left bay' : 'Right bay'}
          className={`flex min-w-0 flex-col border-t-4 p-5 ${side === 'right' ? 'border-l-rule lg:border-l' : ''} ${
            both && touched === side ? 'border-t-action' : 'border-t-transparent'
          }`}
          onPointerDownCapture={() => setTouched(side)}
          onFocusCapture={() => setTouched(side)}
        >
          <HasKeys value={touched === side}>
            <OneBay side={side} />
          </HasKeys>
        </section>
      ))}
    </main>
  );
}

function OneBay({ side }: { side: Side }) {
  const [params] = useSearchParams();
  const id = params.get(side);
  return id ? (
    <Bay id={id}>
      <Which side={side} id={id} />
    </Bay>
  ) : (
    <div className="flex flex-1 flex-col items-start justify-center gap-4">
      <h1 className="text-[28px] font-bold">What stands in the {side} bay?</h1>
      <Which side={side} id="" />
      <Link to="/" className="underline underline-offset-4">
        Back to the jobs
      </Link>
    </div>
  );
}

/** Chooses what stands in a bay, of the jobs being worked on that are not in the other. */
function Which({ side, id }: { side: Side; id: string }) {
  const [params, setParams] = useSearchParams();
  const { data, isPending } = useJobList('', 'working');
  const jobs = data?.pages.flatMap((page) => page.jobs) ?? [];
  const other = params.get(side === 'left' ? 'right' : 'left');
  if (isPending) return <span className="text-second">Loading jobs …</span>;
  if (jobs.length === 0) return <span className="text-second">No job is being worked on.</span>;
  return (
    <Select
      label={side === 'left' ? 'Job in the left bay' : 'Job in the right bay'}
      look="h-11 min-w-44 text-[17px]"
      value={id}
      options={[
        ...(id === '' ? [{ value: '', words: 'choose a job' }] : []),
        ...jobs.filter((one) => one.id !== other).map((one) => ({ value: one.id, words: one.name })),
        // One that is locked, or further down the list, stays what it is.
        ...(id !== '' && !jobs.some((one) => one.id === id) ? [{ value: id, words: 'this job' }] : []),
      ]}
      onChange={(to) => {
        params.set(side, to);
        setParams(params, { replace: true });
      }}
    />
  );
}
