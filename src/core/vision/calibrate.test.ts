import { seededUniform, standardNormal } from '../numerics/random.ts';
import { calibrate } from './calibrate.ts';
import { seenAt, type Camera } from './camera.ts';
import type { SheetSeen } from './findSheet.ts';
import { markerSheet } from './markerSheet.ts';

const camera: Camera = { widthPx: 2048, heightPx: 1536, focalPx: 1712, bend: 0.021 };

/** The sheet seen turned about its upright and its level middle line, with a tenth of a pixel of noise. */
function view(turn: number, nod: number, seed: number): SheetSeen {
  const uniform = seededUniform(seed);
  return markerSheet.discs.map(({ alongMm, upMm, diameterMm }) => {
    const [cx, sx, cy, sy] = [Math.cos(nod), Math.sin(nod), Math.cos(turn), Math.sin(turn)];
    const [x0, y0, z0] = [cy * alongMm, -upMm, sy * alongMm];
    const [x, y] = seenAt(camera, [x0 + 8, cx * y0 - sx * z0, sx * y0 + cx * z0 + 330]);
    const off = () => 0.1 * standardNormal(uniform);
    return { x: x + off(), y: y + off(), areaPx: diameterMm ** 2 };
  });
}

test('pictures from several sides tell the lens, within what is said', () => {
  const views = [view(0.6, 0, 1), view(-0.6, 0.1, 2), view(0.1, 0.6, 3), view(0, -0.6, 4), view(0.4, 0.4, 5)];
  const found = calibrate(camera.widthPx, camera.heightPx, views);
  expect(Math.abs((found?.focalPx ?? 0) - camera.focalPx)).toBeLessThan(3 * (found?.focalSdPx ?? 0));
  expect(found?.focalSdPx ?? NaN).toBeLessThan(0.01 * camera.focalPx);
});

test('too few, or all seen straight on, do not', () => {
  expect(calibrate(camera.widthPx, camera.heightPx, [view(0.6, 0, 1), view(-0.6, 0, 2)])).toBeNull();
  const flat = [view(0, 0, 1), view(0.01, 0, 2), view(0, 0.01, 3)];
  expect(calibrate(camera.widthPx, camera.heightPx, flat)).toBeNull();
});
