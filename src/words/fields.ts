import type { cornerField } from '#core/document/description/corner.ts';
import type { Fields } from '#core/document/description/field.ts';
import type { jobField } from '#core/document/description/job.ts';
import type { Fact } from '#core/document/types.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';

/** The paths of everything that a change can name: groups that are always there are opened, all else is named whole. */
type PathsIn<F> = {
  [K in keyof F & string]: F[K] extends { type: 'group'; nullable: false; fields: infer G extends Fields }
    ? `${K}.${PathsIn<G>}`
    : K;
}[keyof F & string];

/** What a field of the whole machine is called. */
const jobWords: Record<Exclude<PathsIn<typeof jobField.fields>, 'corners'>, string> = {
  schema: 'kind of file',
  schemaVersion: 'version of the file',
  name: 'job name',
  'machine.class': 'class',
  'machine.title': 'machine',
  'machine.id': 'machine',
  'machine.learnt': 'what earlier jobs taught',
  'machine.wheelbaseMm': 'wheelbase',
  'machine.trackFrontMm': 'front track',
  'machine.trackRearMm': 'rear track',
  'machine.armAheadMm': 'front arm ahead of the rear arm',
  'machine.massKg': 'whole machine',
  'machine.frontShare': 'share on the front',
  'machine.tankL': 'tank',
  'about.customer': 'customer',
  'about.plate': 'plate or frame number',
  'about.phone': 'telephone number',
  'about.technician': 'technician',
  'about.odometerKm': 'odometer',
  'about.cameIn': 'day it came in',
  riders: 'riders',
  'sagRead.gear': 'read in gear',
  'sagRead.luggage': 'read with luggage',
  'sagRead.fuel': 'fuel when read',
  cases: 'load cases',
  loads: 'loads',
  'bars.front': 'front bar',
  'bars.rear': 'rear bar',
  settlingMm: 'what is allowed for settling',
  'ringReading.by': 'how rings are read',
  'ringReading.hanging': 'wheels while rings are read',
  'ringReading.perDamper': 'rings at a damper',
  'steering.toeMm': 'toe-in wanted',
  'steering.toePerMm': 'toe per mm',
  'steering.tyreMm': 'tyre diameter',
  'steering.armMm': 'steering arm',
  'steering.pitchMm': 'tie rod pitch',
  'steering.rods': 'where the tie rods are',
  'steering.threadLeft': 'thread of the left rod',
  'steering.threadRight': 'thread of the right rod',
  skid: 'skid',
  load: 'load on board',
  floorPlace: 'place on the floor',
  toleranceMm: 'tolerance',
  equalSides: 'equal sides',
  hardEnd: 'harder end to reach',
  turnOnly: 'what is turned now',
  torques: 'torques',
  crossTarget: 'cross weight wanted',
  crossWeight: 'scales against heights',
  frontEqual: 'equal front wheels',
  'stance.tyreMm.front': 'front tyre diameter',
  'stance.tyreMm.rear': 'rear tyre diameter',
  'stance.nextTyreMm.front': 'front tyre to go on',
  'stance.nextTyreMm.rear': 'rear tyre to go on',
  'stance.points': 'low points',
  note: 'note',
};

