import { useMemo, useState } from 'react';
import type { ReadingPicture } from '#contract/pictures.ts';
import { numbered } from '#core/document/factKinds.ts';
import { factAt } from '#core/document/facts.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import type { Measure } from '#core/vision/measures.ts';
import type { Place, PictureRead, Pointed } from '#core/vision/readPicture.ts';
import { errorOf } from '#core/vision/sharedError.ts';
import { readReadingPicture } from '../../api/readingPictures.ts';
import { useHeightQuestion } from '../../forms/fields.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { tapped, type Handle } from './handles.ts';
import { keepPicture } from './keep.ts';
import { keptLens, lensOf, useLenses, type Lens } from './lenses.ts';
import type { Shot } from './shot.ts';
import { useReading, USUAL_LIP_OUT_MM } from './useReading.ts';
import { useShot, type ShotState } from './useShot.ts';

const NOTHING: Pointed = { rim: [], point: null, other: null };
const SLOTS = ['1', '2', '3'];

export interface PictureWorkOf {
  id: CornerId;
  round: number;
  measure: Measure;
  state: ShotState;
  shot: Shot | null;
  lens: Lens | null;
  /** Whether the rim is known: without its size there is no ruler. */
  hasRuler: boolean;
  read: PictureRead | null;
  failed: boolean;
  /** Nothing says how the camera was held. */
  noLevel: boolean;
  pointed: Pointed;
  placing: Handle['kind'] | null;
  whole: boolean;
  /** A kept picture that is looked at again. */
  again: ReadingPicture | null;
  /** The next empty place for a reading; null where all are taken. */
  free: string | null;
  /** What is odd about the reading beside others; null where nothing is. */
  question: string | null;
  canTake: boolean;
  /** The picture behind the last reading did not reach the server. */
  unkept: boolean;
  point: (to: Pointed) => void;
  place: (at: Place) => void;
  beginPlacing: (kind: Handle['kind']) => void;
  showWhole: (whole: boolean) => void;
  openFile: (file: Blob) => void;
  openFrame: ReturnType<typeof useShot>['openFrame'];
  check: (picture: ReadingPicture) => void;
  take: () => void;
  leave: () => void;
}

/** What is worked with on the page of a picture: the picture, what is pointed at in it, what it shows, and taking that. */
export function usePictureWork(id: CornerId, round: number, measure: Measure): PictureWorkOf {
  const job = useThisJob();
  const { state, openFile, openFrame, openKept, close } = useShot();
  const [pointed, setPointed] = useState<Pointed>(NOTHING);
  const [placing, setPlacing] = useState<Handle['kind'] | null>(null);
  const [whole, setWhole] = useState(false);
  const [again, setAgain] = useState<ReadingPicture | null>(null);
  const [unkept, setUnkept] = useState(false);
  const shot = state.kind === 'open' ? state.shot : null;
  const lens = useLensOf(shot, again);
  const wheel = again?.meta ?? wheelOf(job.record.document.corners[id]);
  const { value, failed, stale } = useReading(shot, lens, wheel, measure, pointed);
  const ask = useHeightQuestion(job, id, round);
  const read = shot && value ? value.read : null;
  const noLevel = read !== null && value?.levelFrom === null;
  const free = SLOTS.find((slot) => !factAt(job.facts, { kind: 'height', round, corner: id, slot })) ?? null;
  const canTake =
    !stale && !noLevel && !again && free !== null && read?.reading != null && read.refusals.length === 0;
  const begin = (from: Pointed = NOTHING) => {
    setPointed(from);
    setPlacing(null);
    setWhole(false);
    setAgain(null);
  };
  const leave = () => {
    close();
    begin();
  };
  const take = () => {
    if (!canTake || !shot || !lens || !wheel || !value || !read.reading) return;
    const pictureId = crypto.randomUUID();
    job.actions.record(`Height by picture, ${cornerNames[id]}`, {
      ...numbered({ kind: 'height', round, corner: id, slot: free }, Math.round(10 * read.reading.mm) / 10),
      picture: { ...errorOf(read.reading), pictureId },
    });
    setUnkept(false);
    const of = { id: pictureId, jobId: job.record.id, corner: id, round };
    keepPicture({ ...of, shot, lens, wheel, measure, pointed, back: value }).catch(() => setUnkept(true));
    leave();
  };
  return {
    ...{
      id,
      round,
      measure,
      state,
      shot,
      lens,
      read,
      noLevel,
      pointed,
      placing,
      whole,
      again,
      free,
      canTake,
      unkept,
    },
    hasRuler: wheel !== null,
    failed: failed !== null,
    question: canTake ? ask(free)(read.reading?.mm ?? 0) : null,
    point: setPointed,
    place: (at) => {
      if (!placing) return;
      const next = tapped(pointed, placing, at);
      setPointed(next.pointed);
      if (!next.more) setPlacing(null);
    },
    beginPlacing: (kind) => {
      if (kind === 'rim') setPointed({ ...pointed, rim: [] });
      setPlacing(kind);
    },
    showWhole: setWhole,
    openFile: (file) => {
      begin();
      void openFile(file);
    },
    openFrame: (...frame) => {
      begin();
      return openFrame(...frame);
    },
    check: (picture) => {
      begin(picture.meta.pointed);
      setAgain(picture);
      void openKept(picture.meta, () => readReadingPicture(picture.id));
    },
    take,
    leave,
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

function wheelOf({ rimMm, lipOutMm }: { rimMm: number | null; lipOutMm: number | null }) {
  return rimMm === null
    ? null
    : { rimMm, lipOutMm: lipOutMm ?? USUAL_LIP_OUT_MM, isLipGiven: lipOutMm !== null };
}
