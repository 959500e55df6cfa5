import { cornerNames, type CornerId } from '../machine/body.ts';
import { GRAVITY } from '../machine/solver.ts';
import type { Situation } from '../learn/belief.ts';
import type { Answer } from '../plan/answer.ts';
import type { Balance, Share } from '../scales/balance.ts';
import type { SeatEffect } from '../scales/effects.ts';
import { input } from './input.ts';
import type { SumInput, Sum } from './types.ts';

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
      input('σ', 'one standard deviation, in hundredths of the share', 100 * share.sd, 'percent', 'computed'),
    ],
    result: { value: share.value, unit: 'share' },
    note: 'The spread is that of pads which repeat within half a percent, half a kilogram at least.',
  };
}

/** What one turn of a seat does at one corner. */
export function effectSum({ seat, by, turnMm }: SeatEffect, at: SeatEffect['corners'][number]): Sum {
  return {
    title: `One turn ${by === 'mount' ? 'out, mount' : 'up'} ${cornerNames[seat]}: weight ${cornerNames[at.id]}`,
    words:
      'raising one seat loads its own wheel and the one across; what these gain the other two lose. Where the body rests on springs, tyres and hooked bars decides by how much',
    formula: 'dW/dc = −H⁻¹ ∂g/∂c at rest, times the pitch',
    inputs: [
      input('p', `mm of ${by} a turn`, turnMm, 'length', 'sheet'),
      input('Δh', `height ${cornerNames[at.id]}`, at.heightMm, 'length', 'computed'),
    ],
    result: { value: at.padKg, unit: 'mass' },
    note: 'As the readings so far have this machine; it is corrected with every round.',
  };
}

/** Weights on a wheel's pad now and after the plan, kg: as the machine that the readings allow comes to rest. */
export function padsAround(
  { machine, now, after, predictAt }: Answer,
  id: CornerId,
): { nowKg: number; afterKg: number } {
  const i = machine.corners.indexOf(id);
  const kg = (situation: Situation) => (predictAt(situation).outcome.solver.pads[i] ?? 0) / GRAVITY;
  return { nowKg: kg(now), afterKg: kg(after) };
}

/** What a wheel will weigh after the plan. */
export function padAfterSum(answer: Answer, id: CornerId): Sum {
  const { nowKg, afterKg } = padsAround(answer, id);
  return {
    title: `Weight after the plan, ${cornerNames[id]}`,
    words:
      'what stands on this wheel now, plus what all the seat moves shift on to it once the machine rests again; the four together stay what they are',
    formula: 'W′ = W + ΔW(c), Σ ΔW = 0',
    inputs: [
      input('W', 'on this wheel now, by all rounds together', nowKg, 'mass', 'learnt'),
      ...answer.corners.map((corner) =>
        input(`c ${corner.id}`, `seat move, ${cornerNames[corner.id]}`, corner.seatMm, 'length', 'computed'),
      ),
    ],
    result: { value: afterKg, unit: 'mass' },
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
    title: what === 'total' ? 'Total on the pads' : 'Front, right less left',
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
