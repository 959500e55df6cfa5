import type { ContactDescription } from '../machine/description.ts';
import { DOCUMENT_VERSION } from '../document/description/job.ts';
import { promptWords } from '#words/sagPrompts.ts';
import type { RatioDocument } from '../document/types.ts';
import fc from 'fast-check';
import { add, factEntry, must, record } from '../../../tests/fixtures/records.ts';
import { readSagTape, sagRig } from '../../../tests/fixtures/sagRig.ts';
import { blankDocument } from '../document/create.ts';
import type { RiderDocument } from '../document/types.ts';
import { migrateDocument } from '../document/migrate.ts';
import { linkageDroopShift, linkLongerFor, type LinkageDescription } from '../geometry/linkage.ts';
import { preloadTold } from './preloadTold.ts';
import { rungWords } from '#words/balance.ts';
import { ladders, nextRung, readStep, stepNote, type Felt } from '../judgement/balance.ts';
import { CornerModel } from '../machine/corner.ts';
import { GRAVITY } from '../machine/solver.ts';
import { linear, plainContact } from '../../../tests/fixtures/machines.ts';
import { answerFor } from '../planning/answer.ts';
import { attitudeOf } from './attitude.ts';
import { sagEnds } from './bench.ts';
import { bookPages } from './book.ts';
import { loweringBy } from './lowering.ts';
import type { CornerId } from '../kinds/corners.ts';
import { nextReading, promptsOf, questionSag } from './prompts.ts';
import { chooseRate, springForSags } from './rates.ts';
import { gatherSag, halfBandOf, midReading, repeatSpread, sdsOf } from '../document/sagReadings.ts';
import { machineAlone, massesOf, missingFuel, nextRiderKey, withRider } from '../document/riders.ts';
import { limitsOf, schoolOf, schoolsAt } from './schools.ts';
import { readRounds } from '../estimate/rounds.ts';
import { extendedSds } from '../estimate/sagEvidence.ts';
import { worthReading } from './worth.ts';

const rider = (edit: Partial<RiderDocument> = {}): RiderDocument => ({
  key: 'r1',
  name: 'rider',
  kg: 90,
  gearKg: 10,
  rearShare: 0.6,
  passengerKg: 0,
  luggageKg: 0,
  ...edit,
});

test('what is told from a fully extended reading off a picture is less sure by what that picture says', () => {
  const document = blankDocument('motorcycle', 'x');
  const picture = { ownSdMm: 2, sharedSdMm: 1.5, pictureId: null };
  const sdMm = (by: typeof picture | undefined) =>
    extendedSds(
      document,
      readRounds(
        add(
          record(document),
          factEntry({ kind: 'sag', round: 0, corner: 'FW', slot: 'extended-1', mm: 350, picture: by }),
          factEntry({ kind: 'sag', round: 0, corner: 'FW', slot: 'r1-rest-1', mm: 312 }),
        ),
      ),
    ).FW;
  expect(sdMm(undefined)).toBeCloseTo(1, 9);
  expect(sdMm(picture)).toBeCloseTo(2.5, 9);
});

test('a sag read off pictures is as sure as they say, and repeats take out only what each has by itself', () => {
  const picture = { ownSdMm: 1.6, sharedSdMm: 0.9, pictureId: null };
  const read = (...by: (typeof picture | undefined)[]) =>
    gatherSag(by.map((one, k) => ({ corner: 'FW', slot: `r1-rest-${k + 1}`, mm: 300 + k, picture: one }))).FW;
  const sdMm = (sag: ReturnType<typeof read>) =>
    sag && sdsOf(sag, 'r1')('rest', sag.states.r1?.rest?.length ?? 0);
  expect(sdMm(read(picture))).toBeCloseTo(Math.hypot(1.6, 0.9), 9);
  expect(sdMm(read(picture, picture))).toBeCloseTo(Math.hypot(1.6 / Math.SQRT2, 0.9), 9);
  expect(sdMm(read(undefined, undefined))).toBeCloseTo(1 / Math.SQRT2, 9);
  const sag = read(picture);
  const half = { mm: 0, seen: true };
  expect(sag && midReading(sag.states.r1 ?? {}, half, sdsOf(sag, 'r1'))?.sdMm).toBeCloseTo(
    Math.hypot(1.6, 0.9),
    9,
  );
});

