import type { Contradiction } from '#core/findings/contradictions.ts';
import type { Finding } from '#core/findings/finding.ts';
import type { OpenPoint } from '#core/findings/openPoints.ts';
import type { RemedyDo } from '#core/findings/remedies/remedy.ts';
import type { JobMisfit } from '#core/estimate/estimate.ts';
import type { MissingForVerdict } from '#core/judgement/cornerVerdict.ts';
import type { Reason } from '#core/planning/reasons.ts';

/** What each code of a finding means, for those who read them by program. A code left out is an error of the compiler. */
export const findingMeanings: Record<Finding['code'], string> = {
  'run-out': 'Something is used up or past its limit; `kind` is the margin.',
  doubt: 'Readings and machine do not agree; `misfit.code` is what may be wrong.',
  'collar-elsewhere': 'A collar does not stand where the moves on record would put it.',
  unreachable: 'Something stands between a target and the plan; `reason.kind` is what.',
  contradiction: 'Entries that cannot all be so; `question.about` is which.',
  spring: 'A spring is too soft or too stiff by the sags that were read.',
  'spring-untold': 'Nothing can be told of a spring yet; `missing` is what to read or give.',
  'adjuster-end': 'Nearly all thread towards the spring is used up.',
  'cam-high': 'A cam stands above its middle position.',
  'tender-open': 'A tender is not solid where the machine rests.',
  'collar-for-height': 'Height was taken with a collar where a lower mount should have set it.',
};

/** What stands in the way of a target. */
export const reasonMeanings: Record<Reason['kind'], string> = {
  thread: 'The seat runs out of thread.',
  positions: 'A cam runs out of positions.',
  pressure: 'An air spring runs out of pressure.',
  mount: 'A lower mount runs out of thread.',
  droop: 'The target lies above full droop.',
  fixed: 'Nothing can be turned there.',
  step: 'The steps are too coarse.',
  others: 'What is asked of other corners holds it.',
  pressed: 'It is pressed against an end of its travel.',
  ground: 'A low point decides the height; targets are raised.',
  'ring-holds': 'A slider rests on its ring.',
  loose: 'Springs would be loose with the wheel hanging.',
  sag: 'The sag that is wanted is missed.',
  cross: 'The weight that is wanted is missed.',
  'rigid-body': 'The targets twist against the body.',
  tied: 'Left and right move alike and want to differ.',
};

export const contradictionMeanings: Record<Contradiction['about'], string> = {
  weights: 'The wheels do not add up to the machine.',
  'spring-of-twin': 'A spring is half as stiff as its twin, or less.',
  'all-alike': 'Every corner reads the same.',
  'pair-apart': 'Two heights of an axle lie further apart than the other axle can follow.',
  'in-cm': 'A height looks typed in centimetres.',
  preload: 'A preload or slack that cannot be.',
  'travel-used': 'More travel is used than there is.',
  'tyres-unlike': 'Tyre pressures differ across an axle.',
  'tyre-not-as-wanted': 'A tyre pressure is not the one wanted.',
  'floor-twice': 'A floor is given under a height that is read from it.',
};

export const doubtMeanings: Record<JobMisfit['code'], string> = {
  'turned-other-way': 'A seat was turned the other way.',
  'odd-reading': 'One reading is off.',
  ratio: 'The motion ratio is not as given.',
  aboard: 'Something else is on board.',
  'hooked-bar': 'A bar is hooked.',
  'one-corner': 'One corner alone is off, and nobody has asked why.',
};

export const missingMeanings: Record<MissingForVerdict, string> = {
  'rider-sag': 'The sag with the rider on.',
  'travel-used': 'The wheel travel used.',
  'static-sag-too': 'The sag with nobody on.',
  'sag-better': 'A better reading of the sag.',
  'torsion-or-window': 'The torsion rate, or a window.',
  'spring-or-window': 'The spring rate, or a window.',
  'collar-or-room': 'The collar and its range, or the room for the springs.',
};

export const openMeanings: Record<OpenPoint['code'], string> = {
  turning: 'A plan is told and not turned everywhere.',
  unread: 'A corner was not read since the last turn.',
  out: 'A corner is out of tolerance, or a sag out of its window.',
  scales: 'The weight is not as wanted.',
  'not-sure': 'It is not likely enough that all true heights are in tolerance.',
  rings: 'A ring is not at its gap.',
  load: 'The load on board was not seen to.',
  finding: 'A finding that stops it.',
};

export const remedyMeanings: Record<RemedyDo['do'], string> = {
  seat: 'The seat moved `by`.',
  mount: 'The lower mount screwed out by `mm`.',
  cam: 'The cam set to another position.',
  air: 'The air spring pumped up or let down.',
  ring: 'The ring moved `mm`, towards the springs or away from them.',
  'mount-for-seat': 'The mount moved and the seat as far the other way.',
  helper: 'A helper spring that takes up `takesUpMm`.',
  spring: 'Another spring: `rateTimes` the rate, `longerMm` longer.',
  'spring-room': 'A spring that can be pressed `moreMm` further.',
  target: 'The height that can be had, `toMm`, as the target.',
};
