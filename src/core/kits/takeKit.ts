import * as range from '../document/description/ranges.ts';
import { afterFitting, type Change } from '../book/newFitting.ts';
import type { Fact, JobDocument, Json } from '../document/types.ts';
import type { RoundsState } from '../estimate/rounds.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { axleOf, type Axle, type CornerId } from '../kinds/corners.ts';
import type { Kit, KitEnd, KitValues } from './kit.ts';
import type { KitMemory } from './memory.ts';

/** How one end is put together: with an option of the sheet or plainly, and how much further than its start, mm of seat. */
export interface PutTogether {
  option: string | null;
  moreMm: number;
}

/** Which of its ends go in. */
export type KitEnds = Partial<Record<Axle, PutTogether>>;

export interface TakenKit {
  /** The description with the kit in, by what changes. */
  changes: Change[];
  /** What went in and how it was put together, for the round that begins with it. */
  facts: Fact[];
}

/** Ends of a machine that a kit's sheet speaks of. */
export function endsOf(document: JobDocument, kit: KitValues): Axle[] {
  return (['front', 'rear'] as const).filter(
    (axle) => kit[axle] !== null && cornersIn(document).some((id) => axleOf(id) === axle),
  );
}

interface Taking {
  kit: Kit;
  ends: KitEnds;
  /** The round that is read with it in. */
  round: number;
  /** What earlier jobs with it came to. */
  taught: readonly KitMemory[];
}

/**
 * A kit put into a job in one step, before round `round` is read: its springs, where seat and ring stand as it is put together,
 * what it is specified to stand at, and that it went in.
 */
export function takeKit(
  document: JobDocument,
  state: Pick<RoundsState, 'rounds'>,
  { kit: { id, kit }, ends, round, taught }: Taking,
): TakenKit {
  const taken = endsOf(document, kit).flatMap((axle) => {
    const [end, chosen] = [kit[axle], ends[axle]];
    return end && chosen ? [{ axle, end, ...chosen }] : [];
  });
  const gone = new Map(
    afterFitting(
      document,
      state,
      taken.map(({ axle }) => ({ part: partOf(kit), axle, corner: null })),
    ).map((change) => [change[0].join('.'), change]),
  );
  const changes = taken.flatMap(({ axle, end, option, moreMm }) =>
    cornersAt(document, axle).flatMap((id) =>
      ofCorner(document, id, { kit, end, preloadMm: withMore(preloadOf(end, option), moreMm) }),
    ),
  );
  const whole: Change[] = [
    ...(kit.toleranceMm === null ? [] : [[['toleranceMm'], kit.toleranceMm] as Change]),
    ...(kit.load === '' ? [] : [[['load'], kit.load] as Change]),
    ...learntFrom(document, kit.name, taught),
    ...torquesWith(document, kit),
  ];
  for (const change of [...changes, ...whole]) gone.set(change[0].join('.'), change);
  return {
    changes: [...gone.values()],
    facts: taken.flatMap(({ axle, end, option, moreMm }): Fact[] => [
      {
        kind: 'fitted',
        round,
        corner: null,
        slot: `${partOf(kit)}-${axle}`,
        part: partOf(kit),
        axle,
        words: option === null ? kit.name : `${kit.name}, ${option}`,
        kit: id,
        moreMm,
      },
      ...placesAt('collar', cornersAt(document, axle), startOf(end, { option, moreMm }), round),
      ...placesAt('ring-place', cornersAt(document, axle), ringOf(end, { option, moreMm }), round),
    ]),
  };
}

/** Torques of the job with those of the kit, which stand for a bolt that both name; no change where the kit has none. */
function torquesWith({ torques }: JobDocument, kit: KitValues): Change[] {
  if (kit.torques.length === 0) return [];
  const others = torques.filter(({ what }) => kit.torques.every((one) => one.what !== what));
  return [[['torques'], [...others, ...kit.torques].slice(0, range.mostLoads)]];
}

/** What goes in by it. */
function partOf({ dampers }: KitValues): 'kit' | 'springs' {
  return dampers ? 'kit' : 'springs';
}

const cornersAt = (document: JobDocument, axle: Axle) =>
  cornersIn(document).filter((id) => axleOf(id) === axle);

/** Preload that the sheet gives, plain or with an option; null where it gives none. */
function preloadOf(end: KitEnd, option: string | null): number | null {
  return end.options.find(({ name }) => name === option)?.preloadMm ?? end.preloadMm;
}

const withMore = (mm: number | null, moreMm: number) => (mm === null ? null : mm + moreMm);

/** What the collar reads as it is put together: an option's preload stands as much further as it is more. */
export function startOf(end: KitEnd, { option, moreMm }: PutTogether): number | null {
  if (end.seatMm === null) return null;
  const preloadMm = preloadOf(end, option);
  const byOption = preloadMm === null || end.preloadMm === null ? 0 : preloadMm - end.preloadMm;
  const further = moreMm + byOption;
  return end.seatMm + (end.grows === 'with-seat' ? further : -further);
}

/**
 * What earlier jobs with the kit taught, for the ratios of a machine that has not taught its own: of every end of it, since
 * arms and joints are the machine's.
 */
export function learntFrom(document: JobDocument, name: string, taught: readonly KitMemory[]): Change[] {
  const own = document.machine.learnt;
  if (own !== null && own.others === null) return [];
  const ratios = Object.fromEntries(
    taught.flatMap(({ axle, ratio }) =>
      ratio === null
        ? []
        : cornersAt(document, axle).map((id) => [id, { ratio: ratio.ratio, sd: ratio.sd }] as const),
    ),
  );
  const others = Math.max(0, ...taught.map(({ ratio }) => ratio?.count ?? 0));
  if (others === 0) return [];
  return [[['machine', 'learnt'], { from: name, others, ratios, settled: {} }]];
}

/** Where the ring stands as it is put together: it goes along with a seat that starts elsewhere than on the sheet. */
function ringOf(end: KitEnd, put: PutTogether): number | null {
  const startMm = startOf(end, put);
  if (end.ringMm === null || startMm === null || end.seatMm === null) return end.ringMm;
  return end.ringMm + startMm - end.seatMm;
}

function placesAt(kind: 'collar' | 'ring-place', ids: CornerId[], mm: number | null, round: number): Fact[] {
  const slot = kind === 'collar' ? 'now' : 'found';
  return mm === null ? [] : ids.map((corner) => ({ kind, round, corner, slot, mm }));
}

function ofCorner(
  document: JobDocument,
  id: CornerId,
  { kit, end, preloadMm }: { kit: KitValues; end: KitEnd; preloadMm: number | null },
): Change[] {
  const { collar, reference } = document.corners[id];
  const at = (key: string, value: Json): Change => [['corners', id, key], value];
  return [
    at('springs', end.springs),
    at('preloadMm', preloadMm),
    at('collar', {
      ...collar,
      datum: end.seatFrom || collar.datum,
      grows: end.grows,
      // Another damper has another thread.
      ...(kit.dampers && { minMm: null, maxMm: null }),
    }),
    ...(end.ringGapMm === null ? [] : [at('ringGapMm', end.ringGapMm)]),
    ...(end.heightMm === null ? [] : [at('targetMm', end.heightMm)]),
    ...(end.reference === null ? [] : [at('reference', { ...reference, kind: end.reference })]),
  ];
}
