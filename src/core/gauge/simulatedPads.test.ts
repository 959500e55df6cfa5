import fc from 'fast-check';
import { seededUniform } from '../numerics/random.ts';
import { readGaugeLine } from './line.ts';
import { padPlace, padPlaces, SimulatedPads } from './simulatedPads.ts';

describe('simulated pads', () => {
  test('speak the protocol, one line a pad, each of its own wheel', () => {
    const lines = new SimulatedPads(seededUniform(1))
      .read(0)
      .map((line) => readGaugeLine(JSON.stringify(line)));
    expect(lines.map((line) => line.ok && [padPlace(line.value.name), line.value.kind])).toEqual(
      padPlaces.map((place) => [place, 'mass']),
    );
  });

  test('move while a machine rolls on, stand once it is on, and tell it again only about the same', () => {
    const pads = new SimulatedPads(seededUniform(2));
    expect(pads.read(0).every(({ steady }) => steady)).toBe(true);
    const wanted = [410, 395, 220, 231];
    pads.roll(wanted, 1);
    expect(pads.read(1.2).some(({ steady }) => steady)).toBe(false);
    const first = pads.read(9).map(({ value }) => value);
    pads.roll(wanted, 10);
    expect(pads.read(10.2).some(({ steady }) => steady)).toBe(false);
    const again = pads.read(18);
    expect(again.every(({ steady }) => steady)).toBe(true);
    again.forEach(({ value }, i) => {
      expect(value).not.toBe(first[i]);
      expect(Math.abs(value - (wanted[i] ?? 0))).toBeLessThan(4);
    });
  });

  test('rolled off and on later, it starts anew from then', () => {
    const pads = new SimulatedPads(seededUniform(5));
    pads.roll([468, 462, 477, 483], 20);
    pads.read(20.5).forEach(({ value }, i) => {
      const wanted = [468, 462, 477, 483][i] ?? 0;
      expect(Math.abs(value - (wanted - 200 / Math.E))).toBeLessThan(4);
    });
  });

  test('what rolls on comes to stand as e to the minus time over half a second', () => {
    const pads = new SimulatedPads(seededUniform(4));
    const wanted = [468, 462, 477, 483];
    pads.roll(wanted, 0);
    // 200 kg more on each: a share e^-t/0.5 of that is not there yet; friction and noise are under 4 kg.
    for (const [seconds, share] of [[0, 1], [0.5, Math.exp(-1)], [1.5, Math.exp(-3)]] as const)
      pads.read(seconds).forEach(({ value }, i) => {
        expect(Math.abs(value - ((wanted[i] ?? 0) - 200 * share))).toBeLessThan(4);
      });
  }); // oxfmt-ignore

  test('friction leaves weight across the corners, never more on all of them together', () => {
    const kg = fc.double({ min: 60, max: 600, noNaN: true });
    fc.assert(
      fc.property(fc.tuple(kg, kg, kg, kg), fc.integer({ min: 1, max: 1e6 }), (wanted, seed) => {
        const pads = new SimulatedPads(seededUniform(seed));
        pads.roll(wanted, 0);
        const total = pads.read(20).reduce((sum, { value }) => sum + value, 0);
        expect(Math.abs(total - wanted.reduce((sum, one) => sum + one, 0))).toBeLessThan(2);
      }),
    );
  });

  test('nothing stands on a pad with less than nothing', () => {
    const pads = new SimulatedPads(seededUniform(3));
    pads.roll([0, 0, 0, 0], 0);
    pads.read(30).forEach(({ value }) => expect(value).toBeGreaterThan(-1));
  });
});
