import { leftAtRest, restInputs } from './rest.ts';
import { input } from './input.ts';
import type { Sum } from './types.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { distanceAfter, gainsAt, rowsAround } from '#core/stance/clearance.ts';
import { settledIn } from '#core/book/again.ts';
import type { ClearanceDocument, ToldCorner } from '#core/document/types.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { contactOf } from '#core/machine/equilibrium.ts';
import type { Alternative } from '#core/judgement/alternatives.ts';
import type { CornerAnswer } from '#core/planning/cornerAnswer.ts';
import { settledShare } from '#core/estimate/parameters.ts';

/** How far off its targets a way of doing it ends up. Null where no height is asked for. */
export function furthestSum({ answer, offMm }: Alternative, title: string): Sum | null {
  if (offMm === null) return null;
  return {
    title: `Furthest off: ${title}`,
    words: 'of all corners with a target, the greatest distance between height after and target',
    formula: 'max |h′ − t|',
    inputs: answer.corners.flatMap(({ id, spec, specMm }) =>
      spec.targetMm === null
        ? []
        : [
            input(`h′ ${id}`, `height after, ${cornerNames[id]}`, specMm, 'length', 'computed'),
            input(`t ${id}`, `target, ${cornerNames[id]}`, spec.targetMm, 'length', 'sheet'),
          ],
    ),
    result: { value: offMm, unit: 'length' },
    note: null,
  };
}

/** Height of a corner after the plan in one of the owner's load cases, by its place among them. */
export function caseHeightSum(answer: Answer, { id }: CornerAnswer, k: number): Sum {
  const { document, machine, predictAt, after, corners } = answer;
  const prediction = predictAt({ ...after, aboard: machine.aboard[k] ?? after.aboard });
  const { solver } = prediction.outcome;
  const r = corners.findIndex((corner) => corner.id === id);
  return {
    title: `Height, ${document.cases[k] ?? ''}, ${cornerNames[id]}`,
    words: 'the machine after the plan, with what this load case has on board, come to rest',
    formula: 'F·MR + Fg = W at every corner',
    inputs: [
      ...document.loads.flatMap(({ name, kg, aboard }, i) =>
        aboard[k] ? [input(`m${i + 1}`, name, kg, 'mass', 'sheet')] : [],
      ),
      ...restInputs(machine, id, contactOf(solver, machine.corners.indexOf(id))),
    ],
    result: { value: prediction.mean[r] ?? NaN, unit: 'length' },
    left: leftAtRest(solver),
    note: null,
  };
}

/** Height that a corner's springs have lost on the road. Null where nothing can be said of it. */
export function lostSum(answer: Answer, id: CornerId): Sum | null {
  const loss = settledIn(answer)[id];
  if (!loss) return null;
  const { settlingKm } = answer.fit.values;
  // Another day's round counts as more than was driven, where that was little.
  const { km } = answer.now;
  const stood = km !== loss.km;
  return {
    title: `Lost on the road, ${cornerNames[id]}`,
    words:
      'of what this spring will lose, the share that is gone after so many km; what it will lose is one more unknown of the fit',
    formula: 'lost = s · (1 − exp(−km / K))',
    inputs: [
      input(
        's',
        'what it will have lost in the end',
        loss.lostMm / settledShare(km, settlingKm),
        'length',
        'learnt',
      ),
      input(
        'km',
        stood ? 'driven since; days with nothing turned count as 100 km at least' : 'driven since',
        km,
        'count',
        stood ? 'assumed' : 'measured',
      ),
      input('K', 'km in which most of it goes', settlingKm, 'count', 'assumed'),
      input('σ', 'one standard deviation', loss.sdMm, 'length', 'computed'),
    ],
    result: { value: loss.lostMm, unit: 'length' },
    note: 'Kept with the machine, for its next job.',
  };
}

/** Height to expect with a collar brought to what a kit sheet says. */
export function kitSum(corner: CornerAnswer, told: ToldCorner): Sum {
  return {
    title: `With the kit sheet’s reading, ${cornerNames[corner.id]}`,
    words:
      'height now, plus what all the seats brought to their readings give here once the machine rests again',
    formula:
      corner.spec.readingSign === 1 ? 'c = reading − r,  h′ = h + Δh' : 'c = r − reading,  h′ = h + Δh',
    inputs: [
      input('r', 'collar reading now', corner.collarMm ?? NaN, 'length', 'measured'),
      input('reading', 'as the kit sheet has it', told.stopAtMm ?? NaN, 'length', 'sheet'),
      input('c', 'seat move, up positive', told.seatMm, 'length', 'computed'),
      input('h', 'height now, by all readings so far', corner.nowMm, 'length', 'computed'),
      input('Δh', 'what the moves give here', (told.heightMm ?? NaN) - corner.nowMm, 'length', 'computed'),
      input('σ', 'one standard deviation', told.heightSdMm ?? NaN, 'length', 'computed'),
    ],
    result: { value: told.heightMm ?? NaN, unit: 'length' },
    note: null,
  };
}

/** A clearance as it should be at this height: carried along from where it was measured. */
export function clearanceSum(one: ClearanceDocument, id: CornerId, risenMm: number): Sum {
  const { name, nowMm, perMm, rows } = one;
  const table = rows ? rowsAround(rows, risenMm) : null;
  return {
    title: `${name}, ${cornerNames[id]}`,
    words: rows
      ? 'read from its table at what the body has risen over this wheel since it was measured'
      : 'as measured, plus what the body has risen over this wheel since',
    formula: table ? 'c = c₁ + (c₂ − c₁)·(Δh − h₁) / (h₂ − h₁)' : 'c = c₀ + g·Δh',
    inputs: [
      ...(table
        ? [
            input('h₁', 'rise, the row before', table[0][0], 'length', 'measured'),
            input('c₁', 'distance, the row before', table[0][1], 'length', 'measured'),
            input('h₂', 'rise, the row after', table[1][0], 'length', 'measured'),
            input('c₂', 'distance, the row after', table[1][1], 'length', 'measured'),
          ]
        : [
            input('c₀', 'as measured', nowMm, 'length', 'measured'),
            input(
              'g',
              'gained per mm of rise',
              gainsAt(one, risenMm),
              'ratio',
              perMm === null ? 'assumed' : 'sheet',
            ),
          ]),
      input('Δh', 'risen since', risenMm, 'length', 'computed'),
    ],
    result: { value: distanceAfter(one, risenMm), unit: 'length' },
    note: null,
  };
}
