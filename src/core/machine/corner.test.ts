import { plainContact } from '../../../tests/fixtures/machines.ts';
import { CornerModel, plainSetting, type CornerSetting } from './corner.ts';
import type { ContactDescription } from './description.ts';

/** Two springs and a ring on a bent ratio, a spring apart at another, gas, a stop and a top-out spring. */
const rich: Partial<ContactDescription> = {
  travelMm: 180,
  ratio: {
    kind: 'table',
    rows: [
      [0, 0],
      [60, 38],
      [120, 82],
      [180, 133],
    ],
  },
  springRatio: {
    kind: 'table',
    rows: [
      [0, 0],
      [90, 40],
      [180, 88],
    ],
  },
  springs: {
    kind: 'stack',
    stack: {
      springs: [
        { kind: 'linear', rateNPerMm: 60, solidMm: 70 },
        {
          kind: 'table',
          rows: [
            [0, 0],
            [30, 1500],
            [60, 3300],
            [140, 9100],
          ],
          solidMm: null,
        },
      ],
      rings: [{ after: 0, limitMm: 42, on: 'seat' }],
    },
  },
  preloadMm: 9,
  gas: { gaugeBar: 14, volumeCm3: 90, areaMm2: 254, exponent: 1.3 },
  stop: {
    contactMm: 96,
    rows: [
      [0, 0],
      [12, 1400],
      [30, 6200],
    ],
  },
  topOut: { rateNPerMm: 45, lengthMm: 8 },
};
const settings: Record<string, CornerSetting> = {
  'as described': plainSetting,
  'learnt and moved': { ...plainSetting, seatBy: 4, mountMm: 6, ratioScale: 1.07, ratioRise: 0.08, springScales: [0.96, 1.03], preloadOffBy: -1.5, ringsMm: [3] },
}; // oxfmt-ignore

describe.each(Object.entries(settings))('%s', (_, setting) => {
  const corner = new CornerModel(plainContact('LF', 1300, 750, rich), setting);
  const at = (z: number) => {
    corner.evaluate(z);
    return { force: corner.forceN, rate: corner.rateNPerMm };
  };
  const h = 1e-4;
  const slopeOf = (of: (z: number) => number, z: number) => (of(z + h) - of(z - h)) / (2 * h);

  // In the top-out spring, before and after the ring, in the stop.
  test.each([1.5, 25, 70, 118, 150, 165])(
    'at %d mm of travel force is the slope of energy, rate that of force',
    (z) => {
      expect(at(z).force).toBeCloseTo(
        slopeOf((one) => corner.energy(one), z),
        1,
      );
      expect(at(z).rate / slopeOf((one) => at(one).force, z)).toBeCloseTo(1, 4);
      expect(corner.ratioAt(z)).toBeCloseTo(
        slopeOf((one) => corner.damperAt(one), z),
        6,
      );
      expect(corner.springRatioAt(z)).toBeCloseTo(
        slopeOf((one) => corner.springAt(one), z),
        6,
      );
    },
  );

  test('the parts add up: by virtual work each pushes with its own ratio', () => {
    const z = 165;
    const s = corner.damperAt(z);
    const without = (part: keyof ContactDescription) => {
      const other = new CornerModel(plainContact('LF', 1300, 750, { ...rich, [part]: null }), setting);
      other.evaluate(z);
      return at(z).force - other.forceN;
    };
    const volume = 90_000 - 254 * s;
    const gasN = (0.1 * (14 + 1.01325) * (90_000 / volume) ** 1.3 - 0.101325) * 254;
    expect(without('gas')).toBeCloseTo(gasN * corner.ratioAt(z), 3);
    expect(without('stop')).toBeGreaterThan(0);
    // It is squeezed from where the damper touches it, by a curve through its rows.
    expect(without('stop') / corner.ratioAt(z)).toBeGreaterThan(((s - 96) / 12) * 1000);
    expect(without('topOut')).toBe(0);
  });
});

test('a mount screwed out hangs the wheel lower by the travel in which the damper moves by as much', () => {
  const corner = new CornerModel(plainContact('LF', 1300, 750, rich), { ...plainSetting, mountMm: 6 });
  const plain = new CornerModel(plainContact('LF', 1300, 750, rich), plainSetting);
  // Near full droop the ratio of the table is what the damper moves per mm there.
  expect(corner.droopShiftMm).toBeCloseTo(6 / plain.ratioAt(0), 0);
  expect(corner.damperAt(corner.droopShiftMm)).toBeCloseTo(6, 6);
  expect(corner.droopShiftSlope()).toBeCloseTo(-6 / corner.ratioAt(0), 9);
});

test('on a ratio that grows along the travel, too, few steps find it', () => {
  const growing = { ...plainSetting, ratioRise: 0.6, mountMm: 14 };
  const corner = new CornerModel(plainContact('LF', 1300, 750, rich), growing);
  const still = new CornerModel(plainContact('LF', 1300, 750, rich), { ...growing, mountMm: 0 });
  // The damper stands as far out as it did at full droop before, with the mount's 14 mm beside it.
  expect(corner.damperAt(0)).toBeCloseTo(0, 9);
  expect(still.damperAt(-corner.droopShiftMm)).toBeCloseTo(-14, 9);
  expect(corner.springRatioAt(corner.droopShiftMm + 30)).toBeCloseTo(still.springRatioAt(30), 9);
});
