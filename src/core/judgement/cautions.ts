import type { Stage } from './stages.ts';
import { adjusterOf } from '../kinds/adjusters/index.ts';
import type { Footing } from '../geometry/reference.ts';
import type { JobDocument } from '../document/types.ts';
import { cornersIn, footingOf } from '../kinds/classes/index.ts';

interface Rule {
  id: string;
  at: Stage;
  /** Where it applies; left out, everywhere. */
  on?: readonly Footing[];
  /** Whether what is fitted calls for it; left out, always. */
  when?: (document: JobDocument) => boolean;
}

const anyCorner =
  (is: (corner: JobDocument['corners']['LF']) => boolean) =>
  (document: JobDocument): boolean =>
    cornersIn(document).some((id) => is(document.corners[id]));

const rules = [
  {
    id: 'stands',
    at: 'turn',
  },
  {
    id: 'thread',
    at: 'turn',
  },
  {
    id: 'top-nut',
    at: 'turn',
  },
  {
    id: 'lines',
    at: 'turn',
    on: ['wheels', 'bikes'],
  },
  {
    id: 'pinch',
    at: 'turn',
  },
  {
    id: 'torsion',
    at: 'turn',
    when: anyCorner(({ torsion }) => torsion !== null),
  },
  {
    id: 'engagement',
    at: 'turn',
    when: anyCorner(({ fitting }) => adjusterOf(fitting).beside === 'lower mount'),
  },
  {
    id: 'gas',
    at: 'turn',
    when: anyCorner(({ gas, air }) => gas !== null || air !== null),
  },
  {
    id: 'clamps',
    at: 'turn',
    when: anyCorner(({ fitting }) => adjusterOf(fitting).beside === 'tubes in clamps'),
  },
  {
    id: 'torque',
    at: 'close-out',
  },
  {
    id: 'alignment',
    at: 'close-out',
    on: ['wheels', 'sleds'],
  },
  {
    id: 'law',
    at: 'close-out',
    on: ['wheels', 'bikes'],
  },
] as const satisfies readonly Rule[];

export type CautionId = (typeof rules)[number]['id'];

/** Cautions at a step, for what this machine is and what is fitted. */
export function cautionsAt(stage: Stage, document: JobDocument): CautionId[] {
  const footing = footingOf(document.machine.class);
  const applies = ({ at, on, when }: Rule) =>
    at === stage && (on?.includes(footing) ?? true) && (when?.(document) ?? true);
  return rules.filter(applies).map(({ id }) => id);
}
