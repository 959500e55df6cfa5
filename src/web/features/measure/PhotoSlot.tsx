import { dayWords } from '#words/day.ts';
import { Camera } from 'lucide-react';
import { memo, useId, useState } from 'react';
import type { Photo } from '#contract/api.ts';
import { limits } from '#contract/limits.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { ApiProblem } from '../../api/client.ts';
import { useAddPhoto, usePhotos, useRemovePhoto } from '../../api/photos.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { MarksOf, Torques } from '../sheet/GoesBack.tsx';

/**
 * Pictures of where the tape is held here, kept with the machine so that next time it is the same point. Drawn anew only
 * when they change: everything around them does at every keystroke.
 */
export const PhotoSlot = memo(function PhotoSlot({ jobId, id }: { jobId: string; id: CornerId }) {
  const { data } = usePhotos(jobId);
  const add = useAddPhoto(jobId);
  const inputId = useId();
  const [shown, setShown] = useState<Photo | null>(null);
  const photos = data?.photos.filter(({ corner }) => corner === id) ?? [];
  const where = cornerNames[id];
  return (
    <div className="mt-5 print:hidden">
      <div className="flex flex-wrap items-center gap-2 wide:in-data-[corner^=R]:justify-end">
        {photos.map((photo, k) => (
          <button
            key={photo.id}
            type="button"
            onClick={() => setShown(photo)}
            aria-label={`Picture ${k + 1} of the point, ${where}`}
            className="border-rule border"
          >
            <img src={`/api/photos/${photo.id}/small`} alt="" className="h-12 w-16 object-cover" />
          </button>
        ))}
        {photos.length < limits.photosPerCorner && (
          <label
            htmlFor={inputId}
            className="text-action label focus-within:outline-action flex min-h-9 cursor-pointer items-center gap-1.5 font-semibold underline underline-offset-4 focus-within:outline-2"
          >
            <Camera aria-hidden size={15} />
            {add.isPending ? 'Sending …' : photos.length > 0 ? 'Another' : 'Picture of the point'}
            <input
              id={inputId}
              type="file"
              accept="image/jpeg,image/png,image/webp"
              capture="environment"
              aria-label={`Add a picture of the point, ${where}`}
              className="sr-only"
              onChange={(event) => {
                const file = event.target.files?.[0];
                event.target.value = '';
                if (file) add.mutate({ corner: id, file });
              }}
            />
          </label>
        )}
      </div>
      {add.isError && (
        <p role="alert" className="text-short label mt-1">
          {add.error instanceof ApiProblem
            ? add.error.problem.title
            : 'No connection to the server: the picture is not saved.'}{' '}
          <button
            type="button"
            className="font-semibold underline underline-offset-4"
            onClick={() => add.variables && add.mutate(add.variables)}
          >
            Send it again
          </button>
        </p>
      )}
      <Dialog open={shown !== null} onClose={() => setShown(null)} title={`The point, ${where}`}>
        {shown && <Shown jobId={jobId} photo={shown} close={() => setShown(null)} />}
      </Dialog>
    </div>
  );
});

function Shown({ jobId, photo, close }: { jobId: string; photo: Photo; close: () => void }) {
  const remove = useRemovePhoto(jobId);
  const [asked, setAsked] = useState(false);
  return (
    <>
      <img
        src={`/api/photos/${photo.id}`}
        width={photo.width}
        height={photo.height}
        alt={`Where the tape is held, ${cornerNames[photo.corner]}`}
        className="max-h-[56vh] w-full object-contain"
      />
      <MarksOf id={photo.corner} />
      <Torques />
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <p className="label text-second mr-auto">
          {dayWords(photo.at)}
          {photo.jobId !== jobId && ', in an earlier job'}. Kept with the machine.
        </p>
        {asked ? (
          <Button
            look="main"
            disabled={remove.isPending}
            onClick={() => remove.mutate(photo.id, { onSuccess: close })}
          >
            Delete
          </Button>
        ) : (
          <Button onClick={() => setAsked(true)}>Remove</Button>
        )}
      </div>
      {remove.isError && (
        <p role="alert" className="text-short label mt-1">
          It could not be deleted. Try again.
        </p>
      )}
    </>
  );
}
