import { add, adjustment, factEntry, must, record } from '../../../tests/fixtures/records.ts';
import { nextWords } from '#words/nextAction.ts';
import { blankDocument } from '../document/create.ts';
import { fittingFields } from '../document/fitting.ts';
import type { JobRecord } from '../document/types.ts';
import type { CornerId } from '../kinds/corners.ts';
import { sagFigure } from '../figures/sagFigure.ts';
import { shaftAsRead, shaftScale } from '../sag/atShaft.ts';
import { sagEnds } from '../sag/bench.ts';
import { lastTook } from '../sag/took.ts';
import { massesOf } from '../document/riders.ts';
import { missingForVerdict } from '../judgement/cornerVerdict.ts';
import { setEnds } from '../document/sagWish.ts';
import { stagesOf } from '../judgement/stages.ts';
import { answerFor } from '../planning/answer.ts';
import type { Answer } from '../planning/answerShape.ts';
import { analyse } from './analyse.ts';

const skis: CornerId[] = ['LS', 'RS'];

/** A sled whose skis are on air at 4.3 bar, set with nobody on: so much of the shaft shows used, 18 to 26 mm of it are wanted. */
function skiSled(bands: readonly number[]): JobRecord {
  const document = blankDocument('snowmobile', 'Knot');
  for (const id of skis)
    Object.assign(document.corners[id], {
      ...fittingFields('air'), reference: { kind: 'shaft', offsetMm: 0 }, ratio: 1, staticWindow: { fromMm: 18, toMm: 26 },
    }); // oxfmt-ignore
  return bands.reduce((job, mm, round) => band(job, round, mm), record(document));
}

const band = (job: JobRecord, round: number, mm: number) =>
  add(job, ...skis.map((corner) => factEntry({ kind: 'sag', round, corner, slot: 'alone-band-1', mm })));

test('with nobody on is a whole job: too much is pumped up, too little let down, what is in is left', () => {
  const told = (mm: number) => {
    const { answer, next } = analyse(skiSled([mm]));
    return { bars: must(answer).corners.map(({ seatBy }) => Math.sign(seatBy)), code: next.code };
  };
  expect(told(34)).toEqual({ bars: [1, 1], code: 'turn' });
  expect(told(10)).toEqual({ bars: [-1, -1], code: 'turn' });
  expect(told(22)).toEqual({ bars: [0, 0], code: 'lock' });
});

test('its reading is asked for with nobody on, and no other end is', () => {
  const { next } = analyse(skiSled([]));
  expect(nextWords(next)).toBe('read the sag, nobody on');
});

test('what so much air does is not known, then learnt: the second round lands', () => {
  // 5 psi take 4 mm: a third of what usual figures make of it.
  const takesMm = (bar: number) => (4 / (5 * 0.0689476)) * bar;
  const barsOf = ({ corners }: Answer) =>
    corners.map(({ airBar }) => (airBar?.after ?? NaN) - (airBar?.now ?? NaN));
  const first = must(answerFor(skiSled([34])));
  const [one = NaN] = barsOf(first);
  expect(first.corners.map(({ sagSdMm }) => sagSdMm > 5)).toEqual([true, true]);
  const turned = add(skiSled([34]), ...first.corners.map(({ id, seatBy }) => adjustment(1, id, seatBy)));
  const secondMm = 34 - takesMm(one);
  expect(secondMm).toBeGreaterThan(26);
  const second = must(answerFor(band(turned, 1, secondMm)));
  const thirdMm = secondMm - takesMm(barsOf(second)[0] ?? NaN);
  expect(thirdMm).toBeGreaterThan(18);
  expect(thirdMm).toBeLessThan(26);
  expect(second.corners[0]?.sagSdMm).toBeLessThan(first.corners[0]?.sagSdMm ?? 0);
});

