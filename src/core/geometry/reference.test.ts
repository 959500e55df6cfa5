import fc from 'fast-check';
import { CornerModel } from '../machine/corner.ts';
import { plainContact } from '../../../tests/fixtures/machines.ts';
import {
  heightAt,
  pressureAdds,
  referenceKinds,
  travelFor,
  tyreAdds,
  tyreRateAt,
  type ReferenceKind,
} from './reference.ts';

const corner = new CornerModel(
  plainContact('R', -700, 0, { ratio: { kind: 'constant', ratio: 0.5, rise: 0.4 } }),
);
const of = (kind: ReferenceKind) => ({
  kind,
  droopMm: 500,
  squeezeMm: 9,
  damperAt: (z: number) => corner.damperAt(z),
});

test('a reading to travel and back, for every kind', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...(Object.keys(referenceKinds) as ReferenceKind[])),
      fc.double({ min: 0, max: 200, noNaN: true }),
      (kind, z) => {
        expect(travelFor(of(kind), heightAt(of(kind), z), 200)).toBeCloseTo(z, 9);
      },
    ),
  );
});

test('hub kinds lose what the wheel uses, ground kinds the tyre too, the shaft what the damper does', () => {
  expect(heightAt(of('hub-arch'), 80)).toBe(420);
  expect(heightAt(of('ground-arch'), 80)).toBe(411);
  // 0.5 * 80 * (1 + 0.4 * 80 / 400) at the damper.
  expect(heightAt(of('shaft'), 80)).toBeCloseTo(500 - 43.2, 9);
});

test('a taller tyre raises ground kinds by half the difference, hub kinds not at all', () => {
  expect(tyreAdds('bumper-ground', 640, 660)).toBe(10);
  expect(tyreAdds('axle-mark', 640, 660)).toBe(0);
});

test('more pressure lifts what sees the ground by what the tyre gives back', () => {
  const tyre = { rateNPerMm: 200, loadN: 4000, fromBar: 2, toBar: 2.4 };
  expect(tyreRateAt(200, 2, 2.4)).toBeCloseTo(234, 9);
  expect(pressureAdds('ground-chassis', tyre)).toBeCloseTo(20 - 4000 / 234, 9);
  expect(pressureAdds('hub-arch', tyre)).toBe(0);
});
