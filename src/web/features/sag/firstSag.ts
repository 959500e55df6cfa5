import type { Json, JobDocument, RiderDocument, SagLimits } from '#core/document/types.ts';
import { withRider } from '#core/document/riders.ts';
import { gainGroups, sidesOf, type GainGroup } from '#core/estimate/corner.ts';
import type { LengthSystem } from '#core/units/parseLength.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { capital } from '../../ui/words.ts';
import { isAtShaft, shaftScale } from '#core/sag/atShaft.ts';
import { isAsked, limitsOf, middleOf, schoolsAt } from '#core/sag/schools.ts';

/** Who is on while an end is set. */
export type Who = 'rider' | 'alone';

/**
 * What somebody says of an end before it is read: whether it is set, with whom on, and the window as it is read, mm at the wheel
 * or at the shaft; null for the usual one.
 */
export interface EndAsked {
  set: boolean;
  who: Who;
  from: number | null;
  to: number | null;
}

/** Ends of which sag is asked, both sides of an axle as one. */
export const sagGroups = (document: JobDocument): GainGroup[] => gainGroups(document);

/** Whether an end is mostly set: a skid's front arm is only made free of play. */
export const isMostlySet = ({ id }: GainGroup): boolean => isAsked(id);

/** "front" is one axle on a car; of what is set by sag it is both skis, or the wheel. */
export const groupName = (group: GainGroup): string =>
  sidesOf(group)[0] === 'LS' ? 'both skis' : group.title;

/** With whom on an end is mostly set: where no rider's window is met, as on skis, with nobody. */
export const usualWho = (document: JobDocument, id: CornerId): Who =>
  schoolsAt(document, id, 'rider').length > 0 ? 'rider' : 'alone';

/** The window that is mostly aimed at; null where there is none. */
function usualWindow(document: JobDocument, id: CornerId, who: Who, system: LengthSystem): SagLimits | null {
  const [school] = schoolsAt(document, id, who === 'rider' ? 'rider' : 'static', system);
  return school ? limitsOf(document, id, school) : null;
}

/** The same as it is read there: on a shaft in mm of shaft, in the numbers that such a window is known by. */
export function usualAsRead(...asked: Parameters<typeof usualWindow>): SagLimits | null {
  const [document, id, who, system] = asked;
  const usual = usualWindow(...asked);
  if (!usual || !isAtShaft(document, id)) return usual;
  const [school] = schoolsAt(document, id, who === 'rider' ? 'rider' : 'static', system);
  if (school?.at === 'shaft') return { fromMm: school.low, toMm: school.high };
  const scale = shaftScale(document, id);
  return { fromMm: scale * usual.fromMm, toMm: scale * usual.toMm };
}

/** The window of an end: as said, what was not said as it mostly is; null where nobody knows one. */
function windowAsked(
  document: JobDocument,
  id: CornerId,
  { who, from, to }: EndAsked,
  system: LengthSystem,
): SagLimits | null {
  const usual = usualWindow(document, id, who, system);
  const atWheel = (mm: number | null) => (mm === null ? null : mm / shaftScale(document, id));
  const [fromMm, toMm] = [atWheel(from) ?? usual?.fromMm ?? null, atWheel(to) ?? usual?.toMm ?? null];
  return fromMm === null || toMm === null ? null : { fromMm, toMm };
}

/** Why it cannot go on yet, in words; null where it can. */
export function notYetAsked(
  document: JobDocument,
  ends: Record<string, EndAsked>,
  system: LengthSystem,
): string | null {
  const set = sagGroups(document).filter(({ id }) => ends[id]?.set);
  if (set.length === 0) return 'Choose at least one end.';
  for (const group of set) {
    const name = groupName(group);
    const window = windowAsked(document, group.id, ends[group.id] as EndAsked, system);
    if (!window) return `Say what sag is wanted, ${name}.`;
    if (window.fromMm >= window.toMm) return `${capital(name)}: the window must end above where it begins.`;
  }
  return null;
}

/** The rider, and the windows of the ends that are set, as one change. What is wanted of the others is left open. */
export function firstSag(
  document: JobDocument,
  { kg, ends, system }: { kg: number | null; ends: Record<string, EndAsked>; system: LengthSystem },
): [string[], Json][] {
  const rider: RiderDocument = {
    key: 'r1',
    name: 'rider',
    kg,
    gearKg: 0,
    rearShare: null,
    passengerKg: 0,
    luggageKg: 0,
  };
  const { riders, massKg, frontShare } = withRider(document, rider);
  return [
    [['riders'], riders],
    [['machine', 'massKg'], massKg],
    [['machine', 'frontShare'], frontShare],
    ...sagGroups(document).flatMap((group) => {
      const asked = ends[group.id];
      return sidesOf(group).flatMap((id) =>
        asked?.set ? windowsOf(document, id, { asked, system }) : noWindows(document, id),
      );
    }),
  ];
}

/** An end that is not set wants no sag, also where one was wanted before. */
const noWindows = (document: JobDocument, id: CornerId): [string[], Json][] =>
  (['sagMm', 'sagWindow', 'staticWindow'] as const).flatMap((key): [string[], Json][] =>
    document.corners[id][key] === null ? [] : [[['corners', id, key], null]],
  );

/** With the rider on the machine's own usual window stands beside it: both sags together tell of the spring. */
function windowsOf(
  document: JobDocument,
  id: CornerId,
  { asked, system }: { asked: EndAsked; system: LengthSystem },
): [string[], Json][] {
  const window = windowAsked(document, id, asked, system);
  if (!window) return [];
  if (asked.who === 'alone') return [[['corners', id, 'staticWindow'], window]];
  return [
    [['corners', id, 'sagWindow'], window],
    [['corners', id, 'sagMm'], middleOf(window)],
    [
      ['corners', id, 'staticWindow'],
      document.corners[id].staticWindow ?? usualWindow(document, id, 'alone', system),
    ],
  ];
}
