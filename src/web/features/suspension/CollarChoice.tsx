import { useState } from 'react';
import { collarSeat } from '#core/adjusting/alongDamper.ts';
import type { Json } from '#core/document/types.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { collarPlaces, type CollarPlace } from '#core/kinds/collarPlace.ts';
import { axleOf, type CornerId } from '#core/kinds/corners.ts';
import { CollarPicture } from '../../drawing/CollarPicture.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { PickedButton, PictureButton } from '../../ui/PictureButton.tsx';
import { AssumedMark } from '../job/AssumedMark.tsx';

const titles: Record<CollarPlace, string> = { above: 'Above the spring', below: 'Below the spring' };
const effects: Record<CollarPlace, string> = {
  above: 'To raise the machine it goes down the damper.',
  below: 'To raise the machine it goes up the damper.',
};

/** Where the collars of an axle sit, picked from two pictures: the instructions then say up or down the damper. */
export function CollarChoice({ id, title }: { id: CornerId; title: string }) {
  const job = useThisJob();
  const [open, setOpen] = useState(false);
  const { document } = job.record;
  const seat = collarSeat(document, id);
  if (!seat) return null;
  const choose = (at: CollarPlace) => {
    const own = cornersIn(document).filter((one) => axleOf(one) === axleOf(id) && collarSeat(document, one));
    job.actions.change(
      `Collar sits, ${title}`,
      ...own.map((one): [string[], Json] => [['corners', one, 'collarAt'], at]),
    );
    setOpen(false);
  };
  return (
    <>
      <PickedButton
        onClick={() => setOpen(true)}
        label={`Collar sits, ${title}: ${titles[seat.at].toLowerCase()}${seat.assumed ? ', assumed' : ''}`}
      >
        <CollarPicture at={seat.at} height="40px" />
        <span className="text-[13px] leading-4">
          {titles[seat.at].toLowerCase()}
          {seat.assumed && <AssumedMark />}
        </span>
      </PickedButton>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title={`Where the collar sits, ${title}`}
        description="Look at the damper in the machine. The collar is the ring that holds the spring and turns on the thread. Both sides of the axle are set alike."
      >
        <div className="grid grid-cols-2 gap-2">
          {collarPlaces.map((at) => (
            <PictureButton
              key={at}
              chosen={!seat.assumed && seat.at === at}
              onClick={() => choose(at)}
              picture={<CollarPicture at={at} by={1} height="120px" />}
              title={titles[at]}
              about={effects[at]}
            />
          ))}
        </div>
      </Dialog>
    </>
  );
}
