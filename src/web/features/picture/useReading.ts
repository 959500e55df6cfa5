import { useMemo } from 'react';
import type { Measure } from '#core/vision/measures.ts';
import type { Pointed } from '#core/vision/readPicture.ts';
import type { ReadAs, ReadBack } from '../../workers/vision.worker.ts';
import { useWorked, type Work, type Worked } from '../../workers/useWorked.ts';
import { focalPx, type Lens } from './lenses.ts';
import type { Shot } from './shot.ts';
import { visionWorker } from './vision.ts';

const work: Work<ReadAs, never, ReadBack> = {
  restMs: 0,
  run: (of) => visionWorker().read(of),
};

/** What of a wheel is known before its picture is read. */
export interface WheelKnown {
  rimMm: number;
  lipOutMm: number;
  /** Whether somebody measured how far the arch stands out. */
  isLipGiven: boolean;
}

/** A rim that was measured once with a tape. */
const RIM_SD_MM = 1;
/** Arches mostly stand out a few centimetres. */
export const USUAL_LIP_OUT_MM = 30;
export const LIP_SD_MM = { given: 3, usual: 18 };

/** Reads a picture beside the page whenever what is known or what is pointed at changes. */
export function useReading(
  shot: Shot | null,
  lens: Lens | null,
  wheel: WheelKnown | null,
  measure: Measure,
  pointed: Pointed,
): Worked<never, ReadBack> {
  const { rimMm, lipOutMm, isLipGiven } = wheel ?? { rimMm: null, lipOutMm: 0, isLipGiven: false };
  // Between two marks the printed sheet can be the scale.
  const hasScale = rimMm !== null || measure === 'marks';
  const of = useMemo<ReadAs | null>(
    () =>
      shot && lens && hasScale
        ? {
            key: shot.key,
            measure,
            pointed,
            known: {
              focalPx: focalPx(lens, shot.widthPx, shot.heightPx),
              focalSdShare: lens.sdShare,
              bend: lens.bend,
              bendSd: lens.bendSd,
              level: shot.level,
              levelFrom: shot.levelFrom,
              wheel:
                rimMm === null
                  ? null
                  : {
                      rimDiameterMm: rimMm,
                      rimDiameterSdMm: RIM_SD_MM,
                      lipOutMm,
                      lipOutSdMm: isLipGiven ? LIP_SD_MM.given : LIP_SD_MM.usual,
                    },
            },
          }
        : null,
    [shot, lens, rimMm, lipOutMm, isLipGiven, hasScale, measure, pointed],
  );
  return useWorked(of, work);
}
