import { expose } from 'comlink';
import type { JobRecord } from '#core/document/types.ts';
import { analyse } from '#core/analysis/analyse.ts';
import { hookedBars, type HookedBar } from '#core/scales/bars.ts';
import { tradeOff, type TradeOff } from '#core/scales/tradeOff.ts';
import { seatWays, type SeatWay } from '#core/scales/ways.ts';

/** What can be had of heights and scales, and the seats for it. */
interface Traded {
  trade: TradeOff;
  /** Seats for the point that is taken. */
  ways: SeatWay[];
}

/** Works out what a job asks of its scales; null where it asks nothing, or nothing is read. */
function trade(record: JobRecord): Traded | null {
  const { answer } = analyse(record);
  const made = answer && tradeOff(answer);
  if (!answer || !made) return null;
  return { trade: made, ways: seatWays(answer, record.document.crossWeight ?? 1) };
}

/** Bars that the readings tell of though nobody said that they are hooked up. */
function hooked(record: JobRecord): HookedBar[] {
  const { answer } = analyse(record);
  return answer ? hookedBars(record, answer) : [];
}

const api = { trade, hooked };
export type ScalesApi = typeof api;

expose(api);