describe('readings', () => {
  test('slots are gathered by who is on and how it was let go, repeats in order', () => {
    const sag = gatherSag([
      { corner: 'RW', slot: 'r1-press-2', mm: 514 },
      { corner: 'RW', slot: 'r1-press-1', mm: 515 },
      { corner: 'RW', slot: 'extended-1', mm: 640 },
      { corner: 'FW', slot: 'alone-band-1', mm: 18 },
    ]);
    expect(sag.RW).toEqual({ extended: [640], states: { r1: { press: [515, 514] } } });
    expect(sag.FW?.states).toEqual({ alone: { band: [18] } });
  });

  test('between pressed and lifted friction is out of it: sag = L1 − (L2 + L3)/2, the band L3 − L2', () => {
    const mid = must(midReading({ press: [515, 513], lift: [526] }, { mm: 4, seen: false }));
    expect(mid.mm).toBe(520);
    expect(mid.bandMm).toBe(12);
    expect(mid.sdMm).toBeCloseTo(Math.hypot(1 / Math.SQRT2 / 2, 0.5, 0.96), 9);
  });

  test('one way alone is set right by half the band, seen or usual, and is known worse', () => {
    const seen = { mm: 6, seen: true };
    expect(midReading({ press: [515] }, seen)?.mm).toBe(521);
    expect(midReading({ lift: [526] }, seen)?.mm).toBe(520);
    const guess = must(midReading({ press: [515] }, { mm: 6, seen: false }));
    expect(guess.sdMm).toBeGreaterThan(must(midReading({ press: [515] }, seen)).sdMm);
    expect(midReading({}, seen)).toBeNull();
    expect(halfBandOf({ extended: [], states: { alone: { press: [500], lift: [512] } } })).toEqual(seen);
  });

  test('more repeats never make a reading worse', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 1, max: 3 }), (few, more) => {
        const sd = (count: number) =>
          must(midReading({ press: Array<number>(count).fill(500), lift: [510] }, { mm: 4, seen: false }))
            .sdMm;
        expect(sd(few + more)).toBeLessThanOrEqual(sd(few));
      }),
    );
    expect(repeatSpread([512])).toBeNull();
    expect(repeatSpread([512, 509, 510])).toBe(3);
  });

  test('what goes against another reading is asked about', () => {
    const here = { extended: [600], states: { alone: { press: [580], lift: [590] }, r1: { press: [550] } } };
    expect(questionSag({ slot: 'alone-press-1', mm: 605 }, here)).toBe('over-extended');
    expect(questionSag({ slot: 'r1-lift-1', mm: 540 }, here)).toBe('under-pressed');
    expect(questionSag({ slot: 'r1-press-2', mm: 596 }, here)).toBe('over-alone');
    expect(questionSag({ slot: 'r1-lift-1', mm: 560 }, here)).toBeNull();
    // Let go upwards it stands no lower than pressed, but for the tape.
    expect(questionSag({ slot: 'alone-press-2', mm: 594 }, here)).toBe('over-lifted');
    expect(questionSag({ slot: 'alone-press-2', mm: 592 }, here)).toBeNull();
    expect(questionSag({ slot: 'r1-lift-1', mm: 548 }, here)).toBeNull();
    expect(questionSag({ slot: 'alone-lift-2', mm: 601 }, here)).toBeNull();
    expect(questionSag({ slot: 'r1-press-2', mm: 592 }, here)).toBeNull();
  });

  test('the helper is led round each state once, and only to what is missing', () => {
    const document = blankDocument('motorcycle', 'x');
    document.riders = [rider({ name: 'owner' })];
    expect(promptsOf(document, 'r1').map(({ id, slot }) => `${id} ${slot}`)).toEqual([
      ...['FW extended-1', 'RW extended-1', 'FW alone-press-1', 'RW alone-press-1', 'FW alone-lift-1'],
      ...['RW alone-lift-1', 'FW r1-press-1', 'RW r1-press-1', 'FW r1-lift-1', 'RW r1-lift-1'],
    ]);
    expect(promptWords(document, must(promptsOf(document, 'r1')[6] ?? null)).say).toBe(
      'owner on, front wheel. Press it down, let it rise slowly by itself.',
    );
  });
});

