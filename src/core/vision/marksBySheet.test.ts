import { smallerShot } from '../../../tests/fixtures/smallerShot.ts';
import { drawWheel } from '../simulated/camera/draw.ts';
import { renderWheel } from '../simulated/camera/render.ts';
import { seenBy } from '../simulated/camera/seenBy.ts';
import { findSheet } from './findSheet.ts';
import { marksBySheet } from './marksBySheet.ts';

/** A picture of the class with a sheet on the body, and two marks beside it in its plane. */
function pictured(seed: number) {
  const round = drawWheel(seed, 'workshop').rounds[0];
  const [taken, told] = [round?.shots[0], round?.known[0]];
  if (!round || !taken || !told) throw new Error('expected a drawn wheel');
  const { scene } = round;
  const { shot, known } = smallerShot(taken, told);
  const hung = { alongMm: -scene.archRadiusMm - 130, upMm: scene.archMm - 80, turnDeg: 4 };
  const picture = renderWheel({ ...scene, look: { ...scene.look, sheet: hung } }, shot, seed);
  const marks = [
    [150, -150],
    [230, 150],
  ] as const;
  const [first, second] = marks.map(([along, up]) =>
    seenBy(shot, hung.alongMm + along, hung.upMm + up, scene.lipOutMm),
  );
  if (!first || !second) throw new Error('expected two marks');
  return { picture, known, first, second, trueMm: Math.hypot(80, 300) };
}

/** In the first the sheet leans, seen from far aside; in the second a disc stands at the picture's very edge. */
const SEEDS = [23, 75];

test('two marks beside the printed sheet are read without a wheel, within what is said', () => {
  for (const seed of SEEDS) {
    const { picture, known, first, second, trueMm } = pictured(seed);
    const seen = findSheet(picture);
    const reading = seen && marksBySheet(known, seen, first, second);
    if (!reading) throw new Error('expected the sheet to be found');
    expect(Math.abs(reading.mm - trueMm)).toBeLessThan(3 * reading.sdMm);
    expect(reading.sdMm).toBeLessThan(4);
    const sum = Object.values(reading.causes).reduce((all, one) => all + one, 0);
    expect(Math.sqrt(sum)).toBeCloseTo(reading.sdMm, 6);
  }
});
