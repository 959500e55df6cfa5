import { workOut, type Found } from './exact.ts';
import { candidateOf, type Candidate, type SearchProblem, type Unusable } from './problem.ts';
import { Searcher } from './searcher.ts';
import type { RackSpring } from './spring.ts';
import { obstacles, type Obstacle } from './verdict.ts';

/** How far a search is. */
export interface SearchProgress {
  tried: number;
  of: number;
  /** The best so far, best first. */
  found: Found[];
  /** How many do it, those that are not kept too. */
  landed: number;
}

/** Answers kept. */
const KEPT = 60;
/** Combinations between two words of progress. */
const A_WHILE = 20_000;

interface Pair {
  upper: Candidate | null;
  lower: Candidate;
  share: number;
}

/**
 * Every single spring, tender with main spring, and pair of the rack that meets a problem, those with most left first.
 * A generator: it tells how far it is every so often, so that whoever runs it can stop it.
 * `prune` leaves out springs that no combination can use: one that is solid at rest by the load alone.
 */
export function* searchRack(
  problem: SearchProblem,
  rack: readonly RackSpring[],
  prune = true,
): Generator<SearchProgress, SearchProgress> {
  const searcher = new Searcher(problem);
  const usable = rack.map((one) => candidateOf(one, problem)).filter((one) => typeof one !== 'string');
  const least = prune ? searcher.leastRestN() : 0;
  const mains = usable.filter((one) => !one.spring.tender && !(prune && isSolidUnder(one, least)));
  const tenders = usable.filter(({ spring }) => spring.tender);
  const { single, tender, dual } = problem.kinds;
  const uppers = [
    ...(single ? [null] : []),
    ...(tender ? tenders : []),
    ...(dual && problem.ring ? mains : []),
  ];
  const of = uppers.length * mains.length;
  const best = new Best();
  let tried = 0;
  for (const upper of uppers)
    for (const lower of mains) {
      best.offer(searcher, problem, upper, lower);
      tried++;
      if (tried % A_WHILE === 0) yield { tried, of, found: best.worked(problem), landed: best.landed };
    }
  return { tried, of, found: best.worked(problem), landed: best.landed };
}

/** A straight spring that the load alone closes: no partner in series takes any of it away. */
function isSolidUnder({ rate, wayMm }: Candidate, forceN: number): boolean {
  return !Number.isNaN(rate) && forceN > rate * wayMm;
}

/** Tries a combination by the fast way where both are straight, by the full model where not. */
function attempt(
  searcher: Searcher,
  problem: SearchProblem,
  upper: Candidate | null,
  lower: Candidate,
): { share: number; obstacle: Obstacle; shortBy: number } {
  if (Number.isNaN(lower.rate) || (upper !== null && Number.isNaN(upper.rate)))
    return workOut(problem, upper, lower);
  if (upper) searcher.pair(upper, lower);
  else searcher.single(lower);
  return {
    share: searcher.share,
    obstacle: obstacles[searcher.obstacle] ?? 'none',
    shortBy: searcher.shortBy,
  };
}

/** The best so many, kept in order; worked out in full only when asked for. */
class Best {
  landed = 0;
  private readonly kept: Pair[] = [];
  private readonly known = new Map<Pair, Found>();

  offer(searcher: Searcher, problem: SearchProblem, upper: Candidate | null, lower: Candidate): void {
    const { share, obstacle } = attempt(searcher, problem, upper, lower);
    if (obstacle !== 'none') return;
    this.landed++;
    const last = this.kept.at(-1);
    if (this.kept.length === KEPT && last && last.share >= share) return;
    const pair = { upper, lower, share };
    const place = this.kept.findIndex((one) => one.share < share);
    this.kept.splice(place < 0 ? this.kept.length : place, 0, pair);
    if (this.kept.length > KEPT) this.kept.pop();
  }

  worked(problem: SearchProblem): Found[] {
    return this.kept.map((pair) => {
      const found = this.known.get(pair) ?? workOut(problem, pair.upper, pair.lower);
      this.known.set(pair, found);
      return found;
    });
  }
}

/** Why a spring is in no answer: what stands in the way of it at all, or of its combinations and the nearest of them. */
export type WhyNot =
  | { kind: 'unusable'; why: Unusable }
  | { kind: 'solid' }
  | {
      kind: 'tried';
      tried: number;
      landed: number;
      nearest: Found | null;
      obstacles: Partial<Record<Obstacle, number>>;
    };

/** Tries a named spring in every combination that it can be in. */
export function whyNot(problem: SearchProblem, rack: readonly RackSpring[], id: string): WhyNot {
  const named = rack.find((one) => one.id === id);
  const self = named && candidateOf(named, problem);
  if (!self) return { kind: 'unusable', why: 'rate' };
  if (typeof self === 'string') return { kind: 'unusable', why: self };
  const searcher = new Searcher(problem);
  if (!self.spring.tender && isSolidUnder(self, searcher.leastRestN())) return { kind: 'solid' };
  const usable = rack.map((one) => candidateOf(one, problem)).filter((one) => typeof one !== 'string');
  const { single, tender, dual } = problem.kinds;
  const mains = usable.filter(({ spring }) => !spring.tender);
  const withRing = dual && problem.ring;
  const pairs: [Candidate | null, Candidate][] = self.spring.tender
    ? mains.map((lower) => [self, lower])
    : [
        ...(single ? [[null, self] as [null, Candidate]] : []),
        ...(tender
          ? usable.filter(({ spring }) => spring.tender).map((one): [Candidate, Candidate] => [one, self])
          : []),
        ...(withRing
          ? mains.flatMap((one): [Candidate, Candidate][] => [
              [one, self],
              [self, one],
            ])
          : []),
      ];
  const tally: Partial<Record<Obstacle, number>> = {};
  let landed = 0;
  let nearest: { pair: [Candidate | null, Candidate]; shortBy: number } | null = null;
  for (const pair of pairs) {
    const { obstacle, shortBy } = attempt(searcher, problem, ...pair);
    if (obstacle === 'none') landed++;
    else {
      tally[obstacle] = (tally[obstacle] ?? 0) + 1;
      if (!nearest || shortBy < nearest.shortBy) nearest = { pair, shortBy };
    }
  }
  return {
    kind: 'tried',
    tried: pairs.length,
    landed,
    nearest: nearest && workOut(problem, ...nearest.pair),
    obstacles: tally,
  };
}
