import { useThisJob } from '../../jobStore/jobContext.ts';
import { useState } from 'react';
import { assumedRatio, hungAt, type GainGroup } from '#core/estimate/corner.ts';
import type { Json } from '#core/document/types.ts';
import { ratioRange, suspensionsOf } from '#core/kinds/suspension.ts';
import type { SuspensionType } from '#core/kinds/suspensionTypes.ts';
import { axleOf } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { suspensionTitles } from '#words/suspension.ts';
import { SuspensionPicture } from '../../drawing/SuspensionPicture.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { PickedButton, PictureButton } from '../../ui/PictureButton.tsx';
import { capital } from '../../ui/words.ts';
import type { Job } from '../../jobStore/useJob.ts';

/** How an axle is hung, picked from pictures: it narrows the motion ratio before anything is measured. */
export function SuspensionChoice({ group }: { group: GainGroup }) {
  const job = useThisJob();
  const [open, setOpen] = useState(false);
  const { document } = job.record;
  const axle = axleOf(group.id);
  const all = suspensionsOf(document.machine.class, axle);
  const { suspension } = document.corners[group.id];
  // Where there is only one, nobody need be asked.
  if (all.length === 1) return null;
  const choose = (kind: SuspensionType | null) => {
    const own = cornersIn(document).filter((id) => axleOf(id) === axle);
    job.actions.change(
      `Suspension, ${group.title}`,
      ...own.map((id): [string[], Json] => [['corners', id, 'suspension'], kind]),
    );
    setOpen(false);
  };
  return (
    <>
      <PickedButton
        onClick={() => setOpen(true)}
        label={`Suspension, ${group.title}: ${suspension ? suspensionTitles[suspension] : 'not picked'}`}
      >
        {suspension && <SuspensionPicture kind={suspension} height={40} />}
        <span>
          {suspension ? (
            suspensionTitles[suspension]
          ) : document.corners[group.id].ratio === null ? (
            <b className="text-action font-semibold">Pick the {group.title} suspension</b>
          ) : (
            <span className="text-second">not said: the ratio is given</span>
          )}
        </span>
      </PickedButton>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title={`Suspension, ${group.title}`}
        description="It tells how much of the wheel’s travel the damper makes. Measuring the ratio is better still."
      >
        <div className="grid grid-cols-3 gap-2 max-md:grid-cols-2">
          {all.map((kind) => {
            const [low, high] = ratioRange({ ...hungAt(document, group.id), suspension: kind });
            return (
              <PictureButton
                key={kind}
                chosen={suspension === kind}
                onClick={() => choose(kind)}
                picture={<SuspensionPicture kind={kind} height={72} />}
                title={capital(suspensionTitles[kind])}
                about={`ratio usually ${low.toFixed(2)} to ${high.toFixed(2)}`}
              />
            );
          })}
          <PictureButton
            chosen={suspension === null}
            onClick={() => choose(null)}
            title="Not known"
            about={`${assumedRatio(withNone(document, group), group.id).toFixed(2)} assumed, known to a quarter`}
          />
        </div>
      </Dialog>
    </>
  );
}

function withNone(document: Job['record']['document'], { id }: GainGroup) {
  return {
    ...document,
    corners: { ...document.corners, [id]: { ...document.corners[id], suspension: null } },
  };
}
