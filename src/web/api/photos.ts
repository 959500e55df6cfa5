import { useMutation, useQuery } from '@tanstack/react-query';
import type { Photo, PhotoList } from '#contract/api.ts';
import type { FilePicture } from '#core/document/file.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { asDataUrl } from './asDataUrl.ts';
import type { ReadingPicture, ReadingPictureList } from '#contract/pictures.ts';
import { callApi, readBlob, sendMuch, sendPicture, removeAt } from './client.ts';
import { queryClient } from './jobs.ts';

const keyOf = (jobId: string) => ['photos', jobId];

/** Pictures of the machine that a job is on, newest first. */
export function usePhotos(jobId: string) {
  return useQuery({
    queryKey: keyOf(jobId),
    queryFn: () => callApi<PhotoList>(`/photos?job=${jobId}`),
    staleTime: 300_000,
  });
}

/** Sends a picture of where the tape is held at a corner. */
export function useAddPhoto(jobId: string) {
  return useMutation({
    mutationFn: ({ corner, file }: { corner: CornerId; file: Blob }) =>
      sendPicture<Photo>(`/photos?job=${jobId}&corner=${corner}`, file),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: keyOf(jobId) }),
  });
}

/** Removes one. */
export function useRemovePhoto(jobId: string) {
  return useMutation({
    mutationFn: (id: string) => removeAt(`/photos/${id}`),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: keyOf(jobId) }),
  });
}

/** Every picture of the machine that a job is on, and those that its own heights were read off, as a job file has them. Throws as `callApi` does. */
export async function picturesFor(jobId: string): Promise<FilePicture[]> {
  const { photos } = await callApi<PhotoList>(`/photos?job=${jobId}`);
  const pictures: FilePicture[] = [];
  for (const { id, corner, at } of photos)
    pictures.push({ id, corner, at, jpeg: await inBase64(await readBlob(`/photos/${id}`)) });
  const read = await callApi<ReadingPictureList>(`/pictures?job=${jobId}`);
  for (const { id, jobId: of, corner, at, round, meta } of read.pictures) {
    if (of !== jobId) continue;
    const jpeg = await inBase64(await readBlob(`/pictures/${id}`));
    pictures.push({ id, corner, at, jpeg, reading: { round, meta } });
  }
  return pictures;
}

/** Sends a picture out of a job file. Throws as `callApi` does. */
export async function sendFilePicture(jobId: string, picture: FilePicture): Promise<void> {
  const { id, corner, at, jpeg, reading } = picture;
  if (reading) {
    await sendMuch<ReadingPicture>('/pictures', { id, jobId, corner, at, jpeg, ...reading });
    return;
  }
  const bytes = Uint8Array.from(atob(jpeg), (character) => character.charCodeAt(0));
  const where = new URLSearchParams({ job: jobId, corner, id, at });
  await sendPicture<Photo>(`/photos?${where}`, new Blob([bytes], { type: 'image/jpeg' }));
}

const inBase64 = async (blob: Blob) => (await asDataUrl(blob)).replace(/^[^,]*,/, '');
