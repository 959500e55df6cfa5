import { sagWindowAt, sagWish } from '#core/document/sagWish.ts';
import type { JobDocument } from '#core/document/types.ts';
import { cornerSpec, toleranceOf } from '#core/estimate/corner.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { byCorner, type Answer } from '#core/planning/answerShape.ts';
import { unreadOf } from '#core/planning/enough.ts';
import type { TravelRuleData } from '../../drawing/travelRule.ts';

/**
 * What a corner's travel rule shows: where it stands and where it is to stand, and where the plan leads if that is shown.
 * A mark for where it stands is a reading's; what is only predicted is an open one.
 */
export function ruleData(
  document: JobDocument,
  whole: Answer | null,
  id: CornerId,
  showPlan: boolean,
): TravelRuleData {
  const answer = byCorner(whole)[id];
  const spec = answer?.spec ?? cornerSpec(document, id);
  const now = answer?.travelNow ?? null;
  const unread = whole !== null && unreadOf(whole).includes(id);
  const expected = showPlan ? answer?.travelAfterMm : answer?.travelNow.value;
  return {
    travelMm: spec.travelMm.value,
    stopMm: spec.stopMm.value,
    nowMm: unread ? null : (now?.value ?? null),
    targetMm:
      answer && spec.targetMm !== null
        ? answer.travelNow.value - (spec.targetMm - answer.nowMm)
        : (sagWish(document, id)?.mm ?? null),
    afterMm: showPlan || unread ? (expected ?? null) : null,
    bandMm: answer?.predictedSdMm ?? 0,
    toleranceMm: toleranceOf(document).value,
    window: sagWindowAt(document, id),
    zeroAssumed: (now?.source ?? 'assumed') === 'assumed',
  };
}
