import type { PictureMeta } from '#contract/pictures.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { onBody } from '#core/vision/bodyPoint.ts';
import type { Measure } from '#core/vision/measures.ts';
import type { Pointed } from '#core/vision/readPicture.ts';
import { asDataUrl } from '../../api/asDataUrl.ts';
import { sendReadingPicture } from '../../api/readingPictures.ts';
import type { ReadBack } from '../../workers/vision.worker.ts';
import { frameOf } from './frame.ts';
import { focalPx, type Lens } from './lenses.ts';
import type { Shot } from './shot.ts';
import type { WheelKnown } from './useReading.ts';

/** A picture with all that its reading rested on. */
export interface Kept {
  id: string;
  jobId: string;
  corner: CornerId;
  round: number;
  shot: Shot;
  lens: Lens;
  wheel: WheelKnown | null;
  measure: Measure;
  pointed: Pointed;
  back: ReadBack;
}

/** Sends the part of a picture that was read, at full size, with all that it takes to read it again. Throws as `callApi` does. */
export async function keepPicture({
  id,
  jobId,
  corner,
  round,
  shot,
  lens,
  wheel,
  measure,
  pointed,
  back,
}: Kept): Promise<void> {
  const { read, scale, level, levelFrom } = back;
  if (!read.reading || !read.point) return;
  const ruler = scale === 'rim' ? wheel : null;
  const frame = frameOf(shot, read);
  const [left, top] = [Math.floor(frame.x), Math.floor(frame.y)];
  const jpeg = await partOf(shot.blob, left, top, Math.ceil(frame.width), Math.ceil(frame.height));
  const meta: PictureMeta = {
    widthPx: shot.widthPx,
    heightPx: shot.heightPx,
    leftPx: left,
    topPx: top,
    lens: {
      focalPx: focalPx(lens, shot.widthPx, shot.heightPx),
      sdShare: lens.sdShare,
      bend: lens.bend,
      bendSd: lens.bendSd,
    },
    level,
    levelFrom,
    rimMm: ruler?.rimMm ?? null,
    lipOutMm: ruler?.lipOutMm ?? null,
    isLipGiven: ruler?.isLipGiven ?? false,
    measure,
    pointed,
    mm: read.reading.mm,
    sdMm: read.reading.sdMm,
    ...(read.scene ? onBody(read.scene, read.point[0], read.point[1]) : { alongMm: null, upMm: null }),
  };
  await sendReadingPicture({ id, jobId, corner, round, meta, jpeg });
}

/** A part of a picture as a JPEG in base64. */
async function partOf(blob: Blob, left: number, top: number, width: number, height: number): Promise<string> {
  const bitmap = await createImageBitmap(blob, { imageOrientation: 'from-image' });
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')?.drawImage(bitmap, -left, -top);
  bitmap.close();
  const part = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.94 });
  return (await asDataUrl(part)).replace(/^[^,]*,/, '');
}

/** A kept part in its place in a picture of the whole size, so that it is read as it was. */
export async function wholeAgain(
  { widthPx, heightPx, leftPx, topPx }: PictureMeta,
  part: Blob,
): Promise<Blob> {
  const bitmap = await createImageBitmap(part);
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  const context = canvas.getContext('2d');
  if (context) {
    context.fillStyle = '#808080';
    context.fillRect(0, 0, widthPx, heightPx);
    context.drawImage(bitmap, leftPx, topPx);
  }
  bitmap.close();
  return canvas.convertToBlob({ type: 'image/jpeg', quality: 0.97 });
}
