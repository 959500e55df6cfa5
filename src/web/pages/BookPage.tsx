import { Link, useSearchParams } from 'react-router';
import { classDefaults } from '#core/kinds/classes/index.ts';
import { useBook, useMachineBook } from '../api/jobs.ts';
import { Button } from '../ui/Button.tsx';
import { Compare } from '../features/logbook/Compare.tsx';
import type { MachineEntry } from '#contract/api.ts';
import { FindBox } from '../ui/FindBox.tsx';
import { useDebounced } from '../ui/useDebounced.ts';
import { machineOf, type Page } from '../features/logbook/machines.ts';

/** Every setting a machine has had, two side by side, and the way back to any of them. */
export function BookPage() {
  const [params, setParams] = useSearchParams();
  const find = params.get('find') ?? '';
  const { data, isPending, isError, refetch, hasNextPage, fetchNextPage } = useBook(useDebounced(find));
  const machines = data?.pages.flatMap((page) => page.machines) ?? [];
  const key = params.get('machine') ?? machines[0]?.key ?? null;
  const { data: book } = useMachineBook(key);
  const chosen = book && key ? machineOf(key, book.jobs) : null;
  const page = (name: string, fallback: number): Page | undefined =>
    chosen?.pages.find(({ key }) => key === params.get(name)) ?? chosen?.pages[fallback];
  const [left, right] = [page('from', 0), page('to', 1)];
  const set = (next: Record<string, string>) =>
    setParams((before) => ({ ...Object.fromEntries(before), ...next }), { replace: true });
  return (
    <main className="mx-auto grid w-full max-w-[1232px] flex-1 grid-cols-[300px_minmax(0,1fr)] content-start gap-x-8 px-6 py-5 max-lg:grid-cols-1 max-md:px-4">
      <title>Logbook · Margin</title>
      <div>
        <h1 className="text-head font-semibold">Logbook</h1>
        {isPending && <p className="text-second mt-3">Loading …</p>}
        {isError && (
          <div className="mt-3">
            <p>No connection to the server.</p>
            <Button className="mt-3" onClick={() => void refetch()}>
              Try again
            </Button>
          </div>
        )}
        <div className="mt-2">
          <FindBox
            label="Find a machine"
            value={find}
            onChange={(words) => setParams(words ? { find: words } : {}, { replace: true })}
          />
        </div>
        {data && machines.length === 0 && find !== '' && (
          <p className="text-second mt-3">No results. Only machines that were measured are listed.</p>
        )}
        {data && machines.length === 0 && find === '' && (
          <p className="text-second mt-3">
            Nothing measured yet. The first baseline of a job is its first page here.{' '}
            <Link to="/" className="text-action font-semibold underline underline-offset-4">
              To the jobs
            </Link>
          </p>
        )}
        <ul className="mt-2 max-lg:flex max-lg:gap-4 max-lg:overflow-x-auto">
          {machines.map((machine) => (
            <MachineChoice
              key={machine.key}
              machine={machine}
              open={machine.key === key}
              choose={() => setParams({ ...(find ? { find } : {}), machine: machine.key }, { replace: true })}
            />
          ))}
        </ul>
        {hasNextPage && (
          <Button className="mt-3" onClick={() => void fetchNextPage()}>
            Show more
          </Button>
        )}
      </div>
      {chosen && left && (
        <Compare
          machine={chosen}
          left={left}
          right={right ?? null}
          choose={(side, key) => set({ [side]: key, machine: chosen.key })}
        />
      )}
    </main>
  );
}

function MachineChoice({
  machine,
  open,
  choose,
}: {
  machine: MachineEntry;
  open: boolean;
  choose: () => void;
}) {
  const { settings, name, title, machineClass } = machine;
  return (
    <li className="border-rule shrink-0 border-b">
      <button
        type="button"
        aria-current={open ? 'true' : undefined}
        onClick={choose}
        className={`block w-full py-2 pl-3 text-left ${open ? 'border-action border-l-[3px]' : 'border-l-[3px] border-transparent'}`}
      >
        <span className={open ? 'text-action font-semibold' : 'font-semibold'}>{name}</span>
        <span className="label text-second block">
          {title || classDefaults[machineClass].title} · {settings} {settings === 1 ? 'setting' : 'settings'}
        </span>
      </button>
    </li>
  );
}
