import { atSecond } from '#core/estimate/secondDatum.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { SizeLength } from '../../ui/Figure.tsx';

/** The same stop from the seat's second edge, once both were read at one moment; else nothing. */
export function FromSecondEdge({ id, mm }: { id: CornerId; mm: number }) {
  const { record, state } = useThisJob();
  const { document } = record;
  const second = atSecond({ document, rounds: state.rounds }, id, mm);
  if (second === null) return null;
  return (
    <>
      , that is <SizeLength mm={second} /> from {document.corners[id].second?.datum || 'the second edge'}
    </>
  );
}
