import { useSides } from '../../jobStore/bothSides.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useState } from 'react';
import { cornerSpec } from '#core/estimate/corner.ts';
import type { Json, RatioDocument } from '#core/document/types.ts';
import { cornerNames, twinOf, type CornerId } from '#core/kinds/corners.ts';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { RatioFields } from '../ratio/RatioFields.tsx';
import { ratioKindOf, ratioKindWords } from '../ratio/ratioKind.ts';
import { Dialog } from '../../ui/Dialog.tsx';

/** Where a corner's ratio comes from: one number, or more where it changes over the travel. */
export function RatioChoice({ id }: { id: CornerId }) {
  const job = useThisJob();
  const [open, setOpen] = useState(false);
  const where = useSides().named(id);
  const { ratioFrom } = job.record.document.corners[id];
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        aria-label={`Motion ratio from, ${where}: ${ratioKindWords[ratioKindOf(ratioFrom)]}`}
        onClick={() => setOpen(true)}
        className="border-second/70 hover:bg-wash min-h-9 w-full border-b text-left text-[13px] [font-stretch:82%]"
      >
        {ratioKindWords[ratioKindOf(ratioFrom)]}
      </button>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title={`Motion ratio, ${where}`}
        description="Where the ratio changes over the travel, enter pairs of wheel travel and damper compression. Wheel hanging is 0 and 0."
      >
        <Editor id={id} />
      </Dialog>
    </>
  );
}

function Editor({ id }: { id: CornerId }) {
  const job = useThisJob();
  const { document } = job.record;
  const { ratioFrom } = document.corners[id];
  const { ratio, travelMm } = cornerSpec(document, id);
  const twin = twinOf(id);
  const put = (next: RatioDocument | null) =>
    job.actions.change(
      `Motion ratio, ${cornerNames[id]}`,
      ...[id, ...(twin ? [twin] : [])].map((one): [string[], Json] => [
        ['corners', one, 'ratioFrom'],
        next as Json,
      ]),
    );
  return (
    <div data-fields>
      <RatioFields
        value={ratioFrom}
        ratio={ratio.value}
        travelMm={travelMm.value}
        draftKey={pathKey(job.record.id, ['corners', id, 'ratioFrom'])}
        put={put}
        whenOne="The figure stands in the table: damper per wheel, 0.5 or 2:1."
      />
      {twin && <p className="label text-second mt-3">The same {cornerNames[twin]}.</p>}
    </div>
  );
}
