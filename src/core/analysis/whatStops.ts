import type { CornerId } from '../kinds/corners.ts';
import type { MarginKind } from '../margins/index.ts';
import { marginsFor, type Margin } from '../margins/margins.ts';
import type { Answer } from '../planning/answerShape.ts';

/** What somebody wishes, or where springs change over: no end of anything. */
const wished: readonly MarginKind[] = ['height', 'sag', 'crossover', 'ring-order'];
/** Both ends of a seat, which ends by itself. */
const threads: readonly MarginKind[] = ['thread-up', 'thread-down'];

/** mm. A seat stopped this near to its end has gone as far as it goes. */
const AT_THE_END_MM = 1;

/** What is known to run out at these corners once the answer's plan is done, beside the thread. */
export function stopsAt(answer: Answer, ids: readonly CornerId[]): Margin[] {
  return ends(marginsFor(answer), ids).filter(({ kind }) => !threads.includes(kind));
}

/** What stops a corner that goes as far as it goes: its thread where that is used up, else what has least left. */
export function whatStops(margins: readonly Margin[], id: CornerId): MarginKind | null {
  const here = ends(margins, [id]);
  const thread = here.find(({ kind, leftMm }) => threads.includes(kind) && leftMm <= AT_THE_END_MM);
  return (thread ?? [...here].sort((a, b) => a.leftMm - b.leftMm)[0])?.kind ?? null;
}

/** What was only assumed stops nothing: it is told as assumed. */
function ends(margins: readonly Margin[], ids: readonly CornerId[]): Margin[] {
  return margins.filter(
    ({ corner, kind, assumed }) => !assumed && ids.includes(corner) && !wished.includes(kind),
  );
}
