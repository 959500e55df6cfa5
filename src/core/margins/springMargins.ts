import type { JobDocument } from '../job/types.ts';
import type { Answer } from '../plan/answer.ts';
import type { Left } from './left.ts';
import type { Standing } from './standing.ts';

/** What the springs of one corner have left, in one load case; nothing where nobody has said which springs they are. */
export function springMargins(answer: Answer, standing: Standing): Left[] {
  const { document, machine } = answer;
  const sources = machine.sources[standing.id];
  if (sources.springs === 'assumed' || !standing.corner.stack) return [];
  const assumed = sources.preload === 'assumed';
  return [
    ...coilSpace(document, standing, assumed),
    seated(standing, assumed),
    ...crossovers(document, standing, assumed || sources.load === 'assumed'),
  ];
}

/**
 * Each spring's way to solid with the wheel at the end of its travel. Where a spring is solid before that, what is
 * missing is told along the stack. A tender is meant to be solid and is left out.
 */
function coilSpace(document: JobDocument, { id, corner }: Standing, assumed: boolean): Left[] {
  const { stack, description, droopShiftMm } = corner;
  const springs = document.corners[id].springs;
  if (!stack) return [];
  const fullMm = corner.springAt(description.travelMm + droopShiftMm) + corner.preloadMm;
  return springs.flatMap((spring, i): Left[] => {
    if (spring.tender || spring.freeLengthMm === null || spring.solidLengthMm === null) return [];
    const wayMm = spring.freeLengthMm - spring.solidLengthMm;
    const reached = stack.springCompression(i, Math.min(fullMm, stack.solidMm));
    const leftMm = fullMm > stack.solidMm ? stack.solidMm - fullMm : wayMm - reached;
    return [
      { kind: 'coil', name: spring.name || `spring ${i + 1}`, leftMm, rangeMm: wayMm, sdMm: 0, assumed },
    ];
  });
}

/** Compression that is left at full droop: below zero the spring rattles loose. */
function seated({ preloadMm, corner }: Standing, assumed: boolean): Left {
  const rangeMm = Math.max(corner.springAt(corner.zMax), 1);
  return { kind: 'seated', leftMm: preloadMm, rangeMm, sdMm: 0, assumed };
}

/**
 * Way of each slider to its ring where the machine rests. On the ring already there is none left: the seat behind it
 * no longer acts.
 */
function crossovers(
  document: JobDocument,
  { id, corner, preloadMm, springsMm, travelSdMm, ratio }: Standing,
  assumed: boolean,
): Left[] {
  return document.corners[id].rings.map(({ after, limitMm, on }) => {
    const limit = limitMm + (on === 'body' ? preloadMm : 0);
    const used = springsMm.slice(0, after + 1).reduce((sum, mm) => sum + mm, 0);
    return {
      kind: 'crossover',
      name: `slider ${after + 1}`,
      leftMm: limit - used,
      rangeMm: Math.max(corner.springAt(corner.zMax) / 2, 1),
      sdMm: travelSdMm * ratio,
      assumed,
    };
  });
}
