import type { Analysis } from './analyse.ts';
import type { NextAction } from '../judgement/nextAction.ts';
import { type Margin } from '../margins/margins.ts';
import { cornerHeight } from '../figures/cornerHeight.ts';
import { type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { JobRecord } from '../document/types.ts';

/** What Bays shows of a job. */
export interface JobSummary {
  id: string;
  version: number;
  name: string;
  machineClass: JobRecord['document']['machine']['class'];
  title: string;
  about: JobRecord['document']['about'];
  round: number;
  locked: boolean;
  next: NextAction;
  worst: Margin | null;
  /** Height to go per corner where it was measured out of tolerance, mm; 0 where it is in, null where it was not read since. */
  toGoMm: Partial<Record<CornerId, number | null>>;
  updatedAt: string;
}

/** What Bays shows of a job, from what is made of it. */
export function summarise({ record, answer, state, margins, next }: Analysis, updatedAt: string): JobSummary {
  const toGo = (id: CornerId): number | null => {
    const corner = answer?.corners.find((one) => one.id === id);
    if (!answer || !corner || corner.spec.targetMm === null) return null;
    const { measured } = cornerHeight(answer, id);
    if (!measured) return null;
    // As it would read with on board what the target is for.
    const togo = corner.spec.targetMm - measured.value - (corner.nowSpecMm - corner.nowMm);
    return Math.abs(togo) > answer.tolerance.value ? togo : 0;
  };
  return {
    id: record.id,
    version: record.version,
    name: record.document.name,
    machineClass: record.document.machine.class,
    title: record.document.machine.title,
    about: record.document.about,
    round: state.current,
    locked: state.locked,
    next,
    worst: margins[0] ?? null,
    toGoMm: Object.fromEntries(cornersIn(record.document).map((id) => [id, toGo(id)])),
    updatedAt,
  };
}