describe('what is read next', () => {
  const document = blankDocument('motorcycle', 'x');
  document.riders = [rider({ name: 'owner' })];
  Object.assign(document.corners.FW, { sagMm: 36, sagWindow: { fromMm: 30, toMm: 42 } });
  const asked = (read: [string, number][], extended: CornerId[], pressing = false) =>
    nextReading(document, 'r1', {
      sag: gatherSag(read.map(([slot, mm]) => ({ corner: 'FW', slot, mm }))),
      extended,
      pressing,
    })?.slot ?? null;

  test('hanging, then as it rests with the rider on, of the end that is set alone', () => {
    expect(asked([], [])).toBe('extended-1');
    expect(asked([], ['FW'])).toBe('r1-rest-1');
    expect(asked([['r1-rest-1', 90]], ['FW'])).toBeNull();
    // A band on the shaft tells what was used by itself.
    expect(asked([['r1-band-1', 36]], [])).toBeNull();
  });

  test('both ways where somebody presses and lifts, and the way back of what was only pressed', () => {
    expect(asked([], ['FW'], true)).toBe('r1-press-1');
    expect(asked([['r1-press-1', 88]], ['FW'])).toBe('r1-lift-1');
    expect(asked([['r1-rest-1', 90]], ['FW'], true)).toBe('r1-press-1');
  });

  test('with nobody on where that is what it is set by', () => {
    const alone = structuredClone(document);
    Object.assign(alone.corners.FW, { sagMm: null, sagWindow: null, staticWindow: { fromMm: 10, toMm: 20 } });
    const none = { sag: {}, extended: ['FW' as const], pressing: false };
    expect(nextReading(alone, 'r1', none)?.slot).toBe('alone-rest-1');
  });
});

describe('riders', () => {
  test('a rider is two masses over the ends by the rider’s share, and what comes along', () => {
    const document = blankDocument('motorcycle', 'x');
    document.machine.wheelbaseMm = 1400;
    document.sagRead = { gear: false, luggage: true, fuel: 1 };
    const masses = massesOf(document, rider({ passengerKg: 60, luggageKg: 12 }));
    expect(masses.map(({ kg, xMm }) => [Math.round(kg), Math.round(xMm)])).toEqual([
      ...[[32, 700], [48, -700], [10, -140]],
      ...[[60, -588], [12, -784]],
    ]); // oxfmt-ignore
    expect(masses.map(({ read }) => read)).toEqual([true, true, false, true, true]);
  });

  test('fuel that was missing while reading is aboard only as ridden: 0.745 kg a litre', () => {
    const document = blankDocument('motorcycle', 'x');
    document.riders = [rider()];
    document.machine.tankL = 20;
    document.sagRead = { gear: true, luggage: true, fuel: 0.25 };
    expect(missingFuel(document)[0]).toMatchObject({ read: false, ride: true });
    expect(missingFuel(document)[0]?.kg).toBeCloseTo(20 * 0.75 * 0.745, 9);
    document.sagRead.fuel = 1;
    expect(missingFuel(document)).toEqual([]);
  });

  test('the first rider is taken out of a machine that was weighed with a rider on, moments and all', () => {
    const document = blankDocument('motorcycle', 'x');
    Object.assign(document.machine, { massKg: 290, frontShare: 0.47 });
    const { massKg, frontShare } = withRider(document, rider());
    expect(massKg).toBe(200);
    expect((massKg ?? 0) * (frontShare ?? 0) + 90 * 0.4).toBeCloseTo(290 * 0.47, 0);
    const both = { ...document, riders: [rider()], machine: { ...document.machine, massKg, frontShare } };
    expect(machineAlone(both)).toEqual({ kg: massKg, frontShare });
    expect(nextRiderKey([rider(), rider({ key: 'r7' })])).toBe('r8');
  });

  test('a document of the version before has no riders and keeps everything else', () => {
    const older: Record<string, unknown> = {
      ...blankDocument('scooter', 'x'),
      schemaVersion: 4,
      ownNote: 'kept',
    };
    delete older.riders;
    delete older.sagRead;
    const now = migrateDocument(older);
    expect(now).toMatchObject({
      schemaVersion: DOCUMENT_VERSION,
      riders: [],
      sagRead: { fuel: 1 },
      ownNote: 'kept',
    });
    expect(now.corners.RW.staticWindow).toBeNull();
  });
});

