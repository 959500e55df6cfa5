import { useState } from 'react';
import { numbered, type FactPlace } from '#core/document/factKinds.ts';
import { factAt } from '#core/document/facts.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { meanOf } from '#core/numerics/mean.ts';
import { tolerances } from '#core/tolerances.ts';
import type { Reading } from '#core/vision/lengthIn.ts';
import { errorOf } from '#core/vision/sharedError.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { keepPicture, type Kept } from './keep.ts';

/** Which reading a picture is taken for: its kind, and its slot before its repeat. */
export type ReadingOf = { kind: 'height' } | { kind: 'sag'; base: string };

const REPEATS = ['1', '2', '3'];

/** Places of the three repeats of a reading. */
export function placesOf(of: ReadingOf, round: number, corner: CornerId): FactPlace<'height' | 'sag'>[] {
  const { kind } = of;
  return REPEATS.map((k) => ({ kind, round, corner, slot: kind === 'sag' ? `${of.base}-${k}` : k }));
}

/** Heights are kept to a tenth, finer than any picture tells. */
const PER_MM = 10;

interface Taking {
  /** Which repeat is the next, from 1; null where all are taken. */
  free: number | null;
  /** How far a reading lies from the others of this round, mm, where that is odd; null where it is not. */
  oddByMm: (reading: Reading) => number | null;
  /** Takes a reading, and sends the picture that it came from after it. */
  take: (reading: Reading, from: Omit<Kept, 'id' | 'jobId' | 'corner' | 'round'>) => void;
  /** The picture behind the last reading did not reach the server. */
  unkept: boolean;
}

/** Takes what a picture says as a reading of this round. */
export function useTake(of: ReadingOf, corner: CornerId, round: number): Taking {
  const job = useThisJob();
  const [unkept, setUnkept] = useState(false);
  const places = placesOf(of, round, corner);
  const empty = places.find((place) => !factAt(job.facts, place)) ?? null;
  return {
    free: empty && places.indexOf(empty) + 1,
    unkept,
    oddByMm: ({ mm }) => {
      const others = places.flatMap((place) => factAt(job.facts, place)?.fact.mm ?? []);
      const offMm = others.length === 0 ? 0 : mm - meanOf(others);
      return Math.abs(offMm) > tolerances.repeatQuestionMm ? offMm : null;
    },
    take: (reading, from) => {
      if (!empty) return;
      const id = crypto.randomUUID();
      const what = of.kind === 'sag' ? 'Sag reading' : 'Height';
      job.actions.record(`${what} by picture, ${cornerNames[corner]}`, {
        ...numbered(empty, Math.round(PER_MM * reading.mm) / PER_MM),
        picture: { ...errorOf(reading), pictureId: id },
      });
      setUnkept(false);
      keepPicture({ ...from, id, jobId: job.record.id, corner, round }).catch(() => setUnkept(true));
    },
  };
}
