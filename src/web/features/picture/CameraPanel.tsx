import { transfer } from 'comlink';
import { useEffect, useRef, useState, type RefObject } from 'react';
import type { Level } from '#core/vision/camera.ts';
import { placeOn, type Ellipse } from '#core/vision/ellipse.ts';
import { Button } from '../../ui/Button.tsx';
import { focalPx, lensOf, useLenses } from './lenses.ts';
import { useTilt } from './useTilt.ts';
import { useVideo } from './useVideo.ts';
import { visionWorker } from './vision.ts';

interface Props {
  onShot: (frame: Blob, level: Level | null, camera: string) => void;
  onClose: () => void;
}

/** The camera as it sees the wheel: an outline shows when the rim is found, a line shows level, and the shutter keeps both. */
export function CameraPanel({ onShot, onClose }: Props) {
  const { video, camera, failed } = useVideo();
  const level = useTilt();
  const outline = useOutline(video, camera, level);
  const shoot = async () => {
    const from = video.current;
    if (!from || camera === null) return;
    const held = level;
    onShot(await frameOf(from), held, camera);
  };
  if (failed)
    return (
      <div className="bg-wash p-6">
        <p role="alert" className="text-short font-semibold">
          {failed}
        </p>
        <Button className="mt-3" onClick={onClose}>
          Back
        </Button>
      </div>
    );
  return (
    <div>
      <div className="bg-ink relative">
        <video
          ref={video}
          muted
          playsInline
          className="block max-h-[66vh] w-full object-contain"
          aria-label="What the camera sees"
        />
        {outline && <Found outline={outline} />}
        <Horizon level={level} />
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <Button look="main" className="min-h-11" disabled={camera === null} onClick={() => void shoot()}>
          Take the picture
        </Button>
        <Button className="min-h-11" onClick={onClose}>
          Back
        </Button>
        <p className="label text-second" role="status">
          {camera === null
            ? 'Starting the camera …'
            : outline
              ? 'The rim is found: hold still.'
              : 'Looking for the rim …'}
          {camera !== null &&
            level === null &&
            ' This device does not say how it is held: have the printed sheet in the picture.'}
        </p>
      </div>
    </div>
  );
}

/** ms between two looks: the outline follows the hand, and the page stays quick. */
const LOOK_MS = 250;
/** Frames are looked at this wide. */
const LOOK_PX = 640;

interface Seen {
  ellipse: Ellipse;
  widthPx: number;
  heightPx: number;
}

/** The rim in what the camera sees, a few times a second. */
function useOutline(
  video: RefObject<HTMLVideoElement | null>,
  camera: string | null,
  level: Level | null,
): Seen | null {
  const [seen, setSeen] = useState<Seen | null>(null);
  const measured = useLenses((all) => (camera === null ? undefined : all.measured[camera]));
  const now = useRef(level);
  useEffect(() => {
    now.current = level;
  }, [level]);
  const running = camera !== null;
  useEffect(() => {
    if (!running) return undefined;
    let wanted = true;
    const look = async () => {
      const from = video.current;
      if (!from || from.videoWidth === 0) return;
      const widthPx = Math.min(LOOK_PX, from.videoWidth);
      const heightPx = Math.round((from.videoHeight * widthPx) / from.videoWidth);
      const bitmap = await createImageBitmap(from, { resizeWidth: widthPx, resizeHeight: heightPx });
      const ellipse = await visionWorker().look(
        transfer(bitmap, [bitmap]),
        focalPx(lensOf(measured, null), widthPx, heightPx),
        now.current,
      );
      if (wanted) setSeen(ellipse && { ellipse, widthPx, heightPx });
    };
    const go = async () => {
      while (wanted) {
        await look().catch(() => undefined);
        await new Promise((done) => setTimeout(done, LOOK_MS));
      }
    };
    void go();
    return () => {
      wanted = false;
    };
  }, [video, running, measured]);
  return seen;
}

function Found({ outline: { ellipse, widthPx, heightPx } }: { outline: Seen }) {
  const places = Array.from({ length: 72 }, (_, k) => placeOn(ellipse, (k * Math.PI) / 36));
  const d = `M${places.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`;
  return (
    <svg
      viewBox={`0 0 ${widthPx} ${heightPx}`}
      className="pointer-events-none absolute inset-0 size-full"
      aria-hidden
    >
      <path d={d} fill="none" stroke="#10211b" strokeOpacity={0.7} strokeWidth={5} />
      <path d={d} fill="none" stroke="#f4f1e2" strokeWidth={2.2} />
    </svg>
  );
}

/** deg. Held within these it is level enough. */
const LEVEL_DEG = 4;

function Horizon({ level }: { level: Level | null }) {
  if (!level) return null;
  const off = Math.abs(level.rollDeg) > LEVEL_DEG;
  return (
    <p className="bg-sheet/90 label absolute right-2 bottom-2 px-2 py-1">
      {off
        ? `Turn it ${Math.round(Math.abs(level.rollDeg))} degrees ${level.rollDeg > 0 ? 'back to the left' : 'back to the right'}`
        : 'Held level'}
      {`, looking ${Math.round(Math.abs(level.pitchDeg))} degrees ${level.pitchDeg < 0 ? 'down' : 'up'}`}
    </p>
  );
}

/** The frame that the camera shows now, whole. */
async function frameOf(video: HTMLVideoElement): Promise<Blob> {
  const canvas = new OffscreenCanvas(video.videoWidth, video.videoHeight);
  canvas.getContext('2d')?.drawImage(video, 0, 0);
  return canvas.convertToBlob({ type: 'image/jpeg', quality: 0.95 });
}