/** What a field of a corner is called. */
const cornerWords: Record<PathsIn<typeof cornerField.fields>, string> = {
  'reference.kind': 'height reference',
  'reference.offsetMm': 'reference offset',
  'reference.aheadMm': 'reference ahead of the wheel',
  targetMm: 'target height',
  weight: 'weight of the height',
  sagMm: 'sag wanted',
  sagWindow: 'sag window',
  staticWindow: 'window with nobody on',
  suspension: 'how it is hung',
  collarAt: 'where the collar sits',
  ratio: 'motion ratio',
  pitchMm: 'thread pitch',
  travelMm: 'wheel travel',
  stopMm: 'travel taken by the stop',
  'collar.datum': 'collar datum',
  'collar.grows': 'end that the caliper goes from',
  'collar.minMm': 'least collar reading',
  'collar.maxMm': 'greatest collar reading',
  second: 'second edge of the seat',
  threadUpMm: 'thread left towards the spring',
  threadDownMm: 'thread left away from the spring',
  asFar: 'as far as it goes',
  'damper.openMm': 'damper fully open',
  marks: 'how it goes back',
  'damper.closedMm': 'damper fully closed',
  ratioFrom: 'where the ratio comes from',
  springRatio: 'spring’s own ratio',
  springs: 'springs',
  rings: 'crossover rings',
  torsion: 'torsion springs',
  cam: 'cam position',
  air: 'air',
  preloadMm: 'preload at droop',
  roomMm: 'room for the springs',
  gas: 'gas charge',
  stopRows: 'bump stop',
  fitting: 'what is turned',
  adjustable: 'what is turned',
  stepMm: 'step of the adjuster',
  stepMostMm: 'step of the adjuster, at most',
  stepCount: 'number of grooves',
  stepNow: 'groove in use',
  clicksPerTurn: 'clicks a turn',
  forkLegs: 'legs with an adjuster',
  oilMm: 'oil level',
  mount: 'lower mount',
  tyreRateNPerMm: 'tyre rate',
  unsprungKg: 'wheel and brake',
  loadKg: 'weight on the wheel',
  clearances: 'clearances',
  boots: 'shaft joints',
  floorMm: 'floor',
  rimMm: 'rim from lip to lip',
  lipOutMm: 'arch stands out of the rim by',
  tyreBar: 'wanted tyre pressure',
  padFactor: 'pad factor',
  ringGapMm: 'gap wanted at the ring',
  ringSeatMm: 'ring wanted from the seat',
  ringEdgeMm: 'ring wanted from the edge',
  ringSecondMm: 'ring wanted from the second edge',
  'secondRing.gapMm': 'gap wanted at the second ring',
  'secondRing.seatMm': 'second ring wanted from the seat',
  'secondRing.edgeMm': 'second ring wanted from the edge',
  'secondRing.secondMm': 'second ring wanted from the second edge',
  camberPerMm: 'camber per mm',
};

/** A path of the job document in words: "target height, front left"; or "target height, front" where `where` says so. */
export function pathWords(path: readonly string[], where?: string): string {
  const named = (words: Record<string, string>, keys: readonly string[]) =>
    words[keys.join('.')] ?? keys.join(' ');
  if (path[0] !== 'corners') return named(jobWords, path);
  return `${named(cornerWords, path.slice(2))}, ${where ?? cornerNames[path[1] as CornerId]}`;
}

const FACT_WORDS: Record<Fact['kind'], string> = {
  height: 'height reading',
  collar: 'collar reading',
  'travel-used': 'travel used',
  'ratio-length': 'length to measure the motion ratio',
  settled: 'settling',
  plan: 'plan',
  adjustment: 'seat move done',
  inflated: 'pressure change done',
  mount: 'lower mount move done',
  ring: 'ring move done',
  prep: 'preparation',
  check: 'closing check',
  pressure: 'tyre pressure',
  clicks: 'damper clicks',
  toe: 'toe reading',
  pad: 'pad reading',
  fuel: 'fuel',
  'ring-gap': 'gap at the ring',
  'ring-seat': 'ring from the seat',
  'ring-place': 'place of the ring',
  'ring-second': 'ring from the second edge',
  'damper-length': 'damper, eye to eye',
  aboard: 'what is aboard',
  floor: 'place on the floor',
  link: 'gap at the bar’s link',
  camber: 'camber',
  cycled: 'travel end cycled',
  note: 'note',
  recheck: 'recheck',
  skid: 'skid setting',
  sag: 'sag reading',
  fitted: 'new parts',
  driven: 'distance driven',
  clearance: 'clearance',
  acknowledged: 'caution',
  locked: 'lock',
};

/** What a fact is, in words: "height reading 2, front left, round 1". */
export function factWords(fact: Pick<Fact, 'kind' | 'round' | 'corner' | 'slot'>): string {
  const repeat = fact.kind === 'height' || fact.kind === 'pad' ? ` ${fact.slot}` : '';
  const where = fact.corner ? `, ${cornerNames[fact.corner]}` : '';
  return `${FACT_WORDS[fact.kind]}${repeat}${where}, ${roundWords(fact.round)}`;
}

/** "baseline", "round 1", ... */
export function roundWords(round: number): string {
  return round === 0 ? 'baseline' : `round ${round}`;
}
