import { useThisJob } from '../../jobStore/jobContext.ts';
import { useState } from 'react';
import { adjusterOf, adjustersMetAt } from '#core/kinds/adjusters/index.ts';
import { usualFitting } from '#core/document/description/corner.ts';
import { fittingFields } from '#core/document/fitting.ts';
import type { CornerDocument, Fitting, Json } from '#core/document/types.ts';
import { cornerNames, twinOf, type CornerId } from '#core/kinds/corners.ts';
import { footingOf } from '#core/kinds/classes/index.ts';
import { capital } from '../../ui/words.ts';
import { FittingPicture } from '../../drawing/FittingPicture.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { PickedButton } from '../../ui/PictureButton.tsx';

/** What is moved by hand at a corner, or on an axle by its name, picked from pictures. */
export function FittingChoice({ id, axle }: { id: CornerId; axle?: string }) {
  const job = useThisJob();
  const [open, setOpen] = useState(false);
  const { machine, corners } = job.record.document;
  const { fitting } = corners[id];
  // Filled in beforehand: whoever has not looked yet sees what it stands on.
  const isUsual = axle !== undefined && fitting === usualFitting({ machineClass: machine.class, corner: id });
  const { title } = adjusterOf(fitting);
  const where = axle ?? cornerNames[id];
  return (
    <>
      <PickedButton onClick={() => setOpen(true)} label={`What is turned, ${where}: ${title}`}>
        <FittingPicture kind={fitting} height={40} />
        <span className="text-[13px] leading-4">
          {title}
          {isUsual && <span className="text-second block">usual here</span>}
        </span>
      </PickedButton>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title={`What is turned, ${where}`}
        description="What is moved by hand is drawn in colour. Its own figures are given afterwards; until then they are assumed, and marked so."
      >
        <Pictures id={id} done={() => setOpen(false)} />
      </Dialog>
    </>
  );
}

/** Where an adjuster's collar is read from of itself, unless somebody has said otherwise. */
function datumOf({ collar }: CornerDocument, id: CornerId, kind: Fitting): [string[], Json][] {
  const { datum } = adjusterOf(kind);
  return datum !== '' && collar.datum === '' ? [[['corners', id, 'collar', 'datum'], datum]] : [];
}

function Pictures({ id, done }: { id: CornerId; done: () => void }) {
  const job = useThisJob();
  const { document } = job.record;
  const twin = twinOf(id);
  const [both, setBoth] = useState(twin !== null);
  const choose = (kind: Fitting) => {
    const ids = both && twin ? [id, twin] : [id];
    const changes = ids
      .filter((one) => document.corners[one].fitting !== kind)
      .flatMap((one) => [
        ...Object.entries(fittingFields(kind)).map(([name, value]): [string[], Json] => [
          ['corners', one, name],
          value as Json,
        ]),
        ...datumOf(document.corners[one], one, kind),
      ]);
    if (changes.length > 0) job.actions.change(`What is turned, ${cornerNames[id]}`, ...changes);
    done();
  };
  return (
    <>
      <div className="grid grid-cols-3 gap-2 max-md:grid-cols-2">
        {adjustersMetAt(footingOf(document.machine.class), id).map((kind) => {
          const chosen = document.corners[id].fitting === kind;
          return (
            <button
              key={kind}
              type="button"
              onClick={() => choose(kind)}
              aria-pressed={chosen}
              className={`hover:bg-wash flex flex-col items-center border p-2 text-center ${chosen ? 'border-action bg-wash' : 'border-rule'}`}
            >
              <FittingPicture kind={kind} height={72} />
              <span className="mt-1 font-semibold">{capital(adjusterOf(kind).title)}</span>
              <span className="label text-second">{adjusterOf(kind).does}</span>
            </button>
          );
        })}
      </div>
      {twin && (
        <label className="mt-3 flex min-h-9 items-center gap-2">
          <input
            type="checkbox"
            className="accent-action size-5"
            checked={both}
            onChange={(event) => setBoth(event.target.checked)}
          />
          The same {cornerNames[twin]}
        </label>
      )}
    </>
  );
}
