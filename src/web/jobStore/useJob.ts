import { followingTravel } from '#core/sag/followTravel.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { useMemo } from 'react';
import { useDebounce } from 'use-debounce';
import type { FactPlace } from '#core/document/factKinds.ts';
import { correctedBy, factAt, standingFacts, type FactEntry } from '#core/document/facts.ts';
import { historyOf, lastStep, redoEntry, undoEntry, type History } from '#core/document/history.ts';
import { type NextAction } from '#core/judgement/nextAction.ts';
import { type RoundsState } from '#core/estimate/rounds.ts';
import type { Entry, Fact, JobRecord, Json } from '#core/document/types.ts';
import { type Margin } from '#core/margins/margins.ts';
import { useJobRecord } from '../api/jobs.ts';
import { enqueue } from '../api/queue.ts';
import { useDrafts } from './drafts.ts';
import { analysisOf, isSlow } from './analysisOf.ts';
import { valueAt, withDrafts } from './draftKeys.ts';
import { asOneStep, newStamp } from './stamp.ts';
import type { SetupStore } from './useNewSetup.ts';

interface JobActions {
  /** Replaces values of the description, all together. */
  change: (label: string, ...to: [path: string[], value: Json][]) => void;
  /** Appends a fact; one that stands in the same place is corrected by it. */
  record: (label: string, fact: Fact) => void;
  /** Takes the fact of a place back. */
  clear: (label: string, place: FactPlace) => void;
  /** What is recorded and changed by `act` is one step: undone together. */
  together: (act: () => void) => void;
  undo: () => Entry | null;
  redo: () => Entry | null;
}

/** A job as the page works with it: what is kept, what is typed, and all that follows from it. */
export interface Job {
  record: JobRecord;
  facts: FactEntry[];
  state: RoundsState;
  /** Computed from what is kept and what is being typed. */
  answer: Answer | null;
  margins: readonly Margin[];
  next: NextAction;
  history: History;
  actions: JobActions;
}

export function useJob(id: string) {
  const { record, query } = useJobRecord(id);
  const kept = useMemo(
    () => (record ? keptPart(record, (entry) => enqueue(record.id, { kind: 'entry', entry })) : null),
    [record],
  );
  return { job: useLive(kept), query };
}

/** The setup that is not a job yet, worked with in the same way. */
export function useNewJob(useSetup: SetupStore): Job {
  const { record, put } = useSetup();
  const kept = useMemo(() => keptPart(record, put), [record, put]);
  return useLive(kept);
}

/** What follows from what is kept alone, so that a keystroke need not work it out again. */
type KeptPart = Omit<Job, 'answer' | 'margins'>;

function keptPart(record: JobRecord, put: (entry: Entry) => void): KeptPart {
  return {
    record,
    facts: standingFacts(record),
    state: analysisOf(record).state,
    next: analysisOf(record).next,
    history: historyOf(record.entries),
    actions: actionsFor(record, put),
  };
}

/** Adds what follows from what is being typed. */
function useLive<Kept extends KeptPart | null>(kept: Kept): Kept extends null ? null : Job;
function useLive(kept: KeptPart | null): Job | null {
  const drafts = useFollowed(useDrafts((state) => state.drafts));
  const record = kept?.record ?? null;
  // What is sent and what is not changes nothing that follows from the record.
  const live = useMemo(() => {
    if (!record) return null;
    const { answer, margins } = analysisOf(withDrafts(record, drafts));
    return { answer, margins };
  }, [record, drafts]);
  return useMemo(() => kept && live && { ...kept, ...live }, [kept, live]);
}

/** ms. What is typed and takes long to work out is followed once it has stood so long. */
const STANDS_MS = 250;

/** What is typed: followed with every key while that is quick, and at once where nothing is being typed. */
function useFollowed<T extends object>(typed: T): T {
  const [stood] = useDebounce(typed, STANDS_MS);
  return isSlow() && Object.keys(typed).length > 0 ? stood : typed;
}

function actionsFor(record: JobRecord, put: (entry: Entry) => void): JobActions {
  const fresh = (label: string) => ({ ...newStamp(), label, undoOf: null, redoOf: null });
  const history = historyOf(record.entries);
  return {
    change: (label, ...to) =>
      put({
        ...fresh(label),
        type: 'change',
        ops: [...to, ...followingTravel(record.document, to)].map(([path, value]) => ({
          path,
          from: valueAt(record.document, path),
          to: value,
        })),
      }),
    record: (label, fact) =>
      put({ ...fresh(label), type: 'fact', fact, replaces: factAt(standingFacts(record), fact)?.id ?? null }),
    clear: (label, place) => {
      const standing = factAt(standingFacts(record), place);
      // What it once corrected must not come back: the oldest goes first, so that one undo brings the last one back.
      if (standing)
        correctedBy(record, standing).forEach(({ id }) => put({ ...fresh(label), type: 'withdraw', of: id }));
    },
    together: asOneStep,
    undo: () => {
      const step = lastStep(history.undo);
      step.forEach((target) => put(undoEntry(target, newStamp())));
      return step.at(-1) ?? null;
    },
    redo: () => {
      const step = lastStep(history.redo);
      step.forEach((target) => put(redoEntry(target, record.entries, newStamp())));
      return step.at(-1) ?? null;
    },
  };
}
