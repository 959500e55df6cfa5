import type { JobDocument } from '../document/types.ts';
import { tolerances } from '../tolerances.ts';
import { input } from '../calculation/input.ts';
import type { Answer } from '../plan/answer.ts';
import type { Left } from './left.ts';
import type { Standing } from '../stance/standing.ts';

/** What the springs of one corner have left, in one load case; nothing where nobody has said which springs they are. */
export function springMargins(answer: Answer, standing: Standing): Left[] {
  const { document, machine } = answer;
  const sources = machine.sources[standing.id];
  if (sources.springs === 'assumed' || !standing.corner.stack) return [];
  const assumed = sources.preload === 'assumed';
  const preloadSd = machine.believed.belief.contacts[machine.corners.indexOf(standing.id)]?.preloadMm ?? 0;
  return [
    ...coilSpace(document, standing, { assumed, preloadSd }),
    seated(standing, { assumed, preloadSd }),
    ...crossovers(document, standing, assumed || sources.load === 'assumed'),
    ...ringOrder(document, standing, { assumed, preloadSd }),
  ];
}

/**
 * Each spring's way to solid with the wheel at the end of its travel. Where a spring is solid before that, what is
 * missing is told along the stack. A tender is meant to be solid and is left out.
 */
/** How far the preload behind a margin can be trusted. */
interface Trust {
  assumed: boolean;
  /** One standard deviation of the preload, mm. */
  preloadSd: number;
}

function coilSpace(document: JobDocument, { id, corner }: Standing, { assumed, preloadSd }: Trust): Left[] {
  const { stack, description, droopShiftMm } = corner;
  const springs = document.corners[id].springs;
  if (!stack) return [];
  const fullMm = corner.springAt(description.travelMm + droopShiftMm) + corner.preloadMm;
  return springs.flatMap((spring, i): Left[] => {
    if (spring.tender || spring.freeLengthMm === null || spring.solidLengthMm === null) return [];
    const wayMm = spring.freeLengthMm - spring.solidLengthMm;
    const reached = stack.springCompression(i, Math.min(fullMm, stack.solidMm));
    const tooFar = fullMm > stack.solidMm;
    const leftMm = tooFar ? stack.solidMm - fullMm : wayMm - reached;
    const inputs = () => [
      input('free', 'free length', spring.freeLengthMm ?? 0, 'length', 'sheet'),
      input('solid', 'solid length', spring.solidLengthMm ?? 0, 'length', 'sheet'),
      input('x', 'it is compressed at full bump', reached, 'length', 'computed'),
      input('X', 'the stack would be compressed at full bump', fullMm, 'length', 'computed'),
      ...(tooFar ? [input('X solid', 'the stack is solid at', stack.solidMm, 'length', 'computed')] : []),
      input('p', 'of that, preload at full droop', corner.preloadMm, 'length', assumed ? 'assumed' : 'sheet'),
    ];
    const name = spring.name || `spring ${i + 1}`;
    // A millimetre more of preload closes this spring by its share of what the stack closes.
    const share = tooFar ? 1 : stack.springCompression(i, fullMm) - stack.springCompression(i, fullMm - 1);
    return [{ kind: 'coil', name, leftMm, rangeMm: wayMm, sdMm: preloadSd * share, assumed, inputs }];
  });
}

/** Compression that is left at full droop: below zero the spring rattles loose. */
function seated({ preloadMm, corner }: Standing, { assumed, preloadSd }: Trust): Left {
  const rangeMm = Math.max(corner.springAt(corner.zMax), 1);
  const { seatBy } = corner;
  const source = assumed ? 'assumed' : 'sheet';
  const inputs = () => [
    input('p₀', 'preload at the baseline, as the readings bear out', preloadMm - seatBy, 'length', source),
    input('c', 'seat moved since, up positive', seatBy, 'length', 'computed'),
  ];
  return { kind: 'seated', leftMm: preloadMm, rangeMm, sdMm: preloadSd, assumed, inputs };
}

/**
 * Way of each slider to its ring where the machine rests. On the ring already there is none left: the seat behind it
 * no longer acts.
 */
function crossovers(
  document: JobDocument,
  { id, corner, preloadMm, springsMm, ringsMm, travelSdMm, ratio, springForceN }: Standing,
  assumed: boolean,
): Left[] {
  return document.corners[id].rings.map(({ after, limitMm, on }, j) => {
    const limit = limitMm - (ringsMm[j] ?? 0) + (on === 'body' ? preloadMm : 0);
    const used = springsMm.slice(0, after + 1).reduce((sum, mm) => sum + mm, 0);
    return {
      kind: 'crossover',
      name: `slider ${after + 1}`,
      leftMm: limit - used,
      rangeMm: Math.max(corner.springAt(corner.zMax) / 2, 1),
      sdMm: travelSdMm * ratio,
      assumed,
      inputs: () => [
        input('c₀', 'compression at which the ring stops it, without preload', limitMm, 'length', 'sheet'),
        ...(on === 'body'
          ? [input('p', 'preload: the ring stays on the body', preloadMm, 'length', 'computed')]
          : []),
        ...(ringsMm[j]
          ? [input('m', 'ring moved towards the springs', ringsMm[j] ?? 0, 'length', 'computed')]
          : []),
        input('F', 'spring force where it rests', springForceN, 'force', 'computed'),
        input('u', 'springs before the ring are compressed', used, 'length', 'computed'),
      ],
    };
  });
}

/**
 * What the coils before each ring could still close when it takes over. Less than nothing, and they are solid first:
 * metal on metal in place of a crossover.
 */
function ringOrder(
  document: JobDocument,
  { id, corner, preloadMm, ringsMm }: Standing,
  { assumed, preloadSd }: Trust,
): Left[] {
  const { stack } = corner;
  const { springs, rings } = document.corners[id];
  if (!stack) return [];
  return rings.flatMap(({ after, limitMm, on }, j): Left[] => {
    const ways = springs.slice(0, after + 1).map(wayToSolid);
    if (ways.every((way) => way === Infinity)) return [];
    const at = stack.events.find(({ kind, index }) => kind === 'ring' && index === after);
    const limit = limitMm - (ringsMm[j] ?? 0) + (on === 'body' ? preloadMm : 0);
    const leftMm = at
      ? Math.min(
          ...ways.map((way, i) =>
            springs[i]?.tender ? Infinity : way - stack.springCompression(i, at.compressionMm),
          ),
        )
      : ways.reduce((sum, way) => sum + way, 0) - limit;
    if (!Number.isFinite(leftMm)) return [];
    const rangeMm = Math.max(...ways.filter(Number.isFinite));
    const inputs = () => [
      input('u', 'springs before the ring are compressed when it takes over', limit, 'length', 'computed'),
      ...ways.flatMap((way, i) =>
        Number.isFinite(way)
          ? [input(`w${i + 1}`, `${springs[i]?.name || `spring ${i + 1}`} can close`, way, 'length', 'sheet')]
          : [],
      ),
    ];
    return [
      {
        kind: 'ring-order',
        name: `slider ${after + 1}`,
        leftMm,
        rangeMm,
        // A ring on the body lets its springs close by the preload as well; its own place is read with a tape.
        sdMm: Math.hypot(on === 'body' ? preloadSd : 0, tolerances.tapeSdMm),
        assumed,
        inputs,
      },
    ];
  });
}

function wayToSolid({
  freeLengthMm,
  solidLengthMm,
}: JobDocument['corners']['LF']['springs'][number]): number {
  return freeLengthMm === null || solidLengthMm === null ? Infinity : freeLengthMm - solidLengthMm;
}
