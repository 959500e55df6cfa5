import { blankSpring } from '../document/spring.ts';
import { must, plainDocument } from '../../../tests/fixtures/records.ts';
import { machineOf } from './believed.ts';

const spring = (freeLengthMm: number | null) => ({ ...blankSpring, rateNPerMm: 60, freeLengthMm });
/** Preload of the front left with these springs in this room, and where it is from. */
function preloadIn(roomMm: number | null, ...lengths: (number | null)[]) {
  const document = plainDocument((one) => {
    Object.assign(one.corners.LF, { springs: lengths.map(spring), roomMm, preloadMm: null });
  });
  const made = machineOf(document, ['LF', 'RF', 'LR', 'RR'], { driven: false, extendedMm: {}, measuredRatio: {}, travelRead: [] }); // oxfmt-ignore
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

/** The machine of a car with such springs in front, nobody having said its preload. */
function withSprings(rateNPerMm: number, aheadMm = 0) {
  const document = plainDocument((one) => {
    Object.assign(one.corners.LF, {
      springs: [{ ...spring(300), rateNPerMm }],
      roomMm: null,
      preloadMm: null,
    });
    one.corners.LF.reference.aheadMm = aheadMm;
  });
  const made = machineOf(document, ['LF', 'RF', 'LR', 'RR'], { driven: false, extendedMm: {}, measuredRatio: {}, travelRead: [] }); // oxfmt-ignore
  if (!made.ok) throw new Error(JSON.stringify(made.faults));
  return made.value.believed;
}

test('preload nobody said is what holds the class up where it usually stands, at most 0.8 of what the load asks for', () => {
  const mm = (rate: number) => must(withSprings(rate).machine.contacts[0] ?? null).preloadMm;
  // F / k − s: of a softer one it is F (1 / k2 − 1 / k1) more.
  const loadN = (mm(30) - mm(60)) / (1 / 30 - 1 / 60);
  expect(mm(40) - mm(60)).toBeCloseTo(loadN * (1 / 40 - 1 / 60), 6);
  // So soft that 0.8 of F / k is less than that.
  expect(mm(5)).toBeCloseTo((0.8 * loadN) / 5, 6);
  // So stiff that it would be loose by more than can be believed.
  expect(mm(300)).toBe(-20);
});

test('a point of the body ahead of its wheel is looked for ahead of it', () => {
  const x = (aheadMm: number) => must(withSprings(60, aheadMm).references[0] ?? null).x;
  expect(x(120) - x(0)).toBe(120);
});
