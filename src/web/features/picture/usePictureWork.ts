import { useMemo, useState } from 'react';
import type { ReadingPicture } from '#contract/pictures.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { Measure } from '#core/vision/measures.ts';
import type { PictureRead, Pointed } from '#core/vision/readPicture.ts';
import { readReadingPicture } from '../../api/readingPictures.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { keptLens, lensOf, useLenses, type Lens } from './lenses.ts';
import type { Shot } from './shot.ts';
import { usePointing, type Pointing } from './usePointing.ts';
import { useReading, USUAL_LIP_OUT_MM, type WheelKnown } from './useReading.ts';
import { useShot, type ShotState } from './useShot.ts';
import { useTake, type ReadingOf } from './useTake.ts';

export interface PictureWorkOf extends Pick<
  Pointing,
  'pointed' | 'placing' | 'point' | 'place' | 'beginPlacing'
> {
  of: ReadingOf;
  id: CornerId;
  round: number;
  measure: Measure;
  state: ShotState;
  shot: Shot | null;
  lens: Lens | null;
  hasRim: boolean;
  /** Whether there is a ruler: the rim, once its size is known, or between two marks the printed sheet. */
  hasRuler: boolean;
  read: PictureRead | null;
  failed: boolean;
  /** Nothing says how the camera was held. */
  noLevel: boolean;
  whole: boolean;
  showWhole: (whole: boolean) => void;
  /** A kept picture that is looked at again. */
  again: ReadingPicture | null;
  /** Which reading of its place it would be; null where there are three. */
  free: number | null;
  /** How far the reading lies from others of this round, mm, where that is odd; null where it is not. */
  oddByMm: number | null;
  canTake: boolean;
  unkept: boolean;
  openFile: (file: Blob) => void;
  openFrame: ReturnType<typeof useShot>['openFrame'];
  check: (picture: ReadingPicture) => void;
  take: () => void;
  leave: () => void;
}

/** What is worked with on the page of a picture: the picture, what is pointed at in it, what it shows, and taking that. */
export function usePictureWork(of: ReadingOf, id: CornerId, round: number, measure: Measure): PictureWorkOf {
  const corner = useThisJob().record.document.corners[id];
  const { state, openFile, openFrame, openKept, close } = useShot();
  const { pointed, placing, point, place, beginPlacing, reset } = usePointing();
  const { free, oddByMm, take, unkept } = useTake(of, id, round);
  const [whole, showWhole] = useState(false);
  const [again, setAgain] = useState<ReadingPicture | null>(null);
  const shot = state.kind === 'open' ? state.shot : null;
  const lens = useLensOf(shot, again);
  const wheel = wheelOf(again?.meta ?? corner);
  const { value: last, failed, stale } = useReading(shot, lens, wheel, measure, pointed);
  // What was read off the picture before is nothing of this one.
  const value = last && last.key === shot?.key ? last : null;
  const read = value?.read ?? null;
  const noLevel = read !== null && value?.scale === 'rim' && value.levelFrom === null;
  const isSound = !stale && !noLevel && !again && read?.refusals.length === 0;
  const reading = isSound && free !== null ? read.reading : null;
  const begin = (from?: Pointed, kept: ReadingPicture | null = null) => {
    reset(from);
    showWhole(false);
    setAgain(kept);
  };
  const leave = () => {
    close();
    begin();
  };
  return {
    ...{
      of,
      id,
      round,
      measure,
      state,
      shot,
      lens,
      read,
      noLevel,
      whole,
      showWhole,
      again,
      free,
      unkept,
      leave,
    },
    ...{ pointed, placing, point, place, beginPlacing },
    hasRim: wheel !== null,
    hasRuler: wheel !== null || measure === 'marks',
    failed: failed !== null,
    canTake: reading !== null,
    oddByMm: reading && oddByMm(reading),
    openFile: (file) => {
      begin();
      void openFile(file);
    },
    openFrame: (...frame) => {
      begin();
      return openFrame(...frame);
    },
    check: (picture) => {
      begin(picture.meta.pointed, picture);
      void openKept(picture.meta, () => readReadingPicture(picture.id));
    },
    take: () => {
      if (!reading || !shot || !lens || !value) return;
      take(reading, { shot, lens, wheel, measure, pointed, back: value });
      leave();
    },
  };
}

/** The lens a picture was taken with: one object as long as nothing changes, so that it is not read over and over. */
function useLensOf(shot: Shot | null, again: ReadingPicture | null): Lens | null {
  const measured = useLenses((all) => (shot ? all.measured[shot.camera] : undefined));
  return useMemo(
    () => (again ? keptLens(again.meta) : shot && lensOf(measured, shot.focal35Mm)),
    [again, shot, measured],
  );
}

/** What is known of a wheel by its corner, or was when a picture was kept. */
function wheelOf(from: {
  rimMm: number | null;
  lipOutMm: number | null;
  isLipGiven?: boolean;
}): WheelKnown | null {
  const { rimMm, lipOutMm, isLipGiven = lipOutMm !== null } = from;
  return rimMm === null ? null : { rimMm, lipOutMm: lipOutMm ?? USUAL_LIP_OUT_MM, isLipGiven };
}
