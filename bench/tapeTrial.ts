import {
  hideTapeMachine,
  readTapes,
  tapeIsIn,
  trueHeights,
  turnCollars,
  type TapeMachine,
} from '../tests/fixtures/tapeShop.ts';
import type { Player } from './tapePlayers.ts';

/** What became of one player's machines. */
export interface Tally {
  machines: number;
  inAfter: [number, number, number];
  wrongStops: number;
  stopped: number;
  stoppedWithin4: number;
  /** Chance told against what landed, first plans and later plans. */
  told: { chance: number; landed: boolean; first: boolean }[];
  /** Sum of squares of (said to be true - true), and how many; the tape's own likewise. */
  squares: number;
  tapeSquares: number;
  count: number;
  perClass: Record<string, { machines: number; first: number; second: number; wrong: number }>;
}

const MOST_ROUNDS = 6;

/** Plays the same machines with a player; a round is one move and the readings after it. */
export function trial(
  make: (machine: TapeMachine) => Player,
  machines: number,
  openMm: number,
  from = 0,
): Tally {
  const tally: Tally = {
    machines,
    inAfter: [0, 0, 0],
    wrongStops: 0,
    stopped: 0,
    stoppedWithin4: 0,
    told: [],
    squares: 0,
    tapeSquares: 0,
    count: 0,
    perClass: {},
  };
  for (let seed = from; seed < from + machines; seed++) play(hideTapeMachine(seed, openMm), make, tally);
  return tally;
}

function play(machine: TapeMachine, make: (machine: TapeMachine) => Player, tally: Tally): void {
  const player = make(machine);
  let done = machine.places.map(() => 0);
  const isIn: boolean[] = [];
  const mine = (tally.perClass[machine.class] ??= { machines: 0, first: 0, second: 0, wrong: 0 });
  mine.machines++;
  for (let round = 0; ; round++) {
    const readings = readTapes(machine);
    const advice = player.next(readings, done);
    const truth = trueHeights(machine);
    if (round > 0)
      truth.forEach((mm, i) => {
        tally.squares += ((advice.heightsMm[i] ?? NaN) - mm) ** 2;
        tally.tapeSquares += ((readings[i] ?? NaN) - mm) ** 2;
        tally.count++;
      });
    if (advice.stop) {
      tally.stopped++;
      if (round <= 4) tally.stoppedWithin4++;
      if (!tapeIsIn(machine)) {
        tally.wrongStops++;
        mine.wrong++;
      }
    }
    if (advice.stop || round === MOST_ROUNDS) break;
    done = turnCollars(machine, advice.movesBy);
    const landed = tapeIsIn(machine);
    isIn.push(landed);
    if (advice.chance !== null) tally.told.push({ chance: advice.chance, landed, first: round === 0 });
  }
  const last = tapeIsIn(machine);
  [0, 1, 2].forEach((k) => {
    if (isIn[k] ?? last) tally.inAfter[k as 0 | 1 | 2]++;
  });
  if (isIn[0] ?? last) mine.first++;
  if (isIn[1] ?? last) mine.second++;
}

/** Chances told by tenths, each beside the share that landed; tenths with few plans are joined to the next. */
export function tenths(told: Tally['told'], least = 250): { plans: number; told: number; landed: number }[] {
  const groups: Tally['told'][] = [];
  let open: Tally['told'] = [];
  for (let k = 0; k < 10; k++) {
    open = [...open, ...told.filter(({ chance }) => Math.min(Math.floor(chance * 10), 9) === k)];
    if (open.length >= least) {
      groups.push(open);
      open = [];
    }
  }
  if (open.length > 0) {
    const before = groups.pop() ?? [];
    groups.push([...before, ...open]);
  }
  return groups.map((group) => ({
    plans: group.length,
    told: group.reduce((sum, { chance }) => sum + chance, 0) / group.length,
    landed: group.filter(({ landed }) => landed).length / group.length,
  }));
}
