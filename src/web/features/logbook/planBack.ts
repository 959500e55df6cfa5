import { seatBetween, type CornerSetting } from '#core/book/settings.ts';
import type { ToldCorner, ToldPlan } from '#core/document/types.ts';
import { cornersOf } from '#core/kinds/classes/index.ts';
import type { Page } from './machines.ts';

type ToldSeat = Pick<ToldCorner, 'seatMm' | 'turns' | 'airToBar' | 'airByBar'>;

/** What an adjuster has to do: pressure by its gauge, a cam only within one job, where its arc is known; else the seat. */
function adjusterBetween(a: CornerSetting, b: CornerSetting, sameJob: boolean): ToldSeat | null {
  if (a.airBar !== null && b.airBar !== null) {
    const airByBar = Math.round(10 * (b.airBar - a.airBar)) / 10;
    return { seatMm: 0, turns: 0, airToBar: b.airBar, airByBar };
  }
  const isCam = a.cam !== null || b.cam !== null;
  const seatMm = isCam ? (sameJob ? b.seatMm - a.seatMm : null) : seatBetween(a, b, sameJob);
  return seatMm === null ? null : { seatMm, turns: seatMm / a.pitchMm };
}

/** ± mm that a height is told to where a setting is put back: it was read there before. */
const PUT_BACK_SD_MM = 2;

/** The plan that leads from one setting to another: only what is known of both is told. */
export function planBack(from: Page, to: Page): ToldPlan {
  const corners: ToldPlan['corners'] = {};
  for (const id of cornersOf(from.job.machineClass)) {
    const [a, b] = [from.setting.corners[id], to.setting.corners[id]];
    if (!a || !b) continue;
    const sameJob = from.job.id === to.job.id;
    const toldBy = adjusterBetween(a, b, sameJob);
    if (toldBy === null) continue;
    const mountMm = sameJob ? b.mountMm - a.mountMm : 0;
    corners[id] = {
      ...toldBy,
      stopAtMm: b.collarMm,
      ...(mountMm === 0 ? {} : { mountMm }),
      ...(b.cam === null ? {} : { camTo: b.cam }),
      heightMm: b.heightMm ?? a.heightMm ?? 0,
      heightSdMm: PUT_BACK_SD_MM,
    };
  }
  return { corners, chance: 0 };
}
