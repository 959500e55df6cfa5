import { transfer } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { PictureMeta } from '#contract/pictures.ts';
import type { Level } from '#core/vision/camera.ts';
import type { LevelFrom } from '../../workers/vision.worker.ts';
import { focal35Of } from './exif.ts';
import { wholeAgain } from './keep.ts';
import { FILES } from './lenses.ts';
import type { Shot } from './shot.ts';
import { visionWorker } from './vision.ts';

export type ShotState =
  | { kind: 'none' }
  | { kind: 'opening' }
  | { kind: 'failed'; why: string }
  | { kind: 'open'; shot: Shot };

/** The picture in hand: opened out of a file or as the camera gave it, and taken into the worker. */
export function useShot(): {
  state: ShotState;
  openFile: (file: Blob) => Promise<void>;
  /** One that is kept: its part of the picture, in its place. */
  openKept: (meta: PictureMeta, part: () => Promise<Blob>) => Promise<void>;
  openFrame: (frame: Blob, level: Level | null, camera: string) => Promise<void>;
  close: () => void;
} {
  const [state, setState] = useState<ShotState>({ kind: 'none' });
  const url = useRef<string | null>(null);
  const forget = () => {
    if (url.current) URL.revokeObjectURL(url.current);
    url.current = null;
  };
  useEffect(() => forget, []);
  const open = async (blob: Blob, level: Level | null, camera: string, levelFrom: LevelFrom = 'camera') => {
    setState({ kind: 'opening' });
    const key = crypto.randomUUID();
    try {
      const bitmap = await createImageBitmap(blob, { imageOrientation: 'from-image' });
      const size = await visionWorker().open(key, transfer(bitmap, [bitmap]));
      const focal35Mm = await focal35Of(blob);
      forget();
      url.current = URL.createObjectURL(blob);
      setState({
        kind: 'open',
        shot: { key, url: url.current, ...size, level, levelFrom, focal35Mm, camera, blob },
      });
    } catch {
      setState({
        kind: 'failed',
        why: 'This is no picture that can be opened. A JPEG or PNG would be right.',
      });
    }
  };
  return {
    state,
    openFile: (file) => open(file, null, FILES),
    openFrame: (frame, level, camera) => open(frame, level, camera),
    openKept: async (meta, part) => {
      setState({ kind: 'opening' });
      try {
        await open(await wholeAgain(meta, await part()), meta.level, FILES, meta.levelFrom ?? undefined);
      } catch {
        setState({ kind: 'failed', why: 'The picture could not be read from the server.' });
      }
    },
    close: () => {
      forget();
      setState({ kind: 'none' });
    },
  };
}
