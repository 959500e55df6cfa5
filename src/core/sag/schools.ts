import { classDefaults } from '../kinds/classes/index.ts';
import { ratioTaken } from '../document/taken.ts';
import { ratioMap } from '../geometry/ratioMap.ts';
import { cornerSpec } from '../estimate/corner.ts';
import type { JobDocument, SagLimits } from '../document/types.ts';
import type { LengthSystem } from '../units/parseLength.ts';
import { inSystem, sagWindows, type SagWindow } from './sagWindows.ts';
import { axleOf, type CornerId } from '../kinds/corners.ts';

/** The habits of setting sag that are met at an end of this machine, in round numbers of a system; a ski's is read alone, at its shaft. */
export function schoolsAt(
  document: JobDocument,
  id: CornerId,
  of: SagWindow['of'],
  system: LengthSystem = 'mm',
): SagWindow[] {
  const { sagHabits, sagAtShaft } = classDefaults[document.machine.class];
  const atShaft = axleOf(id) === sagAtShaft;
  return sagHabits
    .flatMap((habit) => sagWindows.filter((one) => one.id === habit))
    .filter((one) => one.of === of && (sagAtShaft === null || atShaft === (one.at === 'shaft')))
    .map((one) => inSystem(one, system));
}

/** A school's window at an end, mm of wheel travel rounded as it is: to whole millimetres, or sixteenths of an inch. */
export function limitsOf(
  document: JobDocument,
  id: CornerId,
  { unit, at, low, high, stepMm = 1 }: SagWindow,
): SagLimits {
  const { travelMm, ratio } = cornerSpec(document, id);
  const { ratioFrom } = document.corners[id];
  const mean = ratioFrom ? meanOver(ratioTaken(ratioFrom), travelMm.value) : ratio.value;
  const scale = unit === 'share of travel' ? travelMm.value : at === 'shaft' ? 1 / mean : 1;
  const rounded = (limit: number) => Math.round((limit * scale) / stepMm) * stepMm;
  return { fromMm: rounded(low), toMm: rounded(high) };
}

function meanOver(from: Parameters<typeof ratioMap>[0], travelMm: number): number {
  const map = ratioMap(from, travelMm);
  map.evaluate(travelMm);
  return map.value / travelMm;
}

/** mm. Two limits nearer than this are one, typed or worked out. */
const SAME_MM = 0.01;

/** The school whose window stands at an end; null where it is somebody's own, or none. */
export function schoolOf(
  document: JobDocument,
  id: CornerId,
  of: SagWindow['of'],
  schools: readonly SagWindow[] = [...schoolsAt(document, id, of), ...schoolsAt(document, id, of, 'in')],
): SagWindow | null {
  const { sagWindow, staticWindow } = document.corners[id];
  const window = of === 'rider' ? sagWindow : staticWindow;
  if (!window) return null;
  return (
    schools.find((one) => {
      const { fromMm, toMm } = limitsOf(document, id, one);
      return Math.hypot(fromMm - window.fromMm, toMm - window.toMm) < SAME_MM;
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
