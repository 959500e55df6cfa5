import { hasOther, type Measure } from '#core/vision/measures.ts';
import { otherEndWords } from '#words/pictures.ts';
import { Button } from '../../ui/Button.tsx';
import { handlesOf } from './handles.ts';
import { PictureView } from './PictureView.tsx';
import type { Shot } from './shot.ts';
import { useGhost } from './useGhost.ts';
import type { PictureWorkOf } from './usePictureWork.ts';

/** The picture with what was found in it, and how something else is pointed at. */
export function PictureMarked({ work, shot }: { work: PictureWorkOf; shot: Shot }) {
  const { id, round, read, pointed, placing, measure, whole, beginPlacing } = work;
  const ghost = useGhost(id, round);
  return (
    <>
      <PictureView
        shot={shot}
        read={read}
        handles={handlesOf(read, pointed, measure)}
        onMove={(handle, to) => work.point(handle.moved(to))}
        ghost={ghost}
        placing={placing}
        onPlace={work.place}
        whole={whole || placing === 'rim'}
      />
      <div className="mt-2 flex flex-wrap items-center gap-2">
        {work.hasRim && (
          <Button aria-pressed={placing === 'rim'} onClick={() => beginPlacing('rim')}>
            Point at the rim
          </Button>
        )}
        <Button aria-pressed={placing === 'point'} onClick={() => beginPlacing('point')}>
          Point at the {measure === 'marks' ? 'first mark' : 'body'}
        </Button>
        {hasOther[measure] && (
          <Button aria-pressed={placing === 'other'} onClick={() => beginPlacing('other')}>
            Point at the {otherEndWords[measure]}
          </Button>
        )}
        <Button look="quiet" className="ml-2" onClick={() => work.showWhole(!whole)}>
          {whole ? 'Show the wheel' : 'Show the whole picture'}
        </Button>
      </div>
      {placing && (
        <p className="mt-2 font-semibold" role="status">
          {tapWords(placing, pointed.rim.length, measure)}
        </p>
      )}
    </>
  );
}

function tapWords(placing: NonNullable<PictureWorkOf['placing']>, taps: number, measure: Measure): string {
  if (placing === 'rim') return `Tap the outer edge of the rim in three places, well apart: ${taps} of 3.`;
  if (placing === 'point')
    return measure === 'marks'
      ? 'Tap the first mark.'
      : 'Tap the place on the body that the height is measured to.';
  return `Tap the ${otherEndWords[measure] ?? 'other end'}.`;
}
