import { readAs, type Reading } from './fit.ts';
import { add, factEntry, must, record } from '../../../tests/fixtures/records.ts';
import { blankDocument } from '../document/create.ts';
import { machineOf } from './believed.ts';
import { blankSpring } from '../document/spring.ts';
import { readRounds } from './rounds.ts';
import type { JobDocument } from '../document/types.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { MachineClass } from '../kinds/classes/index.ts';
import { evidenceOf } from './evidence.ts';
import { extendedOf, sagRead } from './sagEvidence.ts';

type Fact = [corner: CornerId, slot: string, mm: number];

function ridden(
  machineClass: MachineClass,
  edit: (document: JobDocument) => void = () => undefined,
): JobDocument {
  const document = blankDocument(machineClass, 'x');
  document.riders = [
    { key: 'r1', name: 'owner', kg: 80, gearKg: 0, rearShare: null, passengerKg: 0, luggageKg: 0 },
  ];
  edit(document);
  return document;
}

const valueOf = (reading: Reading | undefined) => (reading ? readAs(reading).value : NaN);

/** What the fit is given of these readings. */
function evidence(document: JobDocument, ...facts: Fact[]) {
  const job = add(
    record(document),
    ...facts.map(([corner, slot, mm]) => factEntry({ kind: 'sag', round: 0, corner, slot, mm })),
  );
  const state = readRounds(job);
  const read = sagRead(state);
  const extendedMm = extendedOf(document, state);
  const machine = machineOf(document, read, { extendedMm });
  if (!machine.ok) throw new Error(machine.faults[0]?.path);
  return { ...evidenceOf(document, machine.value, state, read), extendedMm, machine: machine.value };
}

describe('what the fit is given of a bench reading', () => {
  test('full extension is told at the point that the sheet means', () => {
    const { extendedMm } = evidence(
      ridden('motorcycle', ({ corners }) => (corners.RW.reference.offsetMm = -12)),
      ['RW', 'extended-1', 600],
      ['RW', 'extended-2', 602],
    );
    expect(extendedMm.RW).toBe(589);
  });

  test('a mark over the axle is a height, its full extension the height at full droop', () => {
    const { sag, extendedMm, machine } = evidence(
      ridden('motorcycle'),
      ['RW', 'extended-1', 600],
      ['RW', 'r1-press-1', 560],
      ['RW', 'r1-lift-1', 570],
    );
    expect(extendedMm.RW).toBe(600);
    expect(machine.believed.references[0]?.constant).toEqual({ mean: 600, sd: 1 });
    expect(sag).toHaveLength(1);
    expect(sag[0]?.readings).toHaveLength(1);
    expect(sag[0]?.readings[0]).toMatchObject({ what: 'height', index: 0 });
    expect(valueOf(sag[0]?.readings[0])).toBeCloseTo(565, 0);
    expect(sag[0]?.frictionScale).toBeLessThan(0.1);
  });

  test('each state has its own masses aboard: nobody, or the rider as he was read', () => {
    const { sag, machine } = evidence(
      ridden('motorcycle', (document) => (document.sagRead.gear = false)),
      ['RW', 'alone-rest-1', 580],
      ['RW', 'r1-rest-1', 565],
    );
    const kgOf = (aboard: readonly boolean[]) =>
      machine.believed.machine.masses.reduce((sum, { kg }, k) => (aboard[k] ? sum + kg : sum), 0);
    const [alone, rider] = sag.map(({ situation }) => kgOf(situation.aboard));
    expect((rider ?? 0) - (alone ?? 0)).toBeCloseTo(80, 9);
  });

  test('a band on the shaft is travel, by the ratio', () => {
    const { sag } = evidence(
      ridden('motorcycle', (document) => (document.corners.RW.ratio = 0.5)),
      ['RW', 'r1-band-1', 18],
    );
    expect(sag[0]?.readings[0]?.what).toBe('travel');
    expect(valueOf(sag[0]?.readings[0])).toBeCloseTo(36, 3);
  });

  test('a bumper mark behind the arm comes down by more than the wheel’s travel: (L + b) / L', () => {
    const document = ridden('snowmobile', (one) => {
      one.machine.wheelbaseMm = 1500;
      one.corners.RA.reference.aheadMm = -300;
    });
    const { sag } = evidence(
      document,
      ['RA', 'extended-1', 640],
      ['RA', 'r1-press-1', 560],
      ['RA', 'r1-lift-1', 580],
    );
    const travel = sag[0]?.readings.find(({ what }) => what === 'travel');
    expect(valueOf(travel)).toBeCloseTo(70 / 1.2, 0);
    // Its own height goes along: where the mark stands is not known beforehand.
    expect(sag[0]?.readings.map(({ what }) => what)).toEqual(['height', 'travel']);
  });

  test('on a spring that gets stiffer, the travel of the mean force lies deeper than the middle of the band', () => {
    const progressive = ridden('motorcycle', (document) => {
      Object.assign(document.corners.RW, {
        ratio: 1,
        preloadMm: 0,
        springs: [
          { ...blankSpring, name: 'two-rate', kind: 'table', rateNPerMm: null, rows: [[0, 0], [40, 400], [130, 4000]] }, // oxfmt-ignore
        ],
      });
    });
    const facts: Fact[] = [
      ['RW', 'extended-1', 600],
      ['RW', 'r1-press-1', 545],
      ['RW', 'r1-lift-1', 575],
    ];
    // Middle of the band is 40 mm: 25 at 250 N and 55 at 1000 N, mean 625 N, which is 45.6 mm down.
    const { sag } = evidence(progressive, ...facts);
    expect(valueOf(sag[0]?.readings[0])).toBeCloseTo(600 - 45.6, 1);
    const plain = ridden('motorcycle', (document) =>
      Object.assign(document.corners.RW, {
        ratio: 1,
        preloadMm: 0,
        springs: [{ ...blankSpring, name: 'coil', rateNPerMm: 20 }],
      }),
    );
    expect(valueOf(evidence(plain, ...facts).sag[0]?.readings[0])).toBeCloseTo(560, 6);
  });

  test('a mark on the body then stands lower, and its wheel has used as much more', () => {
    const arm = (rows: [number, number][]) =>
      ridden('snowmobile', (document) =>
        Object.assign(document.corners.RA, {
          ratio: 1,
          preloadMm: 0,
          springs: [{ ...blankSpring, name: 'coil', kind: 'table', rateNPerMm: null, rows }],
        }),
      );
    const facts: Fact[] = [
      ['RA', 'extended-1', 640],
      ['RA', 'r1-press-1', 560],
      ['RA', 'r1-lift-1', 580],
    ];
    const [straight, stiffer] = [[[0, 0], [200, 4000]], [[0, 0], [70, 300], [200, 6800]]].map(
      (rows) => evidence(arm(rows as [number, number][]), ...facts).sag[0]?.readings ?? [],
    );
    const values = (readings: readonly Reading[] | undefined) => (readings ?? []).map(valueOf);
    const [plainHeight, plainUsed] = values(straight);
    expect(plainHeight).toBeCloseTo(570, 9);
    expect(plainUsed).toBeCloseTo(70, 9);
    // 257.1 N at 60 mm and 800 N at 80, mean 528.6 N, which is 74.57 mm down.
    const [height, used] = values(stiffer);
    expect(height).toBeCloseTo(570 - 4.571, 2);
    expect(used).toBeCloseTo(74.571, 2);
  }); // oxfmt-ignore

  test('somebody who is no longer in the book is passed over', () => {
    const { sag } = evidence(ridden('scooter'), ['RW', 'r9-rest-1', 300]);
    expect(sag).toEqual([]);
  });
});

