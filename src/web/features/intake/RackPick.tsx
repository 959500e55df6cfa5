import { useSides } from '../../jobStore/bothSides.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Json } from '#core/document/types.ts';
import { adjusterOf } from '#core/kinds/adjusters/index.ts';
import { cornerNames, twinOf, type CornerId } from '#core/kinds/corners.ts';
import { asOne, rateOf, springFromRack, type RackSpring } from '#core/rack/spring.ts';
import { useRack } from '../../api/rack.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { SizeLength } from '../../ui/Figure.tsx';
import { FindBox } from '../../ui/FindBox.tsx';
import { Select } from '../../ui/Select.tsx';
import { Rate } from '../../ui/Rate.tsx';

/** Most springs shown at once: more are found by words. */
const SHOWN = 40;

/** Picks a corner's spring from the rack in place of typing its figures; the other side gets the same one. */
export function RackPick({ id }: { id: CornerId }) {
  const [open, setOpen] = useState(false);
  const where = useSides().named(id);
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        aria-label={`From the rack, ${where}`}
        className="text-action min-h-9 text-[13px] font-semibold [font-stretch:82%]"
        onClick={() => setOpen(true)}
      >
        from the rack
      </button>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title={`From the rack, ${where}`}
        description="Its rate and lengths are written down as what is fitted. It can be undone."
      >
        <Choice id={id} onDone={() => setOpen(false)} />
      </Dialog>
    </>
  );
}

function Choice({ id, onDone }: { id: CornerId; onDone: () => void }) {
  const job = useThisJob();
  const { springs } = job.record.document.corners[id];
  const [place, setPlace] = useState(0);
  const [find, setFind] = useState('');
  const { data, isError, refetch } = useRack();
  const words = find.trim().toLowerCase();
  const found = (data ?? []).filter(
    (one) => springFromRack(one) !== null && one.name.toLowerCase().includes(words),
  );
  return (
    <>
      {springs.length > 1 && (
        <Select
          label="Which spring of the stack"
          value={String(place)}
          options={springs.map(({ name }, k) => ({
            value: String(k),
            words: `${k + 1}: ${name || 'spring'}`,
          }))}
          onChange={(to) => setPlace(Number(to))}
        />
      )}
      <FindBox label="Find a spring" value={find} onChange={setFind} />
      <ul className="mt-2">
        {found.slice(0, SHOWN).map((spring) => (
          <li key={spring.id}>
            <button
              type="button"
              className="hover:bg-wash grid min-h-10 w-full grid-cols-[minmax(0,1fr)_96px_84px_72px] items-center gap-x-3 px-1 text-left"
              onClick={() => {
                fit(job, id, place, spring);
                onDone();
              }}
            >
              <b className="truncate">{spring.name}</b>
              <span className="text-right">
                {spring.rows ? 'by a table' : <Rate nPerMm={rateOf(spring)?.value ?? 0} />}
              </span>
              <span className="text-right">
                {spring.freeLengthMm === null ? '' : <SizeLength mm={spring.freeLengthMm} decimals={0} />}
              </span>
              <span className="text-second text-right">{spring.stock} there</span>
            </button>
          </li>
        ))}
      </ul>
      {found.length > SHOWN && (
        <p className="text-second mt-1">{found.length - SHOWN} more: narrow them by a word.</p>
      )}
      {found.length === 0 && (
        <div className="text-second mt-2">
          {isError ? (
            <>
              <p>The rack cannot be loaded: no connection to the server.</p>
              <Button className="mt-2" onClick={() => void refetch()}>
                Try again
              </Button>
            </>
          ) : data === undefined ? (
            <p>Loading the rack …</p>
          ) : (
            <p>
              {data.length === 0 ? 'Nothing is on the rack yet.' : 'No results.'}{' '}
              <Link to="/rack" className="text-action underline underline-offset-4">
                To the rack
              </Link>
            </p>
          )}
        </div>
      )}
    </>
  );
}

/** Writes a rack spring down as what is fitted; on both sides where these were alike before. */
function fit(job: Job, id: CornerId, place: number, spring: RackSpring): void {
  const { corners } = job.record.document;
  const one = springFromRack(spring);
  // Of a fork both legs are told of together.
  const fitted = one && asOne(one, adjusterOf(corners[id].fitting).inFork ? 2 : 1);
  const { springs } = corners[id];
  const next = springs.length === 0 ? [fitted] : springs.map((one, k) => (k === place ? fitted : one));
  const twin = twinOf(id);
  const alike = twin && JSON.stringify(corners[twin].springs) === JSON.stringify(springs);
  job.actions.change(
    `${spring.name} from the rack, ${cornerNames[id]}`,
    ...(alike ? [id, twin] : [id]).map((one): [string[], Json] => [['corners', one, 'springs'], next]),
  );
}
