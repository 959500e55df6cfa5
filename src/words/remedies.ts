import { positionText } from './positions.ts';
import type { Cost, Remedy, RemedyDo } from '#core/findings/remedies/remedy.ts';
import { axleOf, cornerNames } from '#core/kinds/corners.ts';
import type { MarginKind } from '#core/margins/index.ts';
import { turnsText } from '#core/units/turns.ts';
import { tellMetric, type Say } from './figures.ts';
import { springWay } from './instruction.ts';

/** mm. A corner that moves by less stays where it is. */
const STAYS_MM = 0.5;

/** A remedy in words: what to do, how the corner then stands, and what it costs; `say` writes mm in the reader's units. */
export function remedyWords(remedy: Remedy, say: Say): string {
  return [
    doWords(remedy, say),
    standsWords(remedy, say),
    ...remedy.costs.slice(0, 2).map((one) => costWords(one, say)),
  ]
    .filter(Boolean)
    .join(' ');
}

function doWords(remedy: RemedyDo, say: Say): string {
  switch (remedy.do) {
    case 'seat': {
      const { by, pitchMm } = remedy;
      const turns = pitchMm === null ? '' : ` (${turnsText(Math.abs(by) / pitchMm)})`;
      const seats = remedy.both ? `both ${axleOf(remedy.corner)} seats` : 'the seat';
      return `Move ${seats} ${say(Math.abs(by))}${turns} ${springWay(by)}.`;
    }
    case 'cam':
      return `Set it from position ${positionText(remedy.from)} to ${positionText(remedy.to)}.`;
    case 'air':
      return `${remedy.bar > 0 ? 'Pump it up' : 'Let it down'} by ${(say.tell ?? tellMetric)('pressure', Math.abs(remedy.bar))}.`;
    case 'mount':
      return `Screw ${remedy.both ? `both ${axleOf(remedy.corner)} lower mounts` : 'the lower mount'} ${outOrIn(remedy.mm)} by ${say(Math.abs(remedy.mm))} (${turnsText(Math.abs(remedy.mm) / remedy.pitchMm)}).`;
    case 'mount-for-seat':
      return `Screw the lower mount ${outOrIn(remedy.mountMm)} by ${say(Math.abs(remedy.mountMm))} and move the seat as far ${springWay(remedy.seatBy)}.`;
    case 'ring':
      return `Move the ring ${say(Math.abs(remedy.mm))} ${springWay(remedy.mm)}.`;
    case 'helper':
      return `Fit a helper spring that takes up ${say(remedy.takesUpMm)} and lies solid under load. Move the seat back by its solid length.`;
    case 'spring':
      return `Fit a spring ${springTold(remedy.rateTimes, remedy.longerMm, say)}.`;
    case 'spring-room':
      return `Fit a spring of the same rate that can be pressed ${say(remedy.moreMm)} further.`;
    case 'target':
      return `Take ${say(remedy.toMm)} as the target.`;
  }
}

const outOrIn = (mm: number) => (mm > 0 ? 'out' : 'in');

function springTold(rateTimes: number, longerMm: number, say: Say): string {
  const percent = Math.round(100 * Math.abs(rateTimes - 1));
  return [
    ...(percent > 0 ? [`${percent} % ${rateTimes > 1 ? 'stiffer' : 'softer'}`] : []),
    ...(Math.abs(longerMm) > 0.05
      ? [`${say(Math.abs(longerMm))} ${longerMm > 0 ? 'longer' : 'shorter'}`]
      : []),
  ].join(' and ');
}

function standsWords({ riseMm, ...remedy }: Remedy, say: Say): string {
  if (remedy.do === 'target')
    return `That is ${say(Math.abs(riseMm))} ${riseMm > 0 ? 'higher' : 'lower'} than asked for.`;
  if (Math.abs(riseMm) < STAYS_MM) return 'The height stays.';
  return `The corner then stands ${say(Math.abs(riseMm))} ${riseMm > 0 ? 'higher' : 'lower'}.`;
}

function costWords({ kind, corner, fromMm, toMm }: Cost, say: Say): string {
  const where = cornerNames[corner];
  const what = costNames[kind];
  return toMm < 0
    ? `But then ${where}: ${say(-toMm)} too little ${what}.`
    : `It leaves ${say(toMm)} of ${say(fromMm)} ${what}, ${where}.`;
}

/** What gets less, in the words of a sentence. */
const costNames: Record<MarginKind, string> = {
  'thread-up': 'thread towards the spring',
  'thread-down': 'thread away from the spring',
  engagement: 'thread held by the lower mount',
  cam: 'cam positions',
  sag: 'sag in its window',
  droop: 'droop',
  'bump-stop': 'travel to the bump stop',
  'bump-metal': 'travel to metal',
  'damper-open': 'way for the damper to open',
  'damper-closed': 'way for the damper to close',
  coil: 'room between the coils',
  seated: 'preload with the wheel hanging',
  crossover: 'gap to the ring',
  'ring-order': 'way to the ring',
  clearance: 'clearance',
  joint: 'shaft joint',
  ground: 'room over the ground',
  height: 'tolerance of the height',
};
