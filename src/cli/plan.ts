import { collarSeat } from '#core/adjusting/alongDamper.ts';
import type { Analysis } from '#core/analysis/analyse.ts';
import { worthAsking } from '#core/estimate/worth.ts';
import { cornerHeight } from '#core/figures/cornerHeight.ts';
import { travelAfter, travelNow } from '#core/figures/travelFigure.ts';
import { isStopped } from '#core/findings/findings.ts';
import { uncheckedOf } from '#core/findings/openPoints.ts';
import { cornerVerdict } from '#core/judgement/cornerVerdict.ts';
import type { SpringVerdict } from '#core/judgement/springVerdict.ts';
import { adjusterOf } from '#core/kinds/adjusters/index.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import type { CornerMove } from '#core/planning/cornerAnswer.ts';
import { scalesSpread } from '#core/scales/padsAround.ts';
import { chanceIfMeasured } from '#core/planning/ifMeasured.ts';
import { findingInputs } from '#words/explain/findingInputs.ts';
import { findingWords } from '#words/findings.ts';
import { damperWay, springWay } from '#words/instruction.ts';
import { nextWords } from '#words/nextAction.ts';
import { openPointWords } from '#words/openPoints.ts';
import { reasonWords } from '#words/reasons.ts';
import { springReasonWords } from '#words/springVerdict.ts';
import { exits } from './faultExit.ts';

const mm = (value: number) => `${value.toFixed(1)} mm`;

/** A job of which something was read. */
export interface Measured {
  analysis: Analysis;
  answer: Answer;
}

/** How far the seat goes; null where it is air, whose pressure tells it. */
function seatMove({ airBar, seatBy, turns }: CornerMove) {
  return airBar ? { seatMm: null, turns: null } : { seatMm: seatBy, turns };
}

/** Which way a collar or a step goes, in words; null where nothing is wound or moved along a spring. */
function direction(answer: Answer, { id, seatBy, airBar, cam }: CornerMove) {
  if (airBar || cam || seatBy === 0) return null;
  const { document } = answer;
  const { goes } = adjusterOf(document.corners[id].fitting);
  if (goes.by !== 'thread' && !(goes.by === 'steps' && goes.counted === 'towards the spring')) return null;
  const seat = collarSeat(document, id);
  return {
    words: [
      springWay(seatBy),
      ...(seat ? [damperWay(seat.at, seatBy)] : []),
      ...(seat?.assumed ? ['assumed'] : []),
    ].join(', '),
    collar: seat,
  };
}

function springTold(verdict: SpringVerdict | null) {
  return verdict && { ...verdict, why: springReasonWords(verdict.because, mm) };
}

/** What `margin plan` says of a job that was read, and the exit code that goes with it. */
export function planOf({ analysis, answer }: Measured) {
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
        direction: direction(answer, corner),
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
        direction: direction(answer, corner),
        stopAtMm: corner.stopAtMm,
      })),
      doubt: answer.doubt,
      chanceIfRatioMeasured: chanceIfMeasured(answer),
      crossWeight: answer.cross && {
        ...answer.cross,
        now: { kind: 'estimated', value: answer.cross.now },
        after: { kind: 'predicted', value: answer.cross.after, sd: scalesSpread(answer, 'cross') },
      },
      findings: findings.map((finding) => {
        const remedies = analysis.remedies(finding);
        const evidence = { ...finding.evidence, parts: findingInputs(finding) };
        return { ...finding, evidence, remedies, ...findingWords(finding, mm, remedies) };
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
