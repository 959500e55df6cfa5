import { useMutation, useQuery } from '@tanstack/react-query';
import type { Photo, PhotoList } from '#contract/api.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { callApi, sendPicture, removeAt } from './client.ts';
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
