import { transfer } from 'comlink';
import { useState } from 'react';
import { Link } from 'react-router';
import { calibrate } from '#core/vision/calibrate.ts';
import type { SheetSeen } from '#core/vision/findSheet.ts';
import { Button } from '../../ui/Button.tsx';
import { FileButton } from '../../ui/FileButton.tsx';
import { FILES, focal35, useLenses, type Lens } from './lenses.ts';
import { visionWorker } from './vision.ts';

interface View {
  seen: SheetSeen;
  widthPx: number;
  heightPx: number;
}

const LEAST_VIEWS = 3;

interface Views {
  views: View[];
  /** In how many of the last pictures no sheet was found. */
  without: number;
  busy: boolean;
  add: (files: File[]) => Promise<void>;
}

/** Pictures of the sheet, looked through in the worker. */
function useViews(): Views {
  const [views, setViews] = useState<View[]>([]);
  const [without, setWithout] = useState(0);
  const [busy, setBusy] = useState(false);
  const add = async (files: File[]) => {
    setBusy(true);
    const found: View[] = [];
    let missed = 0;
    for (const file of files) {
      try {
        const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
        const view = await visionWorker().sheet(transfer(bitmap, [bitmap]));
        if (view) found.push(view);
        else missed++;
      } catch {
        missed++;
      }
    }
    setViews((before) => [...before, ...found]);
    setWithout(missed);
    setBusy(false);
  };
  return { views, without, busy, add };
}

/** Takes pictures of the printed sheet until they tell the lens. */
export function MeasureLens({ camera, done }: { camera: string; done: () => void }) {
  const keep = useLenses((all) => all.keep);
  const { views, without, busy, add } = useViews();
  const lens = lensFrom(views);
  return (
    <>
      <ol className="list-decimal pl-5">
        <li>
          Print the{' '}
          <Link to="/marks" className="text-action underline underline-offset-4">
            sheet
          </Link>{' '}
          at its true size and lay it flat.
        </li>
        <li>
          Take at least four pictures of it that fill most of the frame: from the left, the right, above and
          below.
        </li>
        <li>Use the zoom and the size of picture that you will measure with.</li>
      </ol>
      <div className="mt-3">
        <FileButton
          label="Open pictures of the sheet"
          accept="image/*"
          multiple
          onFiles={(files) => void add(files)}
        />
      </div>
      <div className="mt-3" role="status">
        {busy && <p>Looking for the sheet …</p>}
        {views.length > 0 && (
          <p>
            The sheet was found in {views.length} {views.length === 1 ? 'picture' : 'pictures'}.
          </p>
        )}
        {without > 0 && (
          <p className="text-tight">
            In {without} of the last it was not: all five discs have to be in the picture, with nothing on
            them.
          </p>
        )}
        {views.length >= LEAST_VIEWS && !lens && (
          <p className="text-tight">
            They do not tell the lens yet: add some that are taken more from the side.
          </p>
        )}
        {lens && (
          <p className="font-semibold">
            {lens.focal35Mm.toFixed(2)} mm on a 35 mm camera, ± {(100 * lens.sdShare).toFixed(1)} %
          </p>
        )}
      </div>
      <Button
        look="main"
        className="mt-3"
        disabled={!lens}
        onClick={() => {
          if (lens) keep(camera, lens);
          done();
        }}
      >
        Use it for {camera === FILES ? 'pictures from files' : 'this camera'}
      </Button>
    </>
  );
}

function lensFrom(views: readonly View[]): Lens | null {
  const [first] = views;
  // Of another size it may be of another zoom.
  const alike = views.filter((one) => one.widthPx === first?.widthPx && one.heightPx === first.heightPx);
  if (!first || alike.length < LEAST_VIEWS) return null;
  const { widthPx, heightPx } = first;
  const found = calibrate(
    widthPx,
    heightPx,
    alike.map(({ seen }) => seen),
  );
  if (!found) return null;
  return {
    focal35Mm: focal35(found.focalPx, widthPx, heightPx),
    sdShare: Math.max(found.focalSdPx / found.focalPx, 0.002),
    bend: found.bend,
    bendSd: Math.max(found.bendSd, 0.002),
    from: 'sheet',
  };
}
