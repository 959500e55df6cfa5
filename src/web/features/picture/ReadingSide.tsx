import { Button } from '../../ui/Button.tsx';
import { Length } from '../../ui/Figure.tsx';
import { LensLine } from './LensLine.tsx';
import { Taken } from './Taken.tsx';
import type { PictureWorkOf } from './usePictureWork.ts';
import { Verdict } from './Verdict.tsx';
import { WheelFields } from './WheelFields.tsx';

/** What a picture says, what that rests on, and what was taken so far. */
export function ReadingSide({ work }: { work: PictureWorkOf }) {
  const { of, id, round, shot, lens, hasRuler, read, failed, noLevel, again, unkept, oddByMm } = work;
  return (
    <>
      {shot && hasRuler && !read && !failed && <p className="text-second">Reading the picture …</p>}
      {failed && (
        <p role="alert" className="text-short">
          The picture could not be worked with. Take it again.
        </p>
      )}
      {shot && !hasRuler && (
        <p className="text-tight font-semibold">Measure the rim first: it is the ruler.</p>
      )}
      {read && <Verdict read={read} noLevel={noLevel} />}
      {oddByMm !== null && (
        <p className="text-tight">
          It lies <Length mm={Math.abs(oddByMm)} /> {oddByMm > 0 ? 'above' : 'below'} the other readings here.
          Look whether the ring lies on the rim, and the mark where you mean it.
        </p>
      )}
      {shot && <Taking work={work} />}
      {unkept && (
        <p role="alert" className="text-tight label">
          The reading is kept, the picture behind it is not: no connection to the server.
        </p>
      )}
      {!again && !read?.sheet && <WheelFields id={id} measure={work.measure} />}
      {shot && lens && !again && <LensLine lens={lens} camera={shot.camera} />}
      <Taken of={of} id={id} round={round} check={work.check} />
    </>
  );
}

function Taking({ work: { again, free, canTake, take, leave } }: { work: PictureWorkOf }) {
  if (again)
    return (
      <div className="flex flex-wrap items-center gap-2">
        <p>
          It was read as <Length mm={again.meta.mm} /> then.
        </p>
        <Button onClick={leave}>Done</Button>
      </div>
    );
  return (
    <div className="flex flex-wrap gap-2">
      {free === null ? (
        <p className="text-tight">There are three readings already. Empty one to take this.</p>
      ) : (
        <Button look="main" disabled={!canTake} onClick={take}>
          Take as reading {free}
        </Button>
      )}
      <Button onClick={leave}>Another picture</Button>
    </div>
  );
}
