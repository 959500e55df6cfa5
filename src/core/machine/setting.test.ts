import { polytropicWork } from '../springs/gas.ts';
import { AirSpring, type AirDescription } from '../springs/air.ts';
import { torsionArc } from '../springs/torsion.ts';
import { AIR_STEP_BAR } from '../springs/air.ts';
import { CornerModel, plainSetting } from './corner.ts';
import type { ContactDescription } from './description.ts';
import { seatForce } from './equilibrium.ts';

const air: AirDescription = { gaugeBar: 4, volumeCm3: 200, areaMm2: 1000, exponent: 1.1, second: null };
const contact = (part: Partial<ContactDescription>): ContactDescription => ({
  name: 'RA',
  axle: 'rear',
  x: 0,
  y: 0,
  travelMm: 200,
  ratio: { kind: 'constant', ratio: 0.5 },
  springRatio: null,
  springs: { kind: 'air', air },
  preloadMm: 0,
  gas: null,
  stop: null,
  topOut: null,
  tyreRateNPerMm: 400,
  unsprungKg: 10,
  padMm: 0,
  ...part,
});

describe('pressure as an adjuster', () => {
  test('charged by so much it is the spring of that pressure, with a second chamber too', () => {
    const second = { gaugeBar: 9, volumeCm3: 60 };
    for (const fitted of [air, { ...air, second }]) {
      const spring = new AirSpring(fitted);
      spring.charge(1.5);
      const other = new AirSpring({ ...fitted, gaugeBar: 5.5 });
      for (const stroke of [0, 20, 55, 90]) {
        spring.evaluate(stroke);
        other.evaluate(stroke);
        expect(spring.forceN).toBeCloseTo(other.forceN, 6);
        expect(spring.rateNPerMm).toBeCloseTo(other.rateNPerMm, 6);
        expect(spring.energy(stroke)).toBeCloseTo(other.energy(stroke), 3);
      }
    }
  });

  test('force and work by the closed form: P V^n constant in absolute pressure', () => {
    const spring = new AirSpring(air);
    const p0 = (4 + 1.01325) / 10;
    const volume = 200_000 - 1000 * 60;
    spring.evaluate(60);
    expect(spring.forceN).toBeCloseTo((p0 * (200_000 / volume) ** 1.1 - 0.101325) * 1000, 6);
    expect(spring.energy(60)).toBeCloseTo(polytropicWork(p0, 200_000, volume, 1.1) - 0.101325 * 1000 * 60, 6);
  });

  test('filled beyond the second chamber it moves its piston from the start, and never counts below empty', () => {
    const spring = new AirSpring({ ...air, second: { gaugeBar: 5, volumeCm3: 80 } });
    spring.charge(3);
    expect(spring.pistonAtMm).toBe(0);
    spring.charge(-20);
    spring.evaluate(0);
    expect(spring.forceN).toBeCloseTo(0, 9);
  });

  test('a corner counts it in tenths of a bar: one step up pushes by a tenth of a bar on the piston, through the ratio', () => {
    const corner = new CornerModel(contact({}));
    const before = seatForce(corner, 0);
    // At full extension the pressure is the gauge's: dF = 0.1 bar x 1000 mm2 = 10 N along the damper, 5 N at the wheel.
    expect(before).toBeCloseTo(AIR_STEP_BAR * 0.1 * 1000 * 0.5, 6);
    corner.set(10, 0);
    corner.evaluate(0);
    expect(corner.forceN).toBeCloseTo(0.5 * 0.5 * 1000, 6);
  });
});

describe('cams and rings as settings', () => {
  const torsion = {
    rateNMmPerDeg: 1500,
    count: 2,
    leverMm: 110,
    camDegrees: [20, 35, 50],
    mostDegrees: null,
  };

  test('a cam position further is the seat moved by its arc', () => {
    const first = new CornerModel(contact({ springs: { kind: 'torsion', torsion, cam: 0 } }));
    const second = new CornerModel(contact({ springs: { kind: 'torsion', torsion, cam: 1 } }));
    first.set(torsionArc(torsion, 35) - torsionArc(torsion, 20), 0);
    for (const z of [0, 60, 140]) {
      first.evaluate(z);
      second.evaluate(z);
      expect(first.forceN).toBeCloseTo(second.forceN, 9);
    }
  });

  test('a ring moved towards the springs takes over so much earlier', () => {
    const stack = {
      springs: [
        { kind: 'linear' as const, rateNPerMm: 40, solidMm: null },
        { kind: 'linear' as const, rateNPerMm: 60, solidMm: null },
      ],
      rings: [{ after: 0, limitMm: 30, on: 'seat' as const }],
    };
    const dual = contact({
      springs: { kind: 'stack', stack },
      preloadMm: 0,
      ratio: { kind: 'constant', ratio: 1 },
    });
    const knee = (movedMm: number) =>
      new CornerModel(dual, { ...plainSetting, ringsMm: [movedMm] }).stack?.events[0]?.compressionMm;
    // The upper has closed c at force 40 c; the stack then c + 40 c / 60.
    expect(knee(0)).toBeCloseTo(30 * (1 + 40 / 60), 9);
    expect(knee(12)).toBeCloseTo(18 * (1 + 40 / 60), 9);
    expect(knee(-6)).toBeCloseTo(36 * (1 + 40 / 60), 9);
  });
});
