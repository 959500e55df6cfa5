import { createContext, use, useMemo, type ReactNode } from 'react';
import { axleOf, cornerNames, twinOf, type CornerId } from '#core/kinds/corners.ts';
import type { Json } from '#core/document/types.ts';
import { JobContext, useThisJob } from './jobContext.ts';

type Change = [path: string[], value: Json];

const Both = createContext<CornerId | null>(null);

/** What is inside speaks for both sides of an axle: whatever it changes at one corner is changed across from it too. */
export function BothSides({ id, children }: { id: CornerId; children: ReactNode }) {
  const job = useThisJob();
  const twin = twinOf(id);
  const mirrored = useMemo(() => {
    if (!twin) return job;
    const change: typeof job.actions.change = (label, ...to) =>
      job.actions.change(label, ...onBoth(to, id, twin));
    return { ...job, actions: { ...job.actions, change } };
  }, [job, id, twin]);
  return (
    <Both value={twin ? id : null}>
      <JobContext value={mirrored}>{children}</JobContext>
    </Both>
  );
}

/** Changes of one corner with the same across from it; what is said of the other side itself stands as it is. */
export function onBoth(changes: readonly Change[], id: CornerId, twin: CornerId): Change[] {
  const said = new Set(changes.map(([path]) => path.join('.')));
  return changes.flatMap((change): Change[] => {
    const [[root, corner, ...rest], value] = change;
    if (root !== 'corners' || corner !== id) return [change];
    const across = ['corners', twin, ...rest];
    return said.has(across.join('.')) ? [change] : [change, [across, value]];
  });
}

/** What a corner is called here: by its axle where what stands there speaks for both sides. */
export function useSides(): { named: (id: CornerId) => string } {
  const both = use(Both);
  return { named: (id) => (both === id ? axleOf(id) : cornerNames[id]) };
}
