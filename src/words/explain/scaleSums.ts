import { leftOver } from './rest.ts';
import { input } from './input.ts';
import type { SumInput, Sum } from './types.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { AIR_STEP_BAR } from '#core/springs/air.ts';
import { barRate } from '#core/document/taken.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import type { Balance, Share } from '#core/scales/balance.ts';
import type { BarShift } from '#core/scales/bars.ts';
import type { SeatEffect } from '#core/scales/effects.ts';
import type { SwapResult } from '#core/scales/swap.ts';
import type { TradeOff, TradePoint } from '#core/scales/tradeOff.ts';
import type { JobDocument } from '#core/document/types.ts';
import { padsAround } from '#core/scales/padsAround.ts';

/** A share of the weight on four pads. */
export function shareSum(
  { title, formula, share }: { title: string; formula: string; share: Share },
  { totalKg }: Balance,
  kg: Partial<Record<CornerId, number>>,
): Sum {
  return {
    title,
    words: 'what stands on these pads, over what stands on all four',
    formula,
    inputs: [
      ...(Object.entries(kg) as [CornerId, number][]).map(([id, one]): SumInput =>
        input(id, `on the ${cornerNames[id]}`, one, 'mass', 'measured'),
      ),
      input('T', 'on all four', totalKg, 'mass', 'computed'),
      input('σ', 'one standard deviation', share.sd, 'percent', 'computed'),
    ],
    result: { value: share.value, unit: 'percent' },
    note: 'The spread is that of pads which repeat within half a percent, half a kilogram at least.',
  };
}

const oneMore: Record<SeatEffect['way'], string> = {
  thread: 'One turn towards the spring',
  steps: 'One step towards the spring',
  positions: 'One position more',
  pressure: 'A tenth of a bar more',
};

const oneOf: Record<SeatEffect['way'], string> = {
  thread: 'turn',
  steps: 'step',
  positions: 'position',
  pressure: 'step',
};

/** What one more of an adjuster does at one corner. */
export function effectSum(
  { seat, by, way, turnBy, corners }: SeatEffect,
  at: SeatEffect['corners'][number],
): Sum {
  return {
    title: `${by === 'mount' ? 'One turn out, mount' : `${oneMore[way]},`} ${cornerNames[seat]}: weight ${cornerNames[at.id]}`,
    words:
      'raising one seat loads its own wheel and the one across; what these gain the other two lose. Where the body rests on springs, tyres and hooked bars decides by how much',
    formula: 'the four shifts add to nothing',
    inputs: [
      ...corners.map(({ id, padKg }) =>
        input(`ΔW ${id}`, `on the ${cornerNames[id]}`, padKg, 'mass', 'computed'),
      ),
      by === 'seat' && way === 'pressure'
        ? input('p', 'bar a step', AIR_STEP_BAR * turnBy, 'count', 'sheet')
        : input('p', `mm of ${by} a ${by === 'mount' ? 'turn' : oneOf[way]}`, turnBy, 'length', 'sheet'),
      input('Δh', `height ${cornerNames[at.id]}`, at.heightMm, 'length', 'computed'),
    ],
    result: { value: at.padKg, unit: 'mass' },
    left: input(
      'left over',
      'sum of the four shifts',
      corners.reduce((sum, { padKg }) => sum + padKg, 0),
      'mass',
      'computed',
    ),
    note: 'As the readings so far have this machine; it is corrected with every round.',
  };
}

/** What a wheel will weigh after the plan. */
export function padAfterSum(answer: Answer, id: CornerId): Sum {
  const { nowKg, afterKg } = padsAround(answer, id);
  const shiftedKg = answer.machine.corners
    .map((one) => padsAround(answer, one))
    .reduce((sum, one) => sum + one.afterKg - one.nowKg, 0);
  return {
    title: `Weight after the plan, ${cornerNames[id]}`,
    words:
      'the weight on this wheel now, plus what all seat moves shift on to it; the four together stay what they are',
    formula: 'W′ = W + ΔW, and the four shifts add to nothing',
    inputs: [
      input('W', 'on this wheel now, by all rounds together', nowKg, 'mass', 'learnt'),
      input('ΔW', 'shifted on to it', afterKg - nowKg, 'mass', 'computed'),
      ...answer.corners.map((corner) =>
        input(`c ${corner.id}`, `seat move, ${cornerNames[corner.id]}`, corner.seatBy, 'length', 'computed'),
      ),
    ],
    result: { value: afterKg, unit: 'mass' },
    left: input('left over', 'sum of the four shifts', shiftedKg, 'mass', 'computed'),
    note: 'With on board what is measured with.',
  };
}

/** All four pads together, or the right front over the left front. */
export function padsSum(
  what: 'total' | 'front',
  balance: Balance,
  kg: Partial<Record<CornerId, number>>,
): Sum {
  const shown = (Object.entries(kg) as [CornerId, number][]).filter(
    ([id]) => what === 'total' || id === 'LF' || id === 'RF',
  );
  return {
    title: what === 'total' ? 'Total on the pads' : 'Front, right minus left',
    words:
      what === 'total'
        ? 'what stands on all four pads, each the mean of its repeats'
        : 'what stands on the right front, less what stands on the left',
    formula: what === 'total' ? 'T = LF + RF + LR + RR' : 'Δ = RF − LF',
    inputs: shown.map(([id, one]) => input(id, `on the ${cornerNames[id]}`, one, 'mass', 'measured')),
    result: { value: what === 'total' ? balance.totalKg : balance.frontDifferenceKg, unit: 'mass' },
    note: null,
  };
}

