import { part } from '../calculation/part.ts';
import { tolerances } from '../tolerances.ts';
import type { Left, StandingMargin, Place } from './margin.ts';

/** Thread that a lower mount keeps over the least it must. */
export const engagement: StandingMargin = { byLoad: false, tight: 0.15, left: threadEngaged };

function threadEngaged({ answer, corner: { id, mount } }: Place): Left[] {
  const fitted = answer.document.corners[id].mount;
  if (!mount || !fitted || mount.afterMm === null) return [];
  const { afterMm } = mount;
  const leftMm = afterMm - mount.leastMm;
  const rangeMm = Math.max((fitted.mostMm ?? 3 * mount.leastMm) - mount.leastMm, 1);
  const turns = leftMm / fitted.pitchMm;
  const inputs = () => [
    part('e', afterMm, 'length', 'computed'),
    ...(fitted.threadMm === null ? [] : [part('D', fitted.threadMm, 'length', 'sheet')]),
    part('least', mount.leastMm, 'length', 'sheet'),
  ];
  const sdMm = tolerances.collarSdMm;
  return [{ leftMm, rangeMm, sdMm, assumed: false, turns, inputs }];
}
