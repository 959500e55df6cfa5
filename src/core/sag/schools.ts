import { classDefaults } from '../kinds/classes/index.ts';
import { ratioTaken } from '../document/taken.ts';
import { ratioMap } from '../geometry/ratioMap.ts';
import { cornerSpec } from '../estimate/corner.ts';
import type { JobDocument, SagLimits } from '../document/types.ts';
import { sagWindows, type SagWindow } from './sagWindows.ts';
import { axleOf, type CornerId } from '../kinds/corners.ts';

/** The habits of setting sag that are met at an end of this machine; a ski's is read alone, at its shaft. */
export function schoolsAt(document: JobDocument, id: CornerId, of: SagWindow['of']): SagWindow[] {
  const { sagHabits, sagAtShaft } = classDefaults[document.machine.class];
  const atShaft = axleOf(id) === sagAtShaft;
  return sagHabits
    .flatMap((habit) => sagWindows.filter((one) => one.id === habit))
    .filter((one) => one.of === of && (sagAtShaft === null || atShaft === (one.at === 'shaft')));
}

/** A school's window at an end, mm of wheel travel rounded to whole millimetres. */
export function limitsOf(document: JobDocument, id: CornerId, { unit, at, low, high }: SagWindow): SagLimits {
  const { travelMm, ratio } = cornerSpec(document, id);
  const { ratioFrom } = document.corners[id];
  const mean = ratioFrom ? meanOver(ratioTaken(ratioFrom), travelMm.value) : ratio.value;
  const scale = unit === 'share of travel' ? travelMm.value : at === 'shaft' ? 1 / mean : 1;
  return { fromMm: Math.round(low * scale), toMm: Math.round(high * scale) };
}

function meanOver(from: Parameters<typeof ratioMap>[0], travelMm: number): number {
  const map = ratioMap(from, travelMm);
  map.evaluate(travelMm);
  return map.value / travelMm;
}

/** The school whose window stands at an end; null where it is somebody's own, or none. */
export function schoolOf(
  document: JobDocument,
  id: CornerId,
  of: SagWindow['of'],
  schools: readonly SagWindow[] = schoolsAt(document, id, of),
): SagWindow | null {
  const { sagWindow, staticWindow } = document.corners[id];
  const window = of === 'rider' ? sagWindow : staticWindow;
  if (!window) return null;
  return (
    schools.find((one) => {
      const { fromMm, toMm } = limitsOf(document, id, one);
      return fromMm === window.fromMm && toMm === window.toMm;
    }) ?? null
  );
}

/** The middle of a window, mm. */
export const middleOf = ({ fromMm, toMm }: SagLimits): number => (fromMm + toMm) / 2;

/** Ends of which sag is asked on such a machine: a skid's front arm is set by feel. */
export function isAsked(id: CornerId): boolean {
  return id !== 'FA';
}

/** Whether the machine is meant for rough ground: between two springs the firmer is then the one to take. */
export function isRough({ machine }: JobDocument): boolean {
  return classDefaults[machine.class].rough;
}