/** What swapping two pads tells of their heights. */
export function swapHeightSum({ higherMm, read: { first, swapped }, farKgPerMm }: SwapResult): Sum {
  const far = (of: typeof first) => of.farLeft - of.farRight;
  return {
    title: 'Height of a pad over the other',
    words:
      'a higher pad loads one diagonal before it is swapped and the other after; the axle that was left alone shows it',
    formula: 'd = (D₁ − D₂) / (2·k)',
    inputs: [
      input('D₁', 'left less right of the other axle, as first read', far(first), 'mass', 'measured'),
      input('D₂', 'the same with the pads swapped', far(swapped), 'mass', 'measured'),
      input('k', 'kg that it grows per mm, by the model', farKgPerMm, 'ratio', 'computed'),
    ],
    result: { value: higherMm, unit: 'length' },
    note: 'Of the pad that lay on the left at first.',
  };
}

/** What swapping two pads tells of what they show. */
export function swapFactorSum({ ratio, byHeight, read: { first, swapped } }: SwapResult): Sum {
  return {
    title: 'What a pad shows over the other',
    words:
      'each pad has stood under both wheels. Its reading over the other’s, without the part that their heights make',
    formula: 'q = √(a₁·a₂ / (b₁·b₂) / m)',
    inputs: [
      input('a₁', 'the one pad, under the left', first.left, 'mass', 'measured'),
      input('a₂', 'the one pad, under the right', swapped.right, 'mass', 'measured'),
      input('b₁', 'the other, under the right', first.right, 'mass', 'measured'),
      input('b₂', 'the other, under the left', swapped.left, 'mass', 'measured'),
      input('m', 'what their heights make of it, by the model', byHeight, 'ratio', 'computed'),
    ],
    result: { value: ratio, unit: 'ratio' },
    note: null,
  };
}

/** What hooked bars make of the cross weight as the machine stands. */
export function barCrossSum({ crossWith, crossWithout, leftN }: BarShift, bars: JobDocument['bars']): Sum {
  const hooked = (['front', 'rear'] as const).flatMap((axle) => {
    const bar = bars[axle];
    return bar?.hooked
      ? [
          input(
            `K ${axle}`,
            `${axle} bar, at the wheel`,
            barRate(bar),
            'rate',
            bar.rateNPerMm === null ? 'assumed' : 'sheet',
          ),
        ]
      : [];
  });
  return {
    title: 'Cross weight with the bar hooked up',
    words: 'the machine as the readings have it brought to rest twice: as it is, and with the bar undone',
    formula: 's = s₀ + Δs',
    inputs: [
      ...hooked,
      input('s₀', 'cross weight without', crossWithout, 'percent', 'computed'),
      input('Δs', 'what the bar makes of it', crossWith - crossWithout, 'percent', 'computed'),
    ],
    result: { value: crossWith, unit: 'percent' },
    left: leftOver(leftN),
    note: 'Pads then show the bar as well as the seats.',
  };
}

/** What hooked bars put on a wheel. */
export function barPadSum({ id, padKg, withoutKg, heightMm }: BarShift['corners'][number]): Sum {
  return {
    title: `What the bar puts on the ${cornerNames[id]}`,
    words: 'weight on this pad with the bar hooked up, less without, the machine at rest both times',
    formula: 'ΔW = W(K) − W(0)',
    inputs: [
      input('W(K)', 'with the bar', withoutKg + padKg, 'mass', 'computed'),
      input('W(0)', 'without', withoutKg, 'mass', 'computed'),
      input('Δh', 'what it does to the height there', heightMm, 'length', 'computed'),
    ],
    result: { value: padKg, unit: 'mass' },
    note: null,
  };
}

/** What the scales show at a point of the line between heights and scales. */
export function tradeShareSum({ goal, target }: TradeOff, { weight, share, shareOff }: TradePoint): Sum {
  return {
    title: goal === 'front' ? 'Right front of the front, by this plan' : 'Cross weight by this plan',
    words:
      'the whole plan made with the scales counting so many times as usual, and the machine at rest after it',
    formula: 's = s* + Δs, of the plan with least Σ (Δh / σh)² + w·(Δs / σs)²',
    inputs: [
      input('w', 'what the scales count, against the heights', weight, 'ratio', 'computed'),
      input('s*', 'wanted', target, 'percent', 'sheet'),
      input('Δs', 'off by', shareOff, 'percent', 'computed'),
    ],
    result: { value: share, unit: 'percent' },
    note: null,
  };
}

/** How far heights are left off at a point of the line. */
export function tradeHeightSum({ weight, heightOffMm, heights }: TradePoint): Sum {
  return {
    title: 'Furthest height off, by this plan',
    words: 'of all corners that have a target, the one that this plan leaves furthest from it',
    formula: 'max |h − h*|',
    inputs: [
      ...heights.map(({ id, offMm }) =>
        input(`Δh ${id}`, `off its target, ${cornerNames[id]}`, offMm, 'length', 'computed'),
      ),
      input('w', 'what the scales count, against the heights', weight, 'ratio', 'computed'),
    ],
    result: { value: heightOffMm, unit: 'length' },
    note: null,
  };
}