test('what the band shows on the shaft is the figure; only the ratio makes it the wheel’s', () => {
  const job = skiSled([34]);
  for (const id of skis) job.document.corners[id].ratio = 0.66;
  job.document.riders = [
    { key: 'r1', name: 'owner', kg: 85, gearKg: 0, rearShare: null, passengerKg: 0, luggageKg: 0 },
  ];
  const answer = must(answerFor(job));
  const end = must(sagEnds(answer).find(({ id }) => id === 'LS') ?? null);
  const { measured, shaft, estimated } = sagFigure(answer, end, 'alone');
  expect(measured).toBeNull();
  expect(shaft?.value).toBe(34);
  expect(estimated.value).toBeGreaterThan(40);
  expect([shaftScale(job.document, 'LS'), shaftScale(job.document, 'RA')]).toEqual([0.66, 1]);
});

test('a shaft read hanging and at rest has used the difference', () => {
  const job = skiSled([]);
  const read = (slot: string, mm: number) => factEntry({ kind: 'sag', round: 0, corner: 'LS', slot, mm });
  const both = add(job, read('extended-1', 152), read('alone-rest-1', 120), read('alone-rest-2', 118));
  const answer = must(answerFor(both));
  expect(shaftAsRead(answer, 'LS', 'alone')).toBe(33);
  expect(shaftAsRead(answer, 'RS', 'alone')).toBeNull();
});

test('a cam of twelve numbers with halves between them is worked with, one more is refused', () => {
  const document = blankDocument('snowmobile', 'Knot');
  const cams = (count: number) => {
    Object.assign(document.corners.RA, fittingFields('cam'), {
      sagMm: 60,
      sagWindow: { fromMm: 50, toMm: 75 },
    });
    Object.assign(document.corners.RA.torsion ?? {}, {
      halves: true, camDegrees: Array.from({ length: count }, (_, k) => 20 + 2 * k),
    }); // oxfmt-ignore
    const read = (slot: string, mm: number) => factEntry({ kind: 'sag', round: 0, corner: 'RA', slot, mm });
    return must(answerFor(add(record(document), read('extended-1', 600), read('alone-rest-1', 560)))).faults;
  };
  expect(cams(23)).toEqual([]);
  expect(cams(24)).toHaveLength(1);
});

test('a gauge zeroed fully extended shows the sag itself: as it is typed, and as a tape would have it', () => {
  const by = (kind: 'gauge' | 'clamp-axle', mm: (sag: number) => number, extended: readonly number[]) => {
    const document = blankDocument('scooter', 'Knot');
    document.riders = [
      { key: 'r1', name: 'owner', kg: 80, gearKg: 0, rearShare: null, passengerKg: 0, luggageKg: 0 },
    ];
    Object.assign(document.corners.FW, { sagMm: 20, sagWindow: { fromMm: 16, toMm: 24 } });
    document.corners.FW.reference = { kind, offsetMm: 0, aheadMm: 0 };
    const read = (slot: string, shown: number) =>
      factEntry({ kind: 'sag', round: 0, corner: 'FW', slot, mm: shown });
    const job = add(
      record(document),
      ...extended.map((one) => read('extended-1', one)),
      read('r1-press-1', mm(29)),
      read('r1-lift-1', mm(23)),
    );
    const answer = must(answerFor(job));
    const end = must(sagEnds(answer)[0] ?? null);
    const { measured, estimated } = sagFigure(answer, end, 'r1');
    return { measured: measured?.value, estimated: estimated.value, seatBy: answer.corners[0]?.seatBy };
  };
  const gauge = by('gauge', (sag) => sag, []);
  const tape = by('clamp-axle', (sag) => 600 - sag, [600]);
  expect(gauge.measured).toBeCloseTo(26, 9);
  // A leg is read along itself either way; only what friction holds is taken out at another place.
  expect(Math.abs(gauge.estimated - tape.estimated)).toBeLessThan(0.5);
  expect(Math.abs((gauge.seatBy ?? NaN) - (tape.seatBy ?? NaN))).toBeLessThan(0.5);
});

