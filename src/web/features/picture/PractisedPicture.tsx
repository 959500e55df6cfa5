import type { CornerId } from '#core/kinds/corners.ts';
import { faultOf } from '../../api/faultOf.ts';
import { useTakePicture, type TakenPicture } from '../../api/practice.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';

interface Props {
  id: CornerId;
  onTaken: (picture: TakenPicture) => void;
}

/** Where the machine is one of practice: somebody takes the picture, and has taped the rim. */
export function PractisedPicture({ id, onTaken }: Props) {
  const job = useThisJob();
  const { mutate, isPending, error } = useTakePicture(job.record.id);
  const take = () =>
    mutate(id, {
      onSuccess: (taken) => {
        if (job.record.document.corners[id].rimMm === null)
          job.actions.change('Rim taped', [['corners', id, 'rimMm'], taken.rimMm]);
        onTaken(taken);
      },
    });
  return (
    <div className="flex flex-col gap-1">
      <Button look="main" className="self-start" disabled={isPending} onClick={take}>
        {isPending ? 'Taking it …' : 'Take one of the practice machine'}
      </Button>
      <p className="label text-second">
        Drawn as a tablet held by hand sees it, with what its level says. Somebody tapes the rim for you.
      </p>
      {error && (
        <p role="alert" className="text-short font-semibold">
          {faultOf(error)}
        </p>
      )}
    </div>
  );
}