describe('windows', () => {
  test('schools by class, in wheel travel: a share of it, mm, and a ski’s at its shaft', () => {
    const dual = blankDocument('dual-purpose', 'x');
    dual.corners.RW.travelMm = 300;
    const [third] = schoolsAt(dual, 'RW', 'rider');
    expect(third?.id).toBe('third');
    expect(limitsOf(dual, 'RW', must(third ?? null))).toEqual({ fromMm: 90, toMm: 108 });
    dual.corners.RW.sagWindow = { fromMm: 90, toMm: 108 };
    expect(schoolOf(dual, 'RW', 'rider')?.id).toBe('third');
    const sled = blankDocument('snowmobile', 'x');
    sled.corners.LS.ratio = 0.5;
    const [ski] = schoolsAt(sled, 'LS', 'static');
    expect(limitsOf(sled, 'LS', must(ski ?? null))).toEqual({ fromMm: 38, toMm: 50 });
    expect(schoolsAt(sled, 'LS', 'rider')).toEqual([]);
    expect(schoolsAt(blankDocument('scooter', 'x'), 'RW', 'rider')[0]?.id).toBe('scooter');
  });
});

describe('the spring that both sags ask for', () => {
  const charged = { gaugeBar: 8, volumeCm3: 120, areaMm2: 154, exponent: 1.3 };
  const model = (rate: number, preloadMm: number, gas: ContactDescription['gas'] = null) =>
    new CornerModel({ ...plainContact('x', 0, 0), travelMm: 200, ratio: { kind: 'constant', ratio: 0.5 }, springs: linear(rate), preloadMm, gas }); // oxfmt-ignore

  test('worked by hand: 60 and 120 kg at 30 and 100 mm on ratio 0.5', () => {
    const needed = must(
      springForSags(
        model(50, 10),
        { loadN: 60 * GRAVITY, travelMm: 30 },
        { loadN: 120 * GRAVITY, travelMm: 100 },
      ),
    );
    // F = W / 0.5: 1176.8 and 2353.6 N, 35 mm of spring apart.
    expect(needed.rateNPerMm).toBeCloseTo((120 * GRAVITY - 60 * GRAVITY) / 0.5 / 35, 6);
    expect(needed.preloadMm).toBeCloseTo((60 * GRAVITY) / 0.5 / needed.rateNPerMm - 15, 6);
  });

  test('put in, it stands exactly there', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 60, noNaN: true }),
        fc.double({ min: 1.3, max: 2.5, noNaN: true }),
        (kg, more) => {
          const [alone, ridden] = [
            { loadN: kg * GRAVITY, travelMm: 30 },
            { loadN: kg * more * GRAVITY, travelMm: 95 },
          ];
          // What gas carries the spring need not.
          for (const gas of [null, charged]) {
            const { rateNPerMm, preloadMm } = must(springForSags(model(50, 10, gas), alone, ridden));
            const fitted = model(rateNPerMm, preloadMm, gas);
            for (const { loadN, travelMm } of [alone, ridden]) {
              fitted.evaluate(travelMm);
              expect(fitted.forceN).toBeCloseTo(loadN, 4);
            }
          }
        },
      ),
    );
  });

  test('places that do not lie apart give no spring', () => {
    const at = { loadN: 600, travelMm: 50 };
    expect(springForSags(model(50, 10), at, at)).toBeNull();
  });

  test('two rates on the rack: the nearer; midway both do, and the use decides', () => {
    const rack = [60, 66, 80].map((rateNPerMm) => ({ name: String(rateNPerMm), rateNPerMm }));
    expect(chooseRate(64.9, rack, false)).toMatchObject({ overlap: true, take: { name: '60' } });
    expect(chooseRate(62, rack, true)).toMatchObject({ overlap: true, take: { name: '66' } });
    expect(chooseRate(78, rack, false)).toMatchObject({ overlap: false, take: { name: '80' } });
    expect(chooseRate(120, rack, false)).toMatchObject({ stiffer: null, take: null });
  });

  test('in whatever order they hang on the rack', () => {
    const rack = [80, 60, 90, 66].map((rateNPerMm) => ({ name: String(rateNPerMm), rateNPerMm }));
    expect(chooseRate(70, rack, false)).toMatchObject({ softer: { name: '66' }, stiffer: { name: '80' } });
  });
});

