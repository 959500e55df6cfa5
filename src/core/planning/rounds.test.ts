import { hideVehicle, isIn, measure, work, type Vehicle } from '../../../tests/fixtures/shop.ts';
import { answerRequest, learnFrom, type HistoryRound, type RoundsRequest } from './roundsProtocol.ts';

interface Story {
  /** Chance of landing that was told with each adjustment, and whether every true height then was in. */
  told: number[];
  after: boolean[];
  stopped: boolean;
  inAtStop: boolean;
  settledIn: boolean;
}

/** Works a hidden vehicle by the book until it is told to stop. */
function workThrough(vehicle: Vehicle, mayDrive: boolean): Story {
  const { nominal } = vehicle;
  const openingCollars = Object.fromEntries(nominal.corners.map(({ name, collar }) => [name, collar]));
  const history: HistoryRound[] = [measure(vehicle)];
  const after: boolean[] = [];
  const told: number[] = [];
  for (let round = 0; round < 9; round++) {
    const answer = answerRequest({ nominal, history }, { openingCollars, mayDrive });
    if (!answer.ok) throw new Error(answer.faults[0]?.path);
    const decision = answer.value;
    if (decision.do === 'stop')
      return { told, after, stopped: true, inAtStop: isIn(vehicle), settledIn: isIn(vehicle, true) };
    const adjust = Object.fromEntries(nominal.corners.map(({ name }, i) => [name, decision.movesBy[i] ?? 0]));
    const done = work(vehicle, adjust, decision.driveKm);
    history.push({ adjust, done, drive: decision.driveKm, ...measure(vehicle) });
    told.push(decision.chance);
    after.push(isIn(vehicle));
  }
  return { told, after, stopped: false, inAtStop: false, settledIn: false };
}

const share = (stories: readonly Story[], has: (story: Story) => boolean) =>
  stories.filter(has).length / stories.length;

describe('worked by the book on simulated machines', () => {
  const stories = Array.from({ length: 18 }, (_, seed) => workThrough(hideVehicle(seed), true));

  test('true heights are in after one adjustment on at least 85 in 100, after two on 95', () => {
    expect(share(stories, ({ after }) => after[0] ?? true)).toBeGreaterThanOrEqual(0.85);
    expect(share(stories, ({ after }) => after[1] ?? after[0] ?? true)).toBeGreaterThanOrEqual(0.95);
  });

  test('the chance that was told is the share that landed, of the surer ones and of the others', () => {
    const first = stories.flatMap(({ told: [chance], after: [landed] }) =>
      chance === undefined || landed === undefined ? [] : [{ chance, landed }],
    );
    const gap = (of: typeof first) =>
      of.reduce((sum, { chance, landed }) => sum + chance - Number(landed), 0) / of.length;
    const sure = first.filter(({ chance }) => chance >= 0.95);
    expect(sure.length).toBeGreaterThan(5);
    expect(Math.abs(gap(sure))).toBeLessThan(0.08);
    expect(Math.abs(gap(first.filter(({ chance }) => chance < 0.95)))).toBeLessThan(0.22);
    expect(Math.abs(gap(first))).toBeLessThan(0.1);
  });

  test('it comes to an end, with no true height out on all but 2 in 100, and still in once settled on 95', () => {
    expect(share(stories, ({ stopped }) => stopped)).toBe(1);
    expect(share(stories, ({ inAtStop }) => inAtStop)).toBeGreaterThanOrEqual(0.98);
    expect(share(stories, ({ settledIn }) => settledIn)).toBeGreaterThanOrEqual(0.95);
  });
});

describe('friction', () => {
  /** Reads a vehicle four times over without turning anything, and gives the friction then assumed, mm. */
  function frictionAfterReadings(seed: number, times: number): number {
    const vehicle = hideVehicle(seed);
    vehicle.truth.bandMm = vehicle.truth.bandMm.map((band) => band * times);
    const { nominal } = vehicle;
    const history = [
      measure(vehicle),
      ...Array.from({ length: 3 }, () => ({ done: {}, drive: 0, ...measure(vehicle) })),
    ];
    const learnt = learnFrom({ nominal, history });
    if (!learnt.ok) throw new Error(learnt.faults[0]?.path);
    return learnt.value.parameters.find(({ kind }) => kind === 'friction')?.sd ?? NaN;
  }

  test('a machine that sticks is seen to stick: more friction is assumed than on one that does not', () => {
    const seeds = [0, 1, 5, 6, 10];
    for (const seed of seeds)
      expect(frictionAfterReadings(seed, 4)).toBeGreaterThan(1.3 * frictionAfterReadings(seed, 0.2));
  });
});

describe('a request', () => {
  const vehicle = hideVehicle(0);
  const good: RoundsRequest = { id: 1, vehicle: 1, nominal: vehicle.nominal, history: [measure(vehicle)] };
  const faultsOf = (edit: (request: RoundsRequest) => void) => {
    const request = structuredClone(good);
    edit(request);
    const answer = answerRequest(request);
    return answer.ok ? [] : answer.faults.map(({ path }) => path);
  };

  test('names what is wrong with it', () => {
    expect(faultsOf(({ history }) => history.pop())).toEqual(['history']);
    expect(faultsOf(({ nominal }) => (nominal.tolerance = -1))).toEqual(['nominal.tolerance']);
    expect(faultsOf(({ nominal }) => Object.assign(nominal, { refs: 'none' }))).toEqual(['nominal.refs']);
    expect(faultsOf(({ nominal }) => Object.assign(nominal.corners[1] ?? {}, { ratio: 0 }))).toEqual([
      'contacts[1].ratio.ratio',
    ]);
    expect(faultsOf(({ nominal }) => Object.assign(nominal.refs[0] ?? {}, { corner: 'XX' }))).toEqual([
      'nominal.refs[0].corner',
    ]);
    expect(faultsOf(({ history }) => Object.assign(history[0]?.heights ?? {}, { 'LF height': NaN }))).toEqual(
      ['history[0].heights.LF height'],
    );
  });

  test('never asks for more thread than there is', () => {
    const tight = structuredClone(good);
    for (const corner of tight.nominal.corners)
      [corner.collarMin, corner.collarMax] = [corner.collar - 3, corner.collar + 3];
    const answer = answerRequest(tight);
    if (!answer.ok || answer.value.do !== 'round') throw new Error('expected a round');
    for (const move of answer.value.movesBy) expect(Math.abs(move)).toBeLessThanOrEqual(3 + 1e-9);
  });

  test('where driving is not possible it is not asked for', () => {
    const story = workThrough(hideVehicle(5), false);
    expect(story.stopped).toBe(true);
  });
});
