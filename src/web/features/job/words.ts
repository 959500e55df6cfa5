import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import type { Fact } from '#core/document/types.ts';

const FIELD_WORDS: Record<string, string> = {
  name: 'job name',
  load: 'load on board',
  note: 'note',
  toleranceMm: 'tolerance',
  equalSides: 'equal sides',
  hardEnd: 'end that is hard to get at',
  'machine.title': 'machine',
  'machine.wheelbaseMm': 'wheelbase',
  'machine.trackFrontMm': 'front track',
  'machine.trackRearMm': 'rear track',
  'machine.armAheadMm': 'front arm ahead of the rear arm',
  'machine.massKg': 'whole machine',
  'machine.frontShare': 'share on the front',
  settlingMm: 'settling allowance',
  loads: 'loads',
  torsion: 'torsion springs',
  cam: 'cam position',
  air: 'air',
  adjustable: 'what is turned',
  'machine.id': 'machine',
  'steering.toeMm': 'toe-in wanted',
  'steering.tyreMm': 'tyre diameter',
  'steering.armMm': 'steering arm',
  'steering.pitchMm': 'tie rod pitch',
  springs: 'springs',
  'machine.tankL': 'tank',
  'sagRead.gear': 'read in gear',
  'sagRead.luggage': 'read with luggage',
  'sagRead.fuel': 'fuel when read',
  staticWindow: 'window with nobody on',
  ratioFrom: 'where the ratio comes from',
  springRatio: 'spring’s own ratio',
  roomMm: 'room for the springs',
  stopRows: 'bump stop',
  stepMm: 'step of the adjuster',
  tyreRateNPerMm: 'tyre rate',
  unsprungKg: 'wheel and brake',
  preloadMm: 'preload at droop',
  loadKg: 'weight on the wheel',
  targetMm: 'target height',
  weight: 'weight of the height',
  sagMm: 'sag wanted',
  sagWindow: 'sag window',
  crossTarget: 'cross weight wanted',
  crossWeight: 'scales against heights',
  frontEqual: 'equal front wheels',
  'stance.points': 'low points',
  'stance.tyreMm.front': 'front tyre diameter',
  'stance.tyreMm.rear': 'rear tyre diameter',
  'stance.nextTyreMm.front': 'front tyre to go on',
  'stance.nextTyreMm.rear': 'rear tyre to go on',
  'bars.front': 'front bar',
  'bars.rear': 'rear bar',
  padFactor: 'pad factor',
  camberPerMm: 'camber per mm',
  floorMm: 'floor',
  'steering.toePerMm': 'toe per mm',
  rings: 'crossover rings',
  mount: 'lower mount',
  'reference.aheadMm': 'reference ahead of the wheel',
  ratio: 'motion ratio',
  pitchMm: 'thread pitch',
  travelMm: 'wheel travel',
  stopMm: 'travel taken by the stop',
  'reference.kind': 'height reference',
  'reference.offsetMm': 'reference offset',
  'collar.datum': 'collar datum',
  'collar.grows': 'collar reading direction',
  'collar.minMm': 'least collar reading',
  'collar.maxMm': 'greatest collar reading',
};

/** A path of the job document in words: "target height, front left". */
export function pathWords(path: readonly string[]): string {
  if (path[0] !== 'corners') return FIELD_WORDS[path.join('.')] ?? path.join(' ');
  const field = FIELD_WORDS[path.slice(2).join('.')] ?? path.slice(2).join(' ');
  return `${field}, ${cornerNames[path[1] as CornerId]}`;
}

const FACT_WORDS: Record<Fact['kind'], string> = {
  height: 'height reading',
  collar: 'collar reading',
  'travel-used': 'travel used',
  'ratio-length': 'length to measure the motion ratio',
  settled: 'settling',
  plan: 'plan',
  adjustment: 'seat move done',
  mount: 'lower mount move done',
  ring: 'ring move done',
  prep: 'preparation',
  check: 'closing check',
  pressure: 'tyre pressure',
  clicks: 'damper clicks',
  toe: 'toe reading',
  pad: 'pad reading',
  fuel: 'fuel',
  link: 'gap at the bar’s link',
  camber: 'camber',
  cycled: 'travel end cycled',
  note: 'note',
  recheck: 'recheck',
  skid: 'skid setting',
  sag: 'sag reading',
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

/** Corner number as painted on the sheet and typed as a key. */
export const cornerNumbers: Record<CornerId, number> = {
  ...{ LF: 1, RF: 2, LR: 3, RR: 4 },
  ...{ LS: 1, RS: 2, FA: 3, RA: 4 },
  ...{ FW: 1, RW: 2, RM: 3 },
};

/** First letter raised. */
export function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}
