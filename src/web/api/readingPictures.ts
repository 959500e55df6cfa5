import { useQuery } from '@tanstack/react-query';
import type { NewReadingPicture, ReadingPicture, ReadingPictureList } from '#contract/pictures.ts';
import { callApi, readBlob, sendMuch } from './client.ts';
import { queryClient } from './jobs.ts';

const keyOf = (jobId: string) => ['reading-pictures', jobId];

/** Pictures that heights of the machine were read off that a job is on, newest first. */
export function useReadingPictures(jobId: string) {
  return useQuery({
    queryKey: keyOf(jobId),
    queryFn: () => callApi<ReadingPictureList>(`/pictures?job=${jobId}`),
    staleTime: 300_000,
  });
}

/** Sends a picture with the reading it gave. Throws as `callApi` does. */
export async function sendReadingPicture(picture: NewReadingPicture): Promise<void> {
  await sendMuch<ReadingPicture>('/pictures', picture);
  await queryClient.invalidateQueries({ queryKey: keyOf(picture.jobId) });
}

/** The kept part of one. Throws as `callApi` does. */
export const readReadingPicture = (id: string): Promise<Blob> => readBlob(`/pictures/${id}`);
