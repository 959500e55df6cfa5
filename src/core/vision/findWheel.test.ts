import { smallerShot } from '../../../tests/fixtures/smallerShot.ts';
import { drawWheel } from '../simulated/camera/draw.ts';
import { renderWheel } from '../simulated/camera/render.ts';
import { rimSeenBy } from '../simulated/camera/seenBy.ts';
import type { Shot, WheelScene } from '../simulated/camera/scene.ts';
import { fitEllipse, type Ellipse } from './ellipse.ts';
import { findWheel } from './findWheel.ts';
import type { LightPicture } from './picture.ts';
import { hasTyre, ringsAbout } from './ringsAbout.ts';
import { circleIn, lookerOf, planeAbout } from './wheelPlane.ts';

/** The rim as it is truly seen. */
function rimOf(scene: WheelScene, shot: Shot): Ellipse {
  const places = Array.from({ length: 60 }, (_, k) => rimSeenBy(scene, shot, (k * Math.PI) / 30));
  const seen = fitEllipse(
    places.map(([x]) => x),
    places.map(([, y]) => y),
  );
  if (!seen) throw new Error('expected an ellipse');
  return seen;
}

test('a circle of an upright plane is seen where the camera sees it', () => {
  const { scene, shots, known } = drawWheel(3, 'clean').rounds[0] ?? {};
  const [shot, { camera } = { camera: null }] = [shots?.[0], known?.[0]];
  if (!scene || !shot || !camera) throw new Error('expected a drawn wheel');
  const upright = { ...scene, camberDeg: 0 };
  const straight: Shot = { ...shot, bend: 0, bend4: 0, axisOffPx: [0, 0] };
  const truth = rimOf(upright, straight);
  const level = { pitchDeg: shot.pitchDeg, rollDeg: shot.rollDeg };
  const looker = lookerOf({ ...camera, focalPx: shot.focalPx }, level, 4);
  const middle = [(truth.x + 0.5) / 4 - 0.5, (truth.y + 0.5) / 4 - 0.5] as const;
  // The plane is turned as the wheel stands to the camera: the middle of what is seen is not the hub, but near it.
  let best = Infinity;
  for (let yawDeg = -20; yawDeg <= 20; yawDeg += 1) {
    const seen = circleIn(planeAbout(looker, middle, yawDeg), truth.major / 4);
    if (seen) best = Math.min(best, Math.abs(seen.minor / seen.major - truth.minor / truth.major));
  }
  expect(best).toBeLessThan(0.004);
});

/** Bright spokes to radius 40, even grey to 60, dark beyond; as logarithms. */
function wheelLight(): LightPicture {
  const [widthPx, heightPx] = [200, 200];
  const light = Float32Array.from({ length: widthPx * heightPx }, (_, i) => {
    const [x, y] = [(i % widthPx) - 100, Math.floor(i / widthPx) - 100];
    const [r, turn] = [Math.hypot(x, y), Math.atan2(y, x)];
    if (r < 36) return Math.sin(9 * turn) > 0 ? -1 : -3;
    return r < 40 ? -1 : r < 60 ? -2.5 : -4 + Math.sin(7 * turn);
  });
  return { widthPx, heightPx, light };
}

test('of rings the rim has spokes within and even rubber about it, and its tyre is one of them', () => {
  const looker = lookerOf({ widthPx: 200, heightPx: 200, focalPx: 1e6, bend: 0 }, { pitchDeg: 0, rollDeg: 0 }, 1);
  const rings = ringsAbout(wheelLight(), planeAbout(looker, [100, 100], 0), [20, 75]);
  const at = (radius: number) => rings.find((ring) => Math.abs(ring.radius - radius) < 2.5);
  const [rim, tyre] = [at(40), at(60)];
  expect(rim?.share).toBeGreaterThan(0.9);
  expect(rim?.evener).toBeGreaterThan(0.5);
  expect(tyre?.tyreEvener).toBeLessThan(-0.5);
  expect(rim && hasTyre(rim, rings)).toBe(true);
  expect(tyre && hasTyre(tyre, rings)).toBe(false);
}); // oxfmt-ignore

test('a dark and dusty rim is found by its tyre, and the bright brake disc within it is not taken for it', () => {
  const { scene, shots, known } = drawWheel(444, 'workshop').rounds[0] ?? {};
  const [taken, toldOf] = [shots?.[0], known?.[0]];
  if (!scene || !taken || !toldOf) throw new Error('expected a drawn wheel');
  const { shot, known: told } = smallerShot(taken, toldOf);
  expect(scene.look.rim).toBe('dark');
  const [found] = findWheel(renderWheel(scene, shot, 44400), told);
  const truth = rimOf(scene, shot);
  expect(Math.abs((found?.outline.major ?? 0) / truth.major - 1)).toBeLessThan(0.03);
  expect(Math.hypot((found?.outline.x ?? 0) - truth.x, (found?.outline.y ?? 0) - truth.y)).toBeLessThan(0.05 * truth.major);
}); // oxfmt-ignore
