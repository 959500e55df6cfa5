import type { Entry, Fact, JobRecord } from '#core/document/types.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { seededUniform, standardNormal } from '#core/numerics/random.ts';
import type { TapePlacing } from '#core/gauge/heldTape.ts';
import type { Drawn } from '../src/practice/draw.ts';
import { landedOf } from '../src/practice/landed.ts';
import { readInstrument } from '../src/practice/readInstrument.ts';
import { conditionNow } from '../src/practice/score.ts';

/** Somebody who is told what the tape says and says how far to turn, mm of seat by corner; or null to stop. */
export type PracticePlayer = (record: JobRecord) => Partial<Record<CornerId, number>> | null;

/** What became of one player on one machine. A round is a move, or the machine coming back: either is read after it. */
export interface Played {
  /** Rounds until every true height was in for good; one more than there were where that never was. */
  inAfter: number;
  /** Moves when it was first said to be done; null where it never was. */
  doneAfter: number | null;
  /** Whether every true height was in then. */
  right: boolean;
}

const MOST_ROUNDS = 6;
/** A machine that went out with a height out comes back so often at most. */
const MOST_RETURNS = 2;
const EIGHTHS = 8;

/**
 * Plays a drawn machine with a player: bars and bushes let go, settled, read once a corner by a careful hand, turned in eighths. One that is said to be done
 * with a true height out comes back, and is read again.
 */
export function playPractice({ document, truth }: Drawn, seed: number, player: PracticePlayer): Played {
  let record: JobRecord = { id: nthId(0), version: 1, document, entries: [] };
  let readings = 0;
  const hand = seededUniform(seed * 17 + 5);
  const add = (fact: Fact) => {
    record = { ...record, entries: [...record.entries, entryOf(fact, record.entries.length + 1)] };
  };
  for (const slot of ['bars', 'bushes'] as const)
    add({ kind: 'prep', round: 0, corner: null, slot, how: 'done' });
  const isIn: boolean[] = [];
  let returns = 0;
  let doneAfter: number | null = null;
  for (let round = 0; ; round++) {
    add({ kind: 'settled', round, corner: null, slot: 'how', how: 'rolled and bounced' });
    for (const corner of truth.corners) {
      const placing = carefully(() => standardNormal(hand));
      const shown = readInstrument(truth, seed, record, { instrument: 'tape', corner, placing }, readings++);
      add({ kind: 'height', round, corner, slot: '1', mm: Math.round(shown) });
    }
    const { seatsBy, km } = conditionNow(truth, seed, record);
    isIn.push(landedOf(truth, document, seatsBy, km).now);
    const moves = player(record);
    if (!moves) doneAfter ??= round;
    const out = !isIn.at(-1) && returns < MOST_RETURNS;
    if (round === MOST_ROUNDS || (!moves && !out))
      return {
        inAfter: isIn.lastIndexOf(false) + 1,
        doneAfter,
        right: doneAfter !== null && isIn[doneAfter] === true,
      };
    if (!moves) {
      returns++;
      continue;
    }
    const step = truth.pitchMm / EIGHTHS;
    for (const corner of truth.corners) {
      const mm = Math.round((moves[corner] ?? 0) / step) * step;
      if (mm !== 0) add({ kind: 'adjustment', round: round + 1, corner, slot: 'done', mm, askedMm: mm });
    }
  }
}

/** Nearly where it belongs. */
const carefully = (normal: () => number): TapePlacing => ({
  endXMm: 2 * normal(),
  endZMm: 0.3 * normal(),
  topXMm: 3 * normal(),
  eyeMm: 10 * normal(),
});

const nthId = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

function entryOf(fact: Fact, n: number): Entry {
  return {
    id: nthId(n),
    at: '2026-03-02T08:00:00.000Z',
    label: fact.kind,
    undoOf: null,
    redoOf: null,
    type: 'fact',
    fact,
    replaces: null,
  };
}