describe('a job that is set by one end’s sag', () => {
  const document = blankDocument('snowmobile', 'Knot');
  Object.assign(document.corners.RA, fittingFields('cam'), {
    cam: 1,
    sagMm: 62,
    sagWindow: { fromMm: 50, toMm: 75 },
  });
  document.riders = [
    { key: 'r1', name: 'owner', kg: null, gearKg: 0, rearShare: null, passengerKg: 0, luggageKg: 0 },
  ];
  const read = (round: number, slot: string, mm: number) =>
    factEntry({ kind: 'sag', round, corner: 'RA', slot, mm });
  const first = add(record(document), read(0, 'extended-1', 618), read(0, 'r1-rest-1', 523));
  const stepped = must(answerFor(first)).corners.find(({ id }) => id === 'RA')?.seatBy ?? NaN;
  const second = add(first, adjustment(1, 'RA', stepped), read(1, 'r1-rest-1', 547));

  test('has no baseline of heights, and sets that end alone', () => {
    expect(stagesOf(document)).not.toContain('baseline');
    expect(setEnds(document)).toEqual(['RA']);
    const byHeights = structuredClone(document);
    byHeights.corners.LS.targetMm = 300;
    expect(stagesOf(byHeights)).toContain('baseline');
    expect(setEnds(byHeights)).toHaveLength(4);
  });

  test('says what a position took once two were read, and is surer then of what one more takes', () => {
    const [before, after] = [first, second].map((job) => must(answerFor(job)));
    const endOf = (answer?: Answer) => sagEnds(must(answer ?? null)).find(({ id }) => id === 'RA');
    expect(before && lastTook(before, 'RA')).toBeNull();
    const took = after && lastTook(after, 'RA');
    expect(took).toMatchObject({ way: 'positions', mm: 24, places: { from: 1 } });
    expect(took?.places?.to).toBeGreaterThan(1);
    expect(endOf(before)?.perStep.logSd).toBeGreaterThan(0.35);
    expect(endOf(after)?.perStep.logSd).toBeLessThan(0.2);
    expect(endOf(after)?.perStep.mm).toBeCloseTo(24 / ((took?.places?.to ?? NaN) - 1), -1);
  });

  test('of a spring that was never read with nobody on it says what is missing', () => {
    expect(missingForVerdict(must(answerFor(second)), 'RA')).toBe('static-sag-too');
    expect(analyse(second).findings.map(({ code }) => code)).not.toContain('spring');
  });

  test('a rider nobody weighed is taken as usual, and no surer than that', () => {
    const weighed = structuredClone(second);
    if (weighed.document.riders[0]) weighed.document.riders[0].kg = 85;
    const [unsure, sure] = [second, weighed].map((job) =>
      massesOf(job.document, must(job.document.riders[0] ?? null)),
    );
    expect(unsure?.map(({ kg }) => kg)).toEqual(sure?.map(({ kg }) => kg));
    expect(unsure?.every(({ sd }, k) => sd > (sure?.[k]?.sd ?? NaN))).toBe(true);
  });
});

test('an end that reads in its window, near an edge, is left while the other end is turned into its own', () => {
  const document = blankDocument('motorcycle', 'Knot');
  document.riders = [
    { key: 'r1', name: 'owner', kg: null, gearKg: 0, rearShare: null, passengerKg: 0, luggageKg: 0 },
  ];
  for (const id of ['FW', 'RW'] as const)
    Object.assign(document.corners[id], { travelMm: 122, sagMm: 35.5, sagWindow: { fromMm: 31, toMm: 40 } });
  const read = (corner: CornerId, slot: string, mm: number) =>
    factEntry({ kind: 'sag', round: 0, corner, slot, mm });
  const answer = must(
    answerFor(
      add(
        record(document),
        ...[read('FW', 'extended-1', 128), read('FW', 'r1-press-1', 78), read('FW', 'r1-lift-1', 89)],
        ...[read('RW', 'extended-1', 604), read('RW', 'r1-press-1', 561), read('RW', 'r1-lift-1', 571)],
      ),
    ),
  );
  const moved = Object.fromEntries(answer.corners.map(({ id, seatBy }) => [id, seatBy]));
  expect(moved.FW).toBeGreaterThan(5);
  expect(moved.RW).toBe(0);
});
