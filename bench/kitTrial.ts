import { analyse } from '#core/analysis/analyse.ts';
import type { Fact, JobRecord } from '#core/document/types.ts';
import { kitMemory } from '#core/kits/memory.ts';
import { learntFrom } from '#core/kits/takeKit.ts';
import { kitOutcomes, type KitOutcome } from '#core/kits/outcome.ts';
import { hideTapeMachine, readTapes, tapeIsIn, turnCollars } from '../tests/fixtures/tapeShop.ts';
import { entryOf, thePage } from './tapePlayers.ts';

const KIT = '00000000-0000-4000-8000-00000000c0de';
const JOBS = 5;
const MOST_ROUNDS = 4;
const AXLES = ['front', 'rear'] as const;

/** What became of each shop's n-th job with one kit, n from 0. */
export interface KitTally {
  shops: number;
  inAfterOne: number[];
  told: number[];
}

/** Shops that put one kit into five machines of a model each, with a tape alone; ratios of the model's machines are `apart`. */
export function kitTrial(shops: number, apart: number, openMm = 12, from = 0): KitTally {
  const tally = { shops, inAfterOne: zeros(), told: zeros() };
  for (let shop = from; shop < from + shops; shop++) {
    const taught: KitOutcome[] = [];
    for (let job = 0; job < JOBS; job++) {
      const machine = hideTapeMachine(1000 * shop + job, openMm, { seed: shop, apart });
      const player = thePage(machine, 'tape', (record) => withKit(record, taught));
      let done = machine.places.map(() => 0);
      for (let round = 0; round <= MOST_ROUNDS; round++) {
        const advice = player.next(readTapes(machine), done);
        if (advice.stop && round > 0) break;
        done = turnCollars(machine, advice.movesBy);
        if (round > 0) continue;
        tally.told[job] = (tally.told[job] ?? 0) + (advice.chance ?? 0);
        if (tapeIsIn(machine)) tally.inAfterOne[job] = (tally.inAfterOne[job] ?? 0) + 1;
      }
      const record = player.record();
      taught.push(...kitOutcomes(record, analyse(record).answer));
    }
  }
  return tally;
}

const zeros = () => Array.from({ length: JOBS }, () => 0);

/** A job that begins with the kit in, with what earlier jobs with it taught. */
function withKit(record: JobRecord, taught: readonly KitOutcome[]): JobRecord {
  const { document, entries } = record;
  const memories = AXLES.flatMap((axle) => kitMemory(taught, document, axle) ?? []);
  const [change] = learntFrom(document, 'the kit', memories);
  const learnt = (change?.[1] ?? null) as JobRecord['document']['machine']['learnt'];
  const facts = AXLES.map((axle): Fact => {
    const place = { kind: 'fitted' as const, round: 0, corner: null, slot: `kit-${axle}` };
    return { ...place, part: 'kit', axle, words: '', kit: KIT, moreMm: null };
  });
  return {
    ...record,
    document: { ...document, machine: { ...document.machine, learnt } },
    entries: [...entries, ...facts.map((fact, k) => entryOf(fact, entries.length + k))],
  };
}
