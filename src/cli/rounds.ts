import { decisionWords } from '#words/decision.ts';
import { createInterface } from 'node:readline';
import type { Readable, Writable } from 'node:stream';
import { faultTold, type ToldFault } from '#words/faults.ts';
import type { Decision } from '#core/planning/decide.ts';
import { answerRequest, type Followed, type RoundsRequest } from '#core/planning/roundsProtocol.ts';
import { exits } from './faultExit.ts';

interface Memory extends Followed {
  askedKm: number;
}

/** Answers requests line by line until the input ends; returns the exit code. */
export async function rounds(input: Readable, output: Writable): Promise<number> {
  const vehicles = new Map<string, Memory>();
  let code: number = exits.done;
  for await (const line of createInterface({ input, crlfDelay: Infinity })) {
    if (line.trim() === '') continue;
    const answer = answerLine(line, vehicles);
    if ('error' in answer) code = exits.badInput;
    output.write(`${JSON.stringify(answer)}\n`);
  }
  return code;
}

function answerLine(line: string, vehicles: Map<string, Memory>): Record<string, unknown> {
  let request: RoundsRequest;
  try {
    request = JSON.parse(line) as RoundsRequest;
  } catch (error) {
    return {
      id: null,
      error: [{ path: '', got: 'no JSON', want: (error as Error).message }] satisfies ToldFault[],
    };
  }
  const id = request?.id ?? null;
  const memory = follow(request, vehicles);
  const answer = answerRequest(request, memory);
  if (!answer.ok) return { id, error: answer.faults.map((fault) => faultTold(fault)) };
  if (memory) memory.askedKm = answer.value.do === 'round' ? answer.value.driveKm : 0;
  return { id, ...wordsOf(request, answer.value) };
}

function wordsOf({ nominal }: RoundsRequest, decision: Decision): Record<string, unknown> {
  if (decision.do === 'stop')
    return {
      stop: true,
      why: decisionWords(decision),
      chance: decision.chanceNow,
      chanceSettled: decision.chanceSettled,
    };
  const { movesBy, driveKm, chance } = decision;
  const moves = nominal.corners
    .map(({ name }, i) => [name, movesBy[i] ?? 0] as const)
    .filter(([, mm]) => mm !== 0);
  return { adjust: Object.fromEntries(moves), drive: driveKm, why: decisionWords(decision), chance };
}

/** What was seen of a vehicle before: where its collars opened, and whether a drive that was asked for was driven. */
function follow(request: RoundsRequest, vehicles: Map<string, Memory>): Memory | undefined {
  const key = JSON.stringify(request?.vehicle ?? null);
  const { history, nominal } = request ?? {};
  if (!Array.isArray(history) || !Array.isArray(nominal?.corners)) return undefined;
  if (history.length <= 1)
    vehicles.set(key, {
      openingCollars: Object.fromEntries(nominal.corners.map((corner) => [corner?.name, corner?.collar])),
      mayDrive: true,
      askedKm: 0,
    });
  const memory = vehicles.get(key);
  if (memory && memory.askedKm > 0 && !history.at(-1)?.drive) memory.mayDrive = false;
  return memory;
}
