import { useState } from 'react';
import { numbered } from '#core/document/factKinds.ts';
import { factAt } from '#core/document/facts.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { meanOf } from '#core/numerics/mean.ts';
import { tolerances } from '#core/tolerances.ts';
import type { Reading } from '#core/vision/lengthIn.ts';
import { errorOf } from '#core/vision/sharedError.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { keepPicture, type Kept } from './keep.ts';

const SLOTS = ['1', '2', '3'];

/** Heights are kept to a tenth, finer than any picture tells. */
const PER_MM = 10;

interface Taking {
  /** The next empty place for a reading; null where all are taken. */
  free: string | null;
  /** How far a reading lies from the others of this round, mm, where that is odd; null where it is not. */
  oddByMm: (reading: Reading) => number | null;
  /** Takes a reading, and sends the picture that it came from after it. */
  take: (reading: Reading, from: Omit<Kept, 'id' | 'jobId' | 'corner' | 'round'>) => void;
  /** The picture behind the last reading did not reach the server. */
  unkept: boolean;
}

/** Takes what a picture says as a reading of this round. */
export function useTake(corner: CornerId, round: number): Taking {
  const job = useThisJob();
  const [unkept, setUnkept] = useState(false);
  const place = (slot: string) => ({ kind: 'height' as const, round, corner, slot });
  const free = SLOTS.find((slot) => !factAt(job.facts, place(slot))) ?? null;
  return {
    free,
    unkept,
    oddByMm: ({ mm }) => {
      const others = SLOTS.flatMap((slot) => factAt(job.facts, place(slot))?.fact.mm ?? []);
      const offMm = others.length === 0 ? 0 : mm - meanOf(others);
      return Math.abs(offMm) > tolerances.repeatQuestionMm ? offMm : null;
    },
    take: (reading, from) => {
      if (free === null) return;
      const id = crypto.randomUUID();
      job.actions.record(`Height by picture, ${cornerNames[corner]}`, {
        ...numbered(place(free), Math.round(PER_MM * reading.mm) / PER_MM),
        picture: { ...errorOf(reading), pictureId: id },
      });
      setUnkept(false);
      keepPicture({ ...from, id, jobId: job.record.id, corner, round }).catch(() => setUnkept(true));
    },
  };
}
