import { reasonWords } from '#words/reasons.ts';
import { byCorner, type Answer } from './answerShape.ts';
import { againDocument } from '../book/again.ts';
import { blankDocument } from '../document/create.ts';
import { blankSpring } from '../document/spring.ts';
import type { JobDocument, RingDocument } from '../document/types.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { CornerId } from '../kinds/corners.ts';
import { machineClasses, type MachineClass } from '../kinds/classes/index.ts';
import { marginsFor } from '../margins/margins.ts';
import {
  add,
  adjustment,
  factEntry,
  fourCorners,
  heights,
  measured,
  must,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import { answerFor } from './answer.ts';
import { type Reason } from './reasons.ts';
import { workOf } from '../estimate/rounds.ts';
import { planFact, toldPlan } from './tell.ts';

const say = (mm: number) => `${mm.toFixed(1)} mm`;
const answerOf = (job: Parameters<typeof answerFor>[0]): Answer => must(answerFor(job));
const reason = <K extends Reason['kind']>(answer: Answer, kind: K) =>
  answer.reasons.find((one): one is Extract<Reason, { kind: K }> => one.kind === kind);

/** 1000 kg on four corners at 2:1, one 100 N/mm spring each: W = 212 g, F = 2 W. */
function fitted(edit: (document: JobDocument) => void = () => undefined): JobDocument {
  return plainDocument((document) => {
    document.machine.massKg = 1000;
    document.machine.frontShare = 0.5;
    for (const id of fourCorners)
      Object.assign(document.corners[id], {
        springs: [{ ...blankSpring, name: 'main', rateNPerMm: 100, freeLengthMm: 300, solidLengthMm: 120 }],
        preloadMm: 5,
      });
    edit(document);
  });
}

const springN = (212 * 9.80665) / 0.5;

describe('a lower mount', () => {
  const mount = { pitchMm: 1.5, threadMm: 12, engagedMm: 34, leastMm: null, mostMm: 60 };
  const mounted = (target: number) =>
    fitted((document) =>
      fourCorners.forEach((id) =>
        Object.assign(document.corners[id], { mount: { ...mount }, targetMm: target }),
      ),
    );

  test('teaches the ratio as a seat does, and is believed for the next move', () => {
    const learnt = (kind: 'mount' | 'adjustment') => {
      const moved = fourCorners.map((corner) => factEntry({ kind, round: 1, corner, slot: 'done', mm: -10 }));
      // Told 2 mm for 1 mm; the machine gives 1.5.
      const job = add(measured(375, mounted(360)), ...moved, settled(1), ...heights(1, 360));
      return must(must(answerFor(job)).posterior.gains.LF ?? null).now;
    };
    expect(learnt('mount').mean).toBeLessThan(1.85);
    expect(learnt('mount').mean).toBeCloseTo(learnt('adjustment').mean, 1);
    expect(learnt('mount').sd).toBeCloseTo(learnt('adjustment').sd, 1);
  });

  test('sets height and leaves the seat, and so the preload, alone', () => {
    const answer = answerOf(measured(375, mounted(365)));
    for (const corner of answer.corners) {
      expect(corner.seatBy).toBe(0);
      // 10 mm at the wheel at 2:1 is 5 mm of damper; an eighth of a turn is 0.19 mm.
      expect(corner.mountMm).toBeGreaterThan(-5.6);
      expect(corner.mountMm).toBeLessThan(-4.5);
      expect(Math.abs(corner.predictedMm - 365)).toBeLessThan(0.9);
      expect(corner.travelAfterMm).toBeCloseTo(corner.travelNow.value, 0);
    }
    expect(planFact(answer).told.corners.LF?.mountMm).toBe(answer.corners[0]?.mountMm);
  });

  test('keeps one and a half diameters engaged, and says what is missing', () => {
    // 34 less 18 leaves 16 mm of damper, 32 mm at the wheel.
    const answer = answerOf(measured(365, mounted(405)));
    const corner = must(byCorner(answer).LF ?? null);
    expect(corner.mount?.leastMm).toBe(18);
    expect(corner.mount?.afterMm).toBeGreaterThanOrEqual(18 - 1e-9);
    const margin = marginsFor(answer).find(({ kind, corner: id }) => kind === 'engagement' && id === 'LF');
    expect(margin).toMatchObject({ state: 'tight', leftMm: expect.closeTo(0, 0) });
    expect(must(answer.corners[0] ?? null).seatBy).toBeGreaterThan(3);
    const words = reasonWords(must(reason(answer, 'mount') ?? null), say);
    expect(words.what).toContain('lower mount would have to move');
  });

  test('with the seat, gives height and sag together', () => {
    const document = mounted(365);
    for (const id of fourCorners) document.corners[id].sagMm = 70;
    const answer = answerOf(measured(375, document));
    for (const corner of answer.corners) {
      expect(Math.abs(corner.predictedMm - 365)).toBeLessThan(0.9);
      expect(Math.abs(corner.sagMm - 70)).toBeLessThan(0.6);
      expect(corner.seatBy).not.toBe(0);
    }
    expect(reason(answer, 'sag')).toBeUndefined();
  });

  test('what was moved counts as evidence, and only what is left is asked for', () => {
    const first = measured(375, mounted(365));
    const told = fourCorners.map((corner) =>
      factEntry({ kind: 'mount', round: 1, corner, slot: 'done', mm: -5, askedMm: -5 }),
    );
    const answer = answerOf(add(first, ...told, settled(1), ...heights(1, 365)));
    expect(answer.now.mountsMm).toEqual([-5, -5, -5, -5]);
    for (const corner of answer.corners) expect(Math.abs(corner.mountMm)).toBeLessThan(0.8);
  });
});

test('height and sag that one seat cannot give together are told', () => {
  const document = fitted((one) => fourCorners.forEach((id) => (one.corners[id].sagMm = 40)));
  const found = must(reason(answerOf(measured(365, document)), 'sag') ?? null);
  expect(reasonWords(found, say).lift).toContain('lower mount');
});

describe('cross weight', () => {
  const uneven = (cross: number | null) =>
    fitted((document) => {
      document.crossTarget = cross;
      Object.entries({ LF: 262, RF: 238, LR: 240, RR: 260 }).forEach(
        ([id, kg]) => (document.corners[id as CornerId].loadKg = kg),
      );
    });

  test('is left as it is where nobody asks, and had where somebody does, at the same heights', () => {
    const plain = answerOf(measured(365, uneven(null)));
    const [wanted, asked] = [0.5, answerOf(measured(365, uneven(0.5)))];
    expect(must(plain.cross).after).toBeCloseTo(must(plain.cross).now, 3);
    expect(Math.abs(must(plain.cross).now - wanted)).toBeGreaterThan(0.01);
    expect(Math.abs(must(asked.cross).after - wanted)).toBeLessThan(0.002);
    for (const corner of asked.corners) expect(Math.abs(corner.predictedMm - 365)).toBeLessThan(1);
    // Only the diagonals against each other do that.
    const signs = asked.corners.map(({ seatBy }) => Math.sign(seatBy));
    expect(signs).toEqual([-1, 1, 1, -1].map((sign) => sign * (signs[1] ?? 1)));
  });

  test('an end that is hard to get at and was set stays, where the other end leaves the scales right too', () => {
    const moved = fourCorners.map((corner) =>
      factEntry({ kind: 'adjustment', round: 1, corner, slot: 'done', mm: 4, askedMm: 4 }),
    );
    const again = (cross: number) => {
      const document = fitted((one) => Object.assign(one, { hardEnd: 'rear', crossTarget: cross }));
      const readings = heights(1, [360, 360, 365, 365]);
      return answerOf(add(measured(357, document), ...moved, settled(1), ...readings));
    };
    const rearMoves = ({ corners }: Answer) => corners.slice(2).map(({ seatBy }) => seatBy);
    const at = must(again(0.5).cross).now;
    expect(rearMoves(again(at))).toEqual([0, 0]);
    // Held, the rear leaves it where it is: that is not what is asked for.
    expect(rearMoves(again(at + 0.02)).map((by) => by !== 0)).toEqual([true, true]);
  });

  test('cannot be had with equal sides, which is said', () => {
    const document = uneven(0.5);
    document.equalSides = true;
    const found = must(reason(answerOf(measured(365, document)), 'cross') ?? null);
    expect(reasonWords(found, say)).toMatchObject({ lift: expect.stringContaining('differ') });
  });
});

describe('crossover rings', () => {
  const upper = { ...blankSpring, name: 'upper', rateNPerMm: 90, freeLengthMm: 260, solidLengthMm: 120 };
  const lower = { ...blankSpring, name: 'lower', rateNPerMm: 150, freeLengthMm: 300, solidLengthMm: 150 };
  const dual = (ring: Partial<RingDocument>, target = 375) =>
    fitted((document) =>
      fourCorners.forEach((id) =>
        Object.assign(document.corners[id], {
          springs: [upper, lower],
          rings: [{ after: 0, limitMm: 75, on: 'body', gapMm: null, ...ring }],
          preloadMm: 15,
          targetMm: target,
        }),
      ),
    );

  test('a gap asked for is had at the height planned', () => {
    const answer = answerOf(measured(365, dual({ gapMm: 30 })));
    for (const corner of answer.corners) {
      const [ring] = corner.rings;
      expect(ring?.gapMm).toBeCloseTo(30, 1);
      // gap = c0 + p - F/k1 - m, with the seat's own move in p.
      expect(ring?.moveMm).toBeCloseTo(75 + 15 + corner.seatBy - springN / 90 - 30, -1);
      expect(Math.abs(corner.predictedMm - 375)).toBeLessThan(0.8);
    }
  });

  test('one that follows the seat goes with it and keeps its gap', () => {
    const answer = answerOf(measured(365, dual({ on: 'seat' })));
    for (const { seatBy, rings } of answer.corners) {
      expect(seatBy).toBeGreaterThan(2);
      expect(rings[0]?.moveMm).toBe(seatBy);
      expect(rings[0]?.gapMm).toBeCloseTo(75 - springN / 90, -1);
    }
  });

  test('a ring that was moved is evidence: its gap is counted from there', () => {
    const job = measured(365, dual({}));
    const before = answerOf(job).corners[0]?.rings[0]?.gapMm ?? 0;
    const moved = fourCorners.map((corner) =>
      factEntry({ kind: 'ring', round: 1, corner, slot: '0', mm: 6, askedMm: null }),
    );
    const after = answerOf(add(job, ...moved, settled(1), ...heights(1, 365)));
    expect(after.corners[0]?.rings[0]?.gapMm).toBeCloseTo(before - 6, 0);
  });

  test('order against coil bind: a ring that comes too late is short', () => {
    const order = (limitMm: number) =>
      marginsFor(answerOf(measured(365, dual({ limitMm })))).find(
        ({ kind, corner }) => kind === 'ring-order' && corner === 'LF',
      );
    // The upper closes 140 mm; the ring takes over at its limit and the preload.
    const seat = answerOf(measured(365, dual({ limitMm: 75 }))).corners[0]?.seatBy ?? 0;
    expect(order(75)?.leftMm).toBeCloseTo(140 - 75 - 15 - seat, 0);
    expect(order(150)).toMatchObject({ state: 'short' });
  });
});

const airShock = {
  gaugeBar: 5,
  volumeCm3: 240,
  areaMm2: 1100,
  exponent: 1.1,
  second: null,
};
const sled = () => {
  const document = blankDocument('snowmobile', 'Petrel');
  document.toleranceMm = 5;
  for (const id of ['LS', 'RS'] as const)
    Object.assign(document.corners[id], { air: airShock, sagMm: 45, travelMm: 240 });
  Object.assign(document.corners.RA, {
    torsion: {
      rateNMmPerDeg: 1900,
      count: 2,
      leverMm: 120,
      camDegrees: [20, 32, 44, 56],
      mostDegrees: null,
    },
    cam: 1,
    sagMm: 60,
    sagWindow: { fromMm: 50, toMm: 75 },
    ratio: 0.5,
    travelMm: 330,
  });
  return document;
};
const readAll = (document: JobDocument, mm: number) =>
  add(
    record(document),
    settled(0),
    ...cornersIn(document).map((corner) =>
      factEntry({ kind: 'height', round: 0, corner, slot: '1', mm: mm }),
    ),
  );

describe('every class of machine', () => {
  test('a cam is turned to the position whose sag is nearest, and pressure to the tenth of a bar', () => {
    const document = sled();
    const answer = answerOf(readAll(document, 300));
    const chosen = must(byCorner(answer).RA?.cam ?? null);
    const misses = [0, 1, 2, 3].map((cam) => {
      const other = sled();
      other.corners.RA.cam = cam;
      other.corners.RA.sagMm = null;
      other.corners.LS.sagMm = null;
      other.corners.RS.sagMm = null;
      for (const id of ['LS', 'RS'] as const)
        other.corners[id].air = { ...airShock, gaugeBar: must(byCorner(answer)[id]?.airBar ?? null).after };
      return Math.abs(must(byCorner(answerOf(readAll(other, 300))).RA ?? null).sagMm - 60);
    });
    expect(chosen.after).toBe(misses.indexOf(Math.min(...misses)));
    const skis = must(byCorner(answer).LS ?? null);
    expect(Math.abs(skis.sagMm - 45)).toBeLessThan(3);
    expect((must(skis.airBar).after * 10) % 1).toBeCloseTo(0, 6);
    // What is told of air is told in bar, and nothing of it under the name of mm.
    const told = toldPlan(answer).corners;
    const ski = must(told.LS ?? null);
    expect({ seatMm: ski.seatMm, turns: ski.turns }).toEqual({ seatMm: 0, turns: 0 });
    expect((ski.airToBar ?? NaN) - (ski.airByBar ?? NaN)).toBeCloseTo(airShock.gaugeBar, 9);
    expect(workOf(ski)).toEqual([{ kind: 'inflated', slot: 'done', bar: ski.airByBar }]);
    const kinds = marginsFor(answer).map(({ kind }) => kind);
    expect(kinds).toContain('cam');
    expect(kinds).toContain('sag');
  });

  test.each(machineClasses.map((one): [MachineClass] => [one]))('%s: from readings to a plan', (one) => {
    const document = blankDocument(one, 'Tern');
    document.toleranceMm = 3;
    for (const id of cornersIn(document)) document.corners[id].targetMm = 305;
    const answer = answerOf(readAll(document, 300));
    expect(answer.corners.map(({ id }) => id)).toEqual([...cornersIn(document)]);
    expect(answer.faults).toEqual([]);
    for (const { predictedMm, seatBy } of answer.corners) {
      expect(seatBy).not.toBe(0);
      expect(Math.abs(predictedMm - 305)).toBeLessThan(1.5);
    }
  });

  test('corners that the class does not have are refused by name', () => {
    const document = blankDocument('motorcycle', 'Knot');
    const { FW, RW } = document.corners;
    const wrong = { ...document, corners: { FW, RW, LF: FW } } as unknown as JobDocument;
    expect(answerOf(readAll(wrong, 300)).faults.map(({ path }) => path)).toEqual(['corners.LF']);
  });
});

describe('reasons name what would lift them', () => {
  test('thread: how much longer, or how much stiffer, a spring would have to be', () => {
    const document = fitted((one) =>
      fourCorners.forEach((id) => Object.assign(one.corners[id], { targetMm: 410 })),
    );
    document.corners.LF.collar.maxMm = 95;
    document.corners.RF.collar.maxMm = 95;
    const found = must(reason(answerOf(measured(365, document)), 'thread') ?? null);
    expect(found.spring.longerMm).toBeCloseTo(found.neededMm - found.roomMm, 9);
    const compressed = springN / 100;
    expect(found.spring.stiffer).toBeCloseTo(compressed / (compressed - found.spring.longerMm) - 1, 1);
    expect(reasonWords(found, say).lift).toMatch(/longer or one about \d+ % stiffer/);
  });

  test('a cam at its last position, and air that its second chamber does not hold, are told as what they are', () => {
    const document = sled();
    Object.assign(document.corners.RA, { sagMm: null, targetMm: 420 });
    Object.assign(document.corners.LS, {
      air: { ...airShock, second: { gaugeBar: 5.4, volumeCm3: 80 } },
      sagMm: null,
      targetMm: 360,
    });
    const answer = answerOf(readAll(document, 300));
    const cam = must(reason(answer, 'positions') ?? null);
    expect(cam).toMatchObject({ corner: 'RA', up: true });
    expect(reasonWords(cam, say)).toEqual({
      what: expect.stringMatching(
        /^The skid rear arm cam is at its last position\. This plan ends .* low there\.$/,
      ),
      lift: 'Stiffer springs, or a lower target, would lift this.',
    });
    const air = must(reason(answer, 'pressure') ?? null);
    expect(air.corner).toBe('LS');
    expect(air.roomBar).toBeCloseTo(0.4, 9);
    expect(air.neededBar).toBeGreaterThan(0.5);
    expect(reasonWords(air, say).what).toContain('more pressure than its second chamber holds');
    expect(answer.reasons.some(({ kind }) => kind === 'thread')).toBe(false);
  });

  test('springs that come loose at droop ask for a helper', () => {
    const document = fitted((one) =>
      fourCorners.forEach((id) => Object.assign(one.corners[id], { targetMm: 345 })),
    );
    const found = must(reason(answerOf(measured(365, document)), 'loose') ?? null);
    // 20 mm down at 2:1 is 10 mm of seat, and there were 5 mm of preload.
    expect(Math.abs(found.looseMm - 5)).toBeLessThan(0.7);
    expect(reasonWords(found, say).lift).toContain('helper');
  });
});

test('the next job on a machine starts from what this one taught and where it stands', () => {
  const first = measured(375, fitted());
  const turned = add(
    first,
    ...fourCorners.map((id) => adjustment(1, id, -5)),
    settled(1),
    ...heights(1, [366.5, 366.5, 365, 365]),
  );
  const answer = answerOf(turned);
  const next = againDocument(answer, '11111111-0000-4000-8000-000000000001', 'Sandpiper again');
  expect(next.corners.LF.preloadMm).toBe(0);
  expect(next.machine.learnt?.from).toBe('Sandpiper');
  const again = answerOf(measured(366, next));
  const [before, after] = [must(answer.posterior.gains.LF ?? null), must(again.posterior.gains.LF ?? null)];
  expect(after.prior.mean).toBeCloseTo(before.now.mean, 2);
  expect(after.prior.sd).toBeLessThan(before.prior.sd);
  expect(after.prior.sd).toBeCloseTo(Math.hypot(before.now.sd / before.now.mean, 0.01) * after.prior.mean, 2);
});
