import { camPlaceAt } from '../adjusting/positions.ts';
import { wayNamed, type WayName } from '../adjusting/index.ts';
import { AIR_STEP_BAR } from '../springs/air.ts';
import { sagWish } from '../document/sagWish.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { Answer } from '../planning/answerShape.ts';
import { sagAsRead } from './asRead.ts';
import { shaftAsRead } from './atShaft.ts';

/** What an adjuster was last moved by between two readings of one sag, and what that took off it, as the tape has both. */
export interface Took {
  way: WayName;
  /** mm off the sag, as it was read: at the shaft where that is read; negative added to it. */
  mm: number;
  /** What it went by: mm of seat, or bar of air. */
  by: number;
  /** Places of a cam before and after, counted from 0; null where there is none. */
  places: { from: number; to: number } | null;
}

/** What the newest move of an end took off its sag, that it is set by; null where no two readings stand on either side of one. */
export function lastTook(answer: Answer, id: CornerId): Took | null {
  const { state, document } = answer;
  const corner = document.corners[id];
  const who = sagWish(document, id)?.who === 'alone' ? 'alone' : (document.riders[0]?.key ?? '');
  const readIn = (round: number) =>
    sagAsRead(answer, id, who, round)?.sagMm ?? shaftAsRead(answer, id, who, round);
  const before = state.current === state.base ? null : readIn(state.current - 1);
  const after = readIn(state.current);
  const moved = state.rounds[state.current]?.moves[id] ?? 0;
  if (before === null || after === null || moved === 0) return null;
  const way = wayNamed(corner);
  const gone = state.rounds.slice(state.base, -1).reduce((sum, { moves }) => sum + (moves[id] ?? 0), 0);
  const places =
    way === 'positions' ? { from: camPlaceAt(corner, gone), to: camPlaceAt(corner, gone + moved) } : null;
  return { way, mm: before - after, by: way === 'pressure' ? AIR_STEP_BAR * moved : moved, places };
}
