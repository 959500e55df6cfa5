import { useMutation, useQuery } from '@tanstack/react-query';
import type {
  Challenge,
  LessonsDone,
  NewPractice,
  NewTry,
  Practice,
  PracticeList,
  PracticePicture,
  PracticePictureAsked,
  PracticeReading,
  PracticeShown,
} from '#contract/practice.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { callApi } from './client.ts';
import { queryClient } from './jobs.ts';

const PRACTICE = ['practice'];

/** What the server tells of a practice takes the place of what was known of it. */
function keep(practice: Practice): Practice {
  queryClient.setQueryData([...PRACTICE, practice.id], practice);
  for (const { jobId } of practice.tries) queryClient.setQueryData([...PRACTICE, 'of', jobId], practice);
  void queryClient.invalidateQueries({ queryKey: [...PRACTICE, 'list'] });
  return practice;
}

/** The newest practices of whoever asks. */
export function usePractices() {
  return useQuery({ queryKey: [...PRACTICE, 'list'], queryFn: () => callApi<PracticeList>('/practice') });
}

export function usePractice(id: string) {
  return useQuery({
    queryKey: [...PRACTICE, id],
    queryFn: () => callApi<Practice>(`/practice/${id}`),
    retry: 1,
  });
}

/** The practice that a job is a try of. */
export function usePracticeOf(jobId: string) {
  return useQuery({
    queryKey: [...PRACTICE, 'of', jobId],
    queryFn: () => callApi<Practice>(`/practice/of/${jobId}`),
    // What is recorded takes its minutes, too.
    refetchInterval: 10_000,
    retry: 1,
  });
}

/** Draws a machine, or takes that of a challenge or of a job. */
export function useBeginPractice() {
  return useMutation({
    mutationFn: (sent: NewPractice) => callApi<Practice>('/practice', sent),
    onSuccess: keep,
  });
}

/** A job's machine as practice, with what was learnt of it as its truth. Throws as `callApi` does. */
export function copyToPractice(jobId: string): Promise<Practice> {
  return callApi<Practice>('/practice', { id: crypto.randomUUID(), jobId } satisfies NewPractice);
}

/** Sets the machine up once more. */
export function useBeginTry(id: string) {
  return useMutation({
    mutationFn: (sent: NewTry) => callApi<Practice>(`/practice/${id}/tries`, sent),
    onSuccess: keep,
  });
}

/** Holds an instrument to the machine. */
export function useReadInstrument(jobId: string) {
  return useMutation({
    mutationFn: (reading: PracticeReading) =>
      callApi<PracticeShown>(`/practice/tries/${jobId}/read`, reading),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: [...PRACTICE, 'of', jobId] }),
  });
}

/** A picture of the practice machine as it stands, as it goes into the page. */
export interface TakenPicture {
  jpeg: Blob;
  level: PracticePicture['level'];
  rimMm: number;
}

/** Takes a picture of a corner's wheel. */
export function useTakePicture(jobId: string) {
  return useMutation({
    mutationFn: async (corner: CornerId): Promise<TakenPicture> => {
      const asked: PracticePictureAsked = { corner };
      const taken = await callApi<PracticePicture>(`/practice/tries/${jobId}/picture`, asked);
      const bytes = Uint8Array.from(atob(taken.jpeg), (character) => character.charCodeAt(0));
      return { ...taken, jpeg: new Blob([bytes], { type: 'image/jpeg' }) };
    },
    onSuccess: () => queryClient.invalidateQueries({ queryKey: [...PRACTICE, 'of', jobId] }),
  });
}

export function useEndTry(jobId: string) {
  return useMutation({
    mutationFn: () => callApi<Practice>(`/practice/tries/${jobId}/end`, {}),
    onSuccess: keep,
  });
}

/** Opens the truth: no way back. */
export function useOpenTruth(id: string) {
  return useMutation({ mutationFn: () => callApi<Practice>(`/practice/${id}/open`, {}), onSuccess: keep });
}

/** Gives the machine on to others, as a challenge with an id of its own. */
export function useGiveOn(id: string) {
  return useMutation({ mutationFn: () => callApi<Challenge>(`/practice/${id}/share`, {}) });
}

/** The challenge of the day, or one that was given on. */
export function useChallenge(id: string | null) {
  return useQuery({
    queryKey: [...PRACTICE, 'challenge', id],
    queryFn: () => callApi<Challenge>(id === null ? '/practice/challenge' : `/practice/challenges/${id}`),
    retry: 1,
  });
}

const LESSONS = [...PRACTICE, 'lessons'];

/** Lessons done by whoever asks. */
export function useLessonsDone() {
  return useQuery({ queryKey: LESSONS, queryFn: () => callApi<LessonsDone>('/practice/lessons') });
}

export function useLessonDone() {
  return useMutation({
    mutationFn: (lesson: string) => callApi<LessonsDone>(`/practice/lessons/${lesson}`, {}),
    onSuccess: (done) => queryClient.setQueryData(LESSONS, done),
  });
}
