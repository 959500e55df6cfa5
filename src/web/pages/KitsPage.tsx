import { Plus, Upload } from 'lucide-react';
import { useRef, useState, type ChangeEvent } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { blankKit, type Kit } from '#core/kits/kit.ts';
import { useKits } from '../api/kits.ts';
import { kitFrom } from '../features/kits/kitFiles.ts';
import { KitSheet } from '../features/kits/KitSheet.tsx';
import { useKitEdits, type KitEdits } from '../features/kits/useKitEdits.ts';
import { useUndoKeys } from '../jobStore/useUndoKeys.ts';
import { Button } from '../ui/Button.tsx';
import { HeaderSlot } from '../ui/headerSlot.tsx';

/** Sheets of kits, kept once: what is in them, how they are put together, and what jobs came to with them. */
export function KitsPage() {
  const kits = useKits();
  const edits = useKitEdits(kits.data?.kits);
  const { id } = useParams();
  useUndoKeys({ undo: edits.undo, redo: () => undefined });
  const all = kits.data?.kits ?? [];
  const shown = all.find((one) => one.id === id) ?? (id === undefined ? all[0] : undefined);
  return (
    <main className="mx-auto w-full max-w-[1360px] flex-1 px-6 py-4 narrow:px-4">
      <title>Kits · Margin</title>
      <HeaderSlot.Fill>
        <h1 className="font-semibold">Kits</h1>
        <Button look="quiet" disabled={!edits.last} title={edits.last ?? ''} onClick={edits.undo}>
          Undo
        </Button>
      </HeaderSlot.Fill>
      {edits.failed && (
        <p role="alert" className="text-short mb-3">
          {edits.failed.words}{' '}
          {edits.failed.again && (
            <Button look="quiet" onClick={edits.failed.again}>
              Send it again
            </Button>
          )}
        </p>
      )}
      <Tools edits={edits} />
      {kits.isPending && <p className="text-second">Loading the kits …</p>}
      {kits.isError && all.length === 0 && (
        <>
          <p role="alert">The kits cannot be loaded: no connection to the server.</p>
          <Button className="mt-3" onClick={() => void kits.refetch()}>
            Try again
          </Button>
        </>
      )}
      {kits.data && all.length === 0 && (
        <p className="text-second">
          No kit is kept yet. Copy a kit’s sheet in once, and every job with it begins there.
        </p>
      )}
      {all.length > 0 && (
        <div className="grid grid-cols-[16rem_minmax(0,1fr)] gap-6 max-lg:grid-cols-1">
          <KitList all={all} shown={shown} />
          {shown ? (
            <KitSheet key={shown.id} kit={shown} outcomes={kits.data?.outcomes ?? []} edits={edits} />
          ) : (
            <p className="text-second">There is no such kit: it may have been deleted.</p>
          )}
        </div>
      )}
    </main>
  );
}

function KitList({ all, shown }: { all: readonly Kit[]; shown: Kit | undefined }) {
  return (
    <nav aria-label="Kits">
      <ul>
        {all.map(({ id, kit }) => (
          <li key={id} className="border-rule border-t">
            <Link
              to={`/kits/${id}`}
              aria-current={id === shown?.id ? 'page' : undefined}
              className="aria-[current=page]:bg-wash hover:bg-wash/50 block px-2 py-2"
            >
              <span className="block font-semibold">{kit.name}</span>
              <span className="label text-second block">{kit.machines || 'for any machine'}</span>
            </Link>
          </li>
        ))}
      </ul>
    </nav>
  );
}

/** A new sheet, or one out of a file. */
function Tools({ edits }: { edits: KitEdits }) {
  const navigate = useNavigate();
  const input = useRef<HTMLInputElement>(null);
  const [fault, setFault] = useState<string | null>(null);
  const take = async (event: ChangeEvent<HTMLInputElement>) => {
    const [file] = event.target.files ?? [];
    // The same file may be chosen again once it is put right.
    event.target.value = '';
    if (!file) return;
    const read = kitFrom(await file.text());
    setFault(read.ok ? null : `${file.name} was not taken in. ${read.why}`);
    if (read.ok) void navigate(`/kits/${edits.add(read.kit)}`);
  };
  return (
    <div className="mb-3 flex flex-wrap items-center gap-3">
      <Button onClick={() => void navigate(`/kits/${edits.add(blankKit('New kit'))}`)}>
        <Plus size={15} aria-hidden className="mr-1 inline" />
        New kit
      </Button>
      <Button onClick={() => input.current?.click()}>
        <Upload size={15} aria-hidden className="mr-1 inline" />
        Open a kit’s file
      </Button>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="Kit file"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => void take(event)}
      />
      {fault && (
        <p role="alert" className="text-short w-full">
          {fault}
        </p>
      )}
    </div>
  );
}
