import { blankSpring } from '../document/spring.ts';
import { must, plainDocument } from '../../../tests/fixtures/records.ts';
import { machineOf } from './believed.ts';

const spring = (freeLengthMm: number | null) => ({ ...blankSpring, rateNPerMm: 60, freeLengthMm });
/** Preload of the front left with these springs in this room, and where it is from. */
function preloadIn(roomMm: number | null, ...lengths: (number | null)[]) {
  const document = plainDocument((one) => {
    Object.assign(one.corners.LF, { springs: lengths.map(spring), roomMm, preloadMm: null });
  });
  const made = machineOf(document, ['LF', 'RF', 'LR', 'RR'], { driven: false, extendedMm: {}, measuredRatio: {}, travelRead: [] }); // prettier-ignore
  if (!made.ok) throw new Error('expected a sound machine');
  const contact = must(made.value.believed.machine.contacts[0] ?? null);
  return { mm: contact.preloadMm, source: made.value.sources.LF.preload };
}

test('preload is what the springs are longer than their room, all of them together', () => {
  expect(preloadIn(300, 220, 95)).toEqual({ mm: 15, source: 'computed' });
  expect(preloadIn(330, 220, 95).mm).toBe(-15);
  // One length that nobody knows, and nothing follows from the room.
  expect(preloadIn(300, 220, null).source).toBe('assumed');
  expect(preloadIn(null, 220, 95).source).toBe('assumed');
});