describe('a machine with its riders', () => {
  test('weighs what it weighs alone and he beside it, and is shared by his place', () => {
    const document = ridden('motorcycle', (one) => {
      Object.assign(one.machine, { massKg: 200, frontShare: 0.5, wheelbaseMm: 1400 });
      if (one.riders[0]) one.riders[0].rearShare = 0.6;
    });
    const machine = machineOf(document, cornersIn(document));
    if (!machine.ok) throw new Error('expected a sound machine');
    const { masses, contacts } = machine.value.believed.machine;
    const aboard = machine.value.aboard[0] ?? [];
    const on = masses.filter((_, k) => aboard[k]);
    const unsprung = contacts.reduce((sum, one) => sum + one.unsprungKg, 0);
    const total = on.reduce((sum, { kg }) => sum + kg, 0) + unsprung;
    expect(total).toBeCloseTo(280, 9);
    const moment = on.reduce((sum, { kg, x }) => sum + kg * x, 0);
    // 80 kg with 60 % on the rear stand 0.1 wheelbases behind the middle.
    expect(moment).toBeCloseTo(80 * -0.1 * 1400, 6);
  });

  test('a wheel weighed with the rider on has the rider’s share taken out of what it is alone', () => {
    const document = ridden('motorcycle', (one) => {
      one.corners.RW.loadKg = 150;
      if (one.riders[0]) one.riders[0].rearShare = 0.6;
    });
    const machine = machineOf(document, cornersIn(document));
    if (!machine.ok) throw new Error('expected a sound machine');
    const { masses, contacts } = machine.value.believed.machine;
    const over = masses.find(({ name }) => name === 'over RW')?.kg ?? NaN;
    expect(over + (contacts[1]?.unsprungKg ?? NaN) + 48).toBeCloseTo(150, 9);
  });

  test('what is aboard: measured as read, other load cases as ridden, alone without anybody', () => {
    const document = ridden('motorcycle', (one) => {
      one.cases = ['as measured', 'as specified'];
      one.machine.tankL = 16;
      one.sagRead = { gear: false, luggage: true, fuel: 0.5 };
      if (one.riders[0]) Object.assign(one.riders[0], { gearKg: 8, luggageKg: 10 });
    });
    const machine = machineOf(document, cornersIn(document));
    if (!machine.ok) throw new Error('expected a sound machine');
    const { aboard, alone, ridden: by, believed } = machine.value;
    const named = (list: readonly boolean[] | undefined) =>
      believed.machine.masses.flatMap(({ name }, k) => (list?.[k] ? [name.replace(/, owner$/, '')] : []));
    expect(named(alone)).toEqual(['over FW', 'over RW']);
    expect(named(aboard[0])).toEqual([...named(alone), 'owner, front', 'owner, rear', 'luggage']);
    expect(named(aboard[1])).toEqual([
      ...named(alone),
      ...['owner, front', 'owner, rear', 'gear', 'luggage', 'fuel to full'],
    ]);
    expect(by.r1?.read).toEqual(aboard[0]);
    expect(by.r1?.ride).toEqual(aboard[1]);
    expect(must(by.r1 ?? null).ride).toHaveLength(believed.belief.masses.length);
  });
});
