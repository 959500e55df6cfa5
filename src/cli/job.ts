import { reasonWords } from '#words/reasons.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { analyse, type Analysis } from '#core/analysis/analyse.ts';
import { nextWords } from '#words/nextAction.ts';
import { cornerVerdict } from '#core/judgement/cornerVerdict.ts';
import type { SpringVerdict } from '#core/judgement/springVerdict.ts';
import { springReasonWords } from '#words/springVerdict.ts';
import { solveJob } from '#core/analysis/solveJob.ts';
import { worthAsking } from '#core/estimate/worth.ts';
import { cornerHeight } from '#core/figures/cornerHeight.ts';
import { travelAfter, travelNow } from '#core/figures/travelFigure.ts';
import { chanceIfMeasured } from '#core/planning/ifMeasured.ts';
import type { CornerMove } from '#core/planning/cornerAnswer.ts';
import { isStopped } from '#core/findings/findings.ts';
import { uncheckedOf } from '#core/findings/openPoints.ts';
import { findingWords } from '#words/findings.ts';
import { openPointWords } from '#words/openPoints.ts';
import { Exit, exits, faultExit } from './faultExit.ts';
import { readJobFile } from './jobFile.ts';

const mm = (value: number) => `${value.toFixed(1)} mm`;

/** How the machine of a job stands in each load case, and what is left. */
export function solve(file: string): unknown {
  const record = readJobFile(file);
  const cases = solveJob(record);
  if (!cases.ok) throw faultExit(file, cases.faults);
  return { cases: cases.value, margins: analyse(record, { planned: false }).marginsByCase };
}

/** How far the seat goes; null where it is air, whose pressure tells it. */
function seatMove({ airBar, seatBy, turns }: CornerMove) {
  return airBar ? { seatMm: null, turns: null } : { seatMm: seatBy, turns };
}

function springTold(verdict: SpringVerdict | null) {
  return verdict && { ...verdict, why: springReasonWords(verdict.because, mm) };
}

/** What to turn, what to expect of it, and the exit code that goes with it. */
export function plan(file: string): { answer: unknown; code: number } {
  const { analysis, answer } = measured(file);
  const { next, margins, findings, openPoints } = analysis;
  return {
    code: isStopped(findings) ? exits.stopped : exits.done,
    answer: {
      next: { ...next, words: nextWords(next) },
      chanceNow: answer.chanceNow,
      chanceAfter: answer.chanceAfter,
      toleranceMm: answer.tolerance,
      corners: answer.corners.map((corner) => ({
        corner: corner.id,
        ...seatMove(corner),
        pitchMm: corner.spec.pitchMm,
        steps: corner.steps,
        stopAtMm: corner.stopAtMm,
        cam: corner.cam,
        airBar: corner.airBar,
        placeAssumed: corner.placeAssumed,
        mount: corner.mount && { moveMm: corner.mountMm, ...corner.mount },
        rings: corner.rings,
        targetMm: corner.spec.targetMm,
        height: cornerHeight(answer, corner.id),
        riseMm: corner.riseMm,
        nowMm: { kind: 'estimated', mean: corner.nowMm, sd: corner.nowSdMm },
        afterMm: { kind: 'predicted', mean: corner.predictedMm, sd: corner.predictedSdMm },
        asSpecifiedMm: { kind: 'predicted', mean: corner.specMm, sd: corner.specSdMm },
        ratio: corner.spec.ratio,
        travelMm: { now: travelNow(answer, corner), after: travelAfter(answer, corner) },
        sagMm: {
          now: { kind: 'estimated', mean: corner.nowSagMm, sd: corner.sagSdMm },
          after: { kind: 'predicted', mean: corner.sagMm, sd: corner.sagSdMm },
        },
        spring: springTold(cornerVerdict(answer, corner.id)),
      })),
      unread: answer.unread.map((corner) => ({
        corner: corner.id,
        ...seatMove(corner),
        stopAtMm: corner.stopAtMm,
      })),
      doubt: answer.doubt,
      chanceIfRatioMeasured: chanceIfMeasured(answer),
      crossWeight: answer.cross && {
        ...answer.cross,
        now: { kind: 'estimated', value: answer.cross.now },
        after: { kind: 'predicted', value: answer.cross.after },
      },
      findings: findings.map((finding) => {
        const remedies = analysis.remedies(finding);
        return { ...finding, remedies, ...findingWords(finding, mm, remedies) };
      }),
      openPoints: openPoints.map((point) => ({
        ...point,
        ...openPointWords(point, mm, point.code === 'finding' ? analysis.remedies(point.finding) : []),
      })),
      notChecked: uncheckedOf(answer),
      reasons: answer.reasons.map((reason) => ({ ...reason, ...reasonWords(reason, mm) })),
      margins,
      worthAsking: worthAsking(answer.fit, answer.after),
    },
  };
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

function measured(file: string): { analysis: Analysis; answer: Answer } {
  const analysis = analyse(readJobFile(file));
  const { answer } = analysis;
  if (!answer)
    throw new Exit(exits.badInput, `${file} has no height readings: there is nothing to go by yet`);
  if (answer.faults.length > 0) throw faultExit(file, answer.faults);
  return { analysis, answer };
}
