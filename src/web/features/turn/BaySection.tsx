import { useThisJob } from '../../jobStore/jobContext.ts';
import { useMemo } from 'react';
import { benchFrom } from '#core/lab/fromJob.ts';
import { sectionAt } from '#core/lab/section.ts';
import { caseTravel } from '#core/lab/setup.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { lengthText } from '#core/units/formatLength.ts';
import { useLengthStyle } from '../../ui/settings.ts';
import { StackSection } from '../../drawing/StackSection.tsx';

/** The corner's springs cut open as they are to stand: where the seat sits, and where the caliper goes. */
export function BaySection({ id }: { id: CornerId }) {
  const job = useThisJob();
  const style = useLengthStyle(0);
  const { answer } = job;
  const bench = useMemo(() => answer && benchFrom(answer, id, cornerNames[id]), [answer, id]);
  if (!bench) return null;
  return (
    <StackSection
      name={`Spring cross-section, ${cornerNames[id]}`}
      section={sectionAt(bench, caseTravel(bench))}
      width={240}
      height={300}
      compact
      say={(mm) => lengthText(mm, style)}
      collarMm={bench.setup.collar?.readsMm ?? null}
      snapMm={bench.setup.pitchMm / 8}
      seat={null}
      rings={bench.setup.rings.map(() => null)}
    />
  );
}
