import { causeWords, refusalWords, sheetCauseWords } from '#words/pictures.ts';
import type { PictureRead, Refusal } from '#core/vision/readPicture.ts';
import type { Cause } from '#core/vision/lengthIn.ts';
import { Length, SizeLength } from '../../ui/Figure.tsx';
import { useSay } from '../../ui/settings.ts';

const NEEDS_LEVEL: readonly Refusal['kind'][] = ['lens-high', 'lens-low', 'rolled', 'unsure', 'no-point'];

/** What the picture says, how far it may be out and why; or what is wrong with it and what to do better. */
export function Verdict({ read, noLevel }: { read: PictureRead; noLevel: boolean }) {
  const say = useSay(0);
  // Without a level nothing that hangs on it can be told.
  const refusals = read.refusals.filter(({ kind }) => !noLevel || !NEEDS_LEVEL.includes(kind));
  const refused = read.refusals.length > 0 || noLevel;
  return (
    <div aria-live="polite" data-testid="picture-verdict">
      {read.reading && !refused && (
        <>
          <p className="text-figure font-bold whitespace-nowrap">
            <Length mm={read.reading.mm} />{' '}
            <span className="text-body font-normal">
              ± <SizeLength mm={read.reading.sdMm} />
            </span>
          </p>
          <Causes causes={read.reading.causes} words={read.sheet ? sheetCauseWords : causeWords} />
        </>
      )}
      {refused && <p className="text-head text-short font-semibold">Not read</p>}
      {noLevel && (
        <Refused
          what="It is not known how the camera was held."
          better="Hang the printed sheet beside the wheel, in the picture, or take it with the camera on this page."
        />
      )}
      {refusals.map((refusal) => (
        <Refused key={refusal.kind} {...refusalWords(refusal, say)} />
      ))}
      <p className="label text-second mt-2">
        {read.sheet && 'The printed sheet is the scale.'}
        {read.edgeShare !== null && <>{Math.round(100 * read.edgeShare)} % of the rim’s edge found</>}
        {read.lensOffMm !== null && !noLevel && (
          <>
            {' · '}lens <SizeLength mm={Math.abs(read.lensOffMm)} decimals={0} />{' '}
            {read.lensOffMm > 0 ? 'above' : 'below'} the point
          </>
        )}
      </p>
    </div>
  );
}

function Refused({ what, better }: { what: string; better: string }) {
  return (
    <p className="mt-1">
      {what} <b>{better}</b>
    </p>
  );
}

/** Causes below this share of the whole are left out. */
const LEAST_SHARE = 0.03;

/** Where the uncertainty comes from, the largest first, each as a bar of its share. */
function Causes({ causes, words }: { causes: Record<Cause, number>; words: Record<Cause, string> }) {
  const all = Object.values(causes).reduce((sum, one) => sum + one, 0);
  const shown = (Object.entries(causes) as [Cause, number][])
    .filter(([, variance]) => variance > LEAST_SHARE * all)
    .sort((a, b) => b[1] - a[1]);
  return (
    <ul className="label mt-1" aria-label="Why it may be out">
      {shown.map(([cause, variance]) => (
        <li key={cause} className="flex items-center gap-2">
          <span className="bg-wash h-2 w-20 shrink-0" aria-hidden>
            <span className="bg-second block h-full" style={{ width: `${(100 * variance) / all}%` }} />
          </span>
          <span>
            {words[cause]}, ± <SizeLength mm={Math.sqrt(variance)} />
          </span>
        </li>
      ))}
    </ul>
  );
}