describe('on a simulated road bike', () => {
  const rig = sagRig('road', 9);
  const readings = (who: 'alone' | 'r1', how: 'press' | 'lift') =>
    readSagTape(rig, who === 'r1', how).map((mm, i) =>
      factEntry({ kind: 'sag', round: 0, corner: rig.ids[i] ?? null, slot: `${who}-${how}-1`, mm }),
    );
  const extended = rig.ids.map((corner, i) =>
    factEntry({ kind: 'sag', round: 0, corner, slot: 'extended-1', mm: rig.extended[i] ?? 0 }),
  );
  const some = add(
    record(rig.document),
    ...extended,
    ...readings('alone', 'press'),
    ...readings('alone', 'lift'),
  );
  const all = add(some, ...readings('r1', 'press'), ...readings('r1', 'lift'));

  test('with nobody read on it yet, the rider is what is worth reading; then nothing of the kind is asked', () => {
    const [first] = worthReading(must(answerFor(some)));
    expect(first?.ask).toBe('rider');
    expect(first?.withItMm).toBeLessThan(0.8 * (first?.sdMm ?? 0));
    const asks = worthReading(must(answerFor(all))).map(({ ask }) => ask);
    expect(asks).not.toContain('rider');
    expect(asks).not.toContain('alone');
  });

  test('attitude: front and rear as shares of travel, and the tip between them', () => {
    const answer = must(answerFor(all));
    const ends = sagEnds(answer);
    const [front, rear] = ends;
    const stands = must(attitudeOf(answer, ends, 'now'));
    expect(stands.front).toBeCloseTo((front?.ridden.nowMm ?? 0) / 122, 9);
    const tip = Math.atan2((front?.ridden.nowMm ?? 0) - (rear?.ridden.nowMm ?? 0), 1430);
    expect(stands.noseDownDeg).toBeCloseTo((tip * 180) / Math.PI, 9);
    expect(attitudeOf(answer, ends.slice(0, 1), 'now')).toBeNull();
  });

  test('one turn more takes what the ratio gives off the sag', () => {
    const [, rear] = sagEnds(must(answerFor(all)));
    expect(Math.abs((rear?.perStep.mm ?? 0) - 1.5 / 0.5)).toBeLessThan(0.35);
  });

  test('the book has a page for everybody, the first as planned', () => {
    const two = structuredClone(all);
    two.document.riders.push(rider({ key: 'r2', name: 'light', kg: 55 }));
    const answer = must(answerFor(two));
    const [own, light] = bookPages(answer);
    expect(own?.ends.map(({ corner }) => corner.seatBy)).toEqual(answer.corners.map(({ seatBy }) => seatBy));
    expect(own?.ends[1]?.confirmed).toBe(true);
    expect(light?.ends[1]?.confirmed).toBe(false);
    expect(light?.ends[1]?.corner.seatBy ?? 0).toBeLessThan(own?.ends[1]?.corner.seatBy ?? 0);
  });
});

describe('lowering', () => {
  const parallel: LinkageDescription = {
    armPivot: [0, 0],
    axle: [-500, 0],
    linkOnArm: [-100, 0],
    rockerPivot: [0, 200],
    linkOnRocker: [-100, 200],
    damperOnRocker: [-100, 200],
    damperOnFrame: [-100, 500],
  };

  test('the link that drops the axle by what is wished, by the linkage itself; the front follows along its rake', () => {
    const mm = must(linkLongerFor(parallel, 25));
    expect(linkageDroopShift({ ...parallel, linkLongerMm: mm })).toBeCloseTo(25, 6);
    expect(mm).toBeLessThan(0);
    expect(linkLongerFor(parallel, 4000)).toBeNull();
    const document = blankDocument('dual-purpose', 'x');
    document.corners.RW.ratioFrom = { kind: 'linkage', ...parallel, linkLongerMm: mm } as RatioDocument;
    const more = must(loweringBy(document, 10));
    expect(linkageDroopShift({ ...parallel, linkLongerMm: mm + (more.linkMm ?? 0) })).toBeCloseTo(35, 6);
    expect(more.tubesMm).toBeCloseTo(10 / Math.cos((25 * Math.PI) / 180), 9);
    document.corners.RW.ratioFrom = null;
    expect(loweringBy(document, 10)).toMatchObject({ hasLinkage: false, linkMm: null });
    expect(loweringBy(blankDocument('car', 'x'), 10)).toBeNull();
  });
});

