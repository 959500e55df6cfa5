import { useState } from 'react';
import type { CornerId } from '#core/kinds/corners.ts';
import type { Measure } from '#core/vision/measures.ts';
import { useAway } from '../../api/jobs.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { BeforePicture } from './BeforePicture.tsx';
import { CameraPanel } from './CameraPanel.tsx';
import { FILES } from './lenses.ts';
import { PictureMarked } from './PictureMarked.tsx';
import { PractisedPicture } from './PractisedPicture.tsx';
import { ReadingSide } from './ReadingSide.tsx';
import { usePictureWork, type PictureWorkOf } from './usePictureWork.ts';
import { askForTilt } from './useTilt.ts';
import type { ReadingOf } from './useTake.ts';

interface Props {
  /** Which reading it is for. */
  of: ReadingOf;
  id: CornerId;
  round: number;
  measure: Measure;
}

/** A corner's height off pictures: a picture with what was found in it, and beside it what it says and what that rests on. */
export function PictureWork({ of, id, round, measure }: Props) {
  const work = usePictureWork(of, id, round, measure);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_300px] items-start gap-5 max-lg:grid-cols-1">
      <section aria-label="Picture" className="min-w-0">
        <PictureSide work={work} />
      </section>
      <section aria-label="Reading" className="flex flex-col gap-4">
        <ReadingSide work={work} />
      </section>
    </div>
  );
}

function PictureSide({ work }: { work: PictureWorkOf }) {
  const [live, setLive] = useState(false);
  const { id, document } = useThisJob().record;
  // Practice renders wheels under arches.
  const practised = useAway(id) === 'practice' && document.corners[work.id].reference.kind === 'hub-arch';
  const { state, measure } = work;
  if (state.kind === 'open') return <PictureMarked work={work} shot={state.shot} />;
  if (state.kind === 'opening') return <p className="text-second p-6">Opening the picture …</p>;
  if (state.kind === 'failed')
    return (
      <div className="bg-wash p-6">
        <p role="alert" className="text-short font-semibold">
          {state.why}
        </p>
        <Button className="mt-3" onClick={work.leave}>
          Choose another
        </Button>
      </div>
    );
  if (live)
    return (
      <CameraPanel
        onShot={(frame, level, camera) => {
          setLive(false);
          void work.openFrame(frame, level, camera);
        }}
        onClose={() => setLive(false)}
      />
    );
  return (
    <BeforePicture
      marks={measure === 'marks'}
      onFile={work.openFile}
      onCamera={() => {
        void askForTilt();
        setLive(true);
      }}
    >
      {practised && (
        <PractisedPicture
          id={work.id}
          onTaken={({ jpeg, level }) => void work.openFrame(jpeg, level, FILES)}
        />
      )}
    </BeforePicture>
  );
}
