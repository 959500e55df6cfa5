import { analyse } from '#core/analysis/analyse.ts';
import { solveJob } from '#core/analysis/solveJob.ts';
import { Exit, exits, faultExit } from './faultExit.ts';
import { readJobFile } from './jobFile.ts';
import { planOf, type Measured } from './plan.ts';

/** How the machine of a job stands in each load case, and what is left. */
export function solve(file: string): unknown {
  const record = readJobFile(file);
  const cases = solveJob(record);
  if (!cases.ok) throw faultExit(file, cases.faults);
  return { cases: cases.value, margins: analyse(record, { planned: false }).marginsByCase };
}

/** What to turn, what to expect of it, and the exit code that goes with it. */
export function plan(file: string): { answer: unknown; code: number } {
  return planOf(measured(file));
}

/** What the readings have taught. */
export function learn(file: string): unknown {
  const { answer } = measured(file);
  const { parameters, best } = answer.fit;
  return {
    gains: answer.posterior.gains,
    heightsByRound: answer.posterior.heightsByRound,
    strays: answer.posterior.strays,
    parameters: parameters.flatMap(({ mean, sd, ...what }, k) =>
      what.kind === 'friction' || what.kind === 'constant'
        ? []
        : [{ ...what, prior: { mean, sd }, now: mean + sd * (best[k] ?? 0) }],
    ),
  };
}

function measured(file: string): Measured {
  const analysis = analyse(readJobFile(file));
  const { answer } = analysis;
  if (!answer)
    throw new Exit(exits.badInput, `${file} has no height readings: there is nothing to go by yet`);
  if (answer.faults.length > 0) throw faultExit(file, answer.faults);
  return { analysis, answer };
}