test('preload is not stiffness: the same load closes the spring as far, and more of it sinks as far', () => {
  const model = (preloadMm: number) =>
    new CornerModel({
      ...{ name: 'RW', axle: 'rear', x: 0, y: 0, travelMm: 130, springRatio: null, gas: null, stop: null },
      ...{ topOut: null, tyreRateNPerMm: 180, unsprungKg: 20, padMm: 0, preloadMm },
      ratio: { kind: 'constant', ratio: 0.5, rise: 0 },
      springs: {
        kind: 'stack',
        stack: { springs: [{ kind: 'linear', rateNPerMm: 100, solidMm: null }], rings: [] },
      },
    });
  // At the wheel 25 N/mm, and 50 N for each mm of preload.
  const loads = { alone: 600, ridden: 1250 };
  const [as, wound] = [preloadTold(model(10), loads), preloadTold(model(15), loads)];
  expect(as.closedMm).toBeCloseTo(25, 3);
  expect(wound.closedMm).toBeCloseTo(as.closedMm, 3);
  expect(as.riderSagMm - wound.riderSagMm).toBeCloseTo(10, 3);
  expect(as.moreSinksMm).toBeCloseTo((20 * 9.80665) / 25, 3);
  expect(wound.moreSinksMm).toBeCloseTo(as.moreSinksMm, 3);
  // Topped out with nobody on, the first of a push moves nothing: it feels harder.
  expect(wound.staticSagMm).toBe(0);
  expect(wound.pushSinksMm).toBeLessThan(as.pushSinksMm);
});

describe('the sled’s balance ladder', () => {
  test('on to the next rung where a step did not help, the same again where it did, back where it got worse', () => {
    const step = (rung: string, felt: Felt) => ({
      wish: 'more' as const,
      rung,
      felt,
    });
    const after = (...steps: ReturnType<typeof step>[]) => nextRung('more', steps);
    expect(after()).toEqual({ at: 'step', rung: 'start', again: false, back: null });
    expect(after(step('start', 'better'))).toEqual({
      at: 'step',
      rung: 'blocks-up',
      again: false,
      back: null,
    });
    expect(after(step('blocks-up', 'better'))).toMatchObject({ rung: 'blocks-up', again: true, back: null });
    for (const felt of ['worse', 'no better'] as const)
      expect(after(step('blocks-up', felt))).toMatchObject({ rung: 'rear-preload-up', back: 'blocks-up' });
    expect(after(step('strap-in', 'no better'))).toEqual({ at: 'end', back: 'strap-in' });
    expect(after(step('blocks-up', 'right'))).toEqual({ at: 'right' });
    expect(nextRung('less', [step('strap-in', 'no better')])).toMatchObject({ rung: 'start' });
  });

  test('of every wish the skis’ bite comes by blocks, then rear preload, then the strap; each rung can be put back', () => {
    expect(ladders.more.slice(1)).toEqual(['blocks-up', 'rear-preload-up', 'strap-in']);
    for (const rungs of Object.values(ladders))
      for (const rung of rungs) {
        const isLook = ['start', 'runners', 'skis-alike'].includes(rung);
        expect([rung, rungWords[rung].back === null]).toEqual([rung, isLook]);
      }
  });

  test('a step is kept as a note and read back; other notes are not steps', () => {
    const one = { wish: 'less', rung: 'blocks-down', felt: 'no better' } as const;
    expect(readStep(stepNote(one))).toEqual(one);
    expect(readStep('balance is fine')).toBeNull();
  });
});
