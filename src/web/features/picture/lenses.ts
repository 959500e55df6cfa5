import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { PictureMeta } from '#contract/pictures.ts';
import { keptStorage } from '../../api/keeping.ts';

/** What is known of a camera's lens, in focal lengths of a 35 mm camera, so that it holds for pictures of any size. */
export interface Lens {
  focal35Mm: number;
  sdShare: number;
  bend: number;
  bendSd: number;
  from: 'sheet' | 'file' | 'usual' | 'kept';
}

interface Lenses {
  /** Lenses that were measured with the printed sheet, by camera. */
  measured: Record<string, Lens>;
  keep: (camera: string, lens: Lens) => void;
  forget: (camera: string) => void;
}

/** Cameras that this device has measured. */
export const useLenses = create<Lenses>()(
  persist(
    (set) => ({
      measured: {},
      keep: (camera, lens) => set(({ measured }) => ({ measured: { ...measured, [camera]: lens } })),
      forget: (camera) =>
        set(({ measured }) => ({
          measured: Object.fromEntries(Object.entries(measured).filter(([name]) => name !== camera)),
        })),
    }),
    { name: 'margin-lenses', storage: keptStorage() },
  ),
);

/** Pictures that come as files count as one camera: that of this device. */
export const FILES = 'files';

/** Diagonal of a 35 mm frame. */
const DIAGONAL_MM = Math.hypot(36, 24);
/** What files say is rounded to a millimetre. */
const FILE_SD_SHARE = 0.03;
/** Tablets and telephones are made with about this; taken where nothing is known. */
const USUAL: Lens = { focal35Mm: 27, sdShare: 0.1, bend: 0, bendSd: 0.02, from: 'usual' };

/** The lens of a picture: as measured, else as its file says, else as most are. */
export function lensOf(measured: Lens | undefined, focal35Mm: number | null): Lens {
  if (measured) return measured;
  if (focal35Mm === null) return USUAL;
  return { focal35Mm, sdShare: FILE_SD_SHARE, bend: 0, bendSd: 0.015, from: 'file' };
}

/** The lens that a kept picture was read with. */
export function keptLens({ lens, widthPx, heightPx }: PictureMeta): Lens {
  const { focalPx: px, ...rest } = lens;
  return { ...rest, focal35Mm: focal35(px, widthPx, heightPx), from: 'kept' };
}

/** Focal length in pixels of a picture of a size. */
export function focalPx({ focal35Mm }: Pick<Lens, 'focal35Mm'>, widthPx: number, heightPx: number): number {
  return (focal35Mm / DIAGONAL_MM) * Math.hypot(widthPx, heightPx);
}

/** The other way round. */
export function focal35(px: number, widthPx: number, heightPx: number): number {
  return (px * DIAGONAL_MM) / Math.hypot(widthPx, heightPx);
}
