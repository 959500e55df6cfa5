import { useState, type RefObject } from 'react';
import { faultOf } from '../../api/faultOf.ts';
import { useGivenSheets, useGiveSheet } from '../../api/sheets.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { CodePicture } from '../../ui/CodePicture.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Fault } from '../../ui/Fault.tsx';
import { Select } from '../../ui/Select.tsx';
import { frozen } from './frozen.ts';
import { GivenList } from './GivenList.tsx';

const DAYS = [7, 30, 90, 365];

/** Gives the sheet to a customer as a link; nothing where the owner has not said under what address customers come. */
export function GiveLink({ sheet }: { sheet: RefObject<HTMLElement | null> }) {
  const { id } = useThisJob().record;
  const { data } = useGivenSheets(id);
  const [open, setOpen] = useState(false);
  if (!data?.possible) return null;
  return (
    <>
      <Button className="print:hidden" onClick={() => setOpen(true)}>
        Give it as a link
      </Button>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title="Give it as a link"
        description="Whoever has the link sees this sheet as it stands now, and nothing else. What changes later does not show there."
      >
        <NewLink sheet={sheet} />
        {data.sheets.length > 0 && (
          <section aria-label="Links of this job" className="mt-5">
            <h3 className="font-semibold">Links of this job</h3>
            <GivenList sheets={data.sheets} />
          </section>
        )}
      </Dialog>
    </>
  );
}

function NewLink({ sheet }: { sheet: RefObject<HTMLElement | null> }) {
  const { id, document } = useThisJob().record;
  const [days, setDays] = useState(30);
  const give = useGiveSheet();
  const make = async () => {
    if (!sheet.current) return;
    const page = await frozen(sheet.current);
    give.mutate({ jobId: id, title: document.name, days, ...page });
  };
  if (give.data) return <Made address={give.data.address} />;
  return (
    <>
      <div className="flex flex-wrap items-end gap-4">
        <label>
          <span className="label text-second block">It opens for</span>
          <Select
            value={String(days)}
            options={DAYS.map((one) => ({ value: String(one), words: `${one} days` }))}
            onChange={(to) => setDays(Number(to))}
          />
        </label>
        <Button look="main" disabled={give.isPending} onClick={() => void make()}>
          Make the link
        </Button>
      </div>
      <Fault words={give.error && faultOf(give.error)} />
    </>
  );
}

/** The link itself: it is shown this once. */
function Made({ address }: { address: string }) {
  const [copied, setCopied] = useState(false);
  const copy = () =>
    void navigator.clipboard.writeText(address).then(
      () => setCopied(true),
      // It stands there to be marked and copied by hand.
      () => undefined,
    );
  return (
    <>
      <p className="font-semibold">It is shown this once: copy it, or have it filmed.</p>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <input
          readOnly
          aria-label="Link to the sheet"
          value={address}
          onFocus={(event) => event.target.select()}
          className="border-rule h-11 min-w-0 flex-1 border px-2"
        />
        <Button look="main" onClick={copy}>
          {copied ? 'Copied' : 'Copy'}
        </Button>
      </div>
      <div className="mt-3">
        <CodePicture address={address} words="The link as a code that a camera reads" />
      </div>
    </>
  );
}
