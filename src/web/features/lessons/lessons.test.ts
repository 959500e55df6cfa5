import { lessonIds, lessonTexts } from '#words/lessons.ts';
import { standCar } from './lessonCar.ts';
import { plainCorner, standLesson } from './lessonCorner.ts';
import { normalShare, stackForce, STACK, transitionMm } from './lessonSums.ts';
import { begun, type Dials, type Scene } from './scene.ts';
import { scenes } from './scenes.tsx';

/** Where the dials end, as a learner leaves them; or a dial that is tried through. */
const goals: Record<keyof typeof lessonTexts, Dials | string[]> = {
  'reading-a-tape': { endXMm: 0, endZMm: 0, topXMm: 0, eyeMm: 0 },
  'settle-before-you-read': { rolled: 2 },
  'which-adjuster': { mount: 20 },
  'preload-is-not-stiffness': { seat: 10 },
  'motion-ratio': { ratio: 0.5 },
  'rigid-body': { lf: 20 },
  'cross-weight': { lf: 0, rf: 0, lr: 0, rr: 0 },
  'droop-and-bump': ['kg', 'seat'],
  'springs-and-rings': ['ring'],
  'right-spring': ['rate', 'preload'],
  friction: { said: 346 },
  'new-springs': ['seat'],
  clearances: { link: 20 },
  'measuring-the-ratio': { lift: 80 },
  'when-to-stop': ['times'],
};

/** Every place of some dials, the others left where they begin. */
function* placesOf(scene: Scene, keys: readonly string[], from = begun(scene)): Generator<Dials> {
  const [key, ...rest] = keys;
  const dial = scene.dials.find((one) => one.key === key);
  if (!dial) return void (yield from);
  for (let value = dial.low; value <= dial.high; value += dial.step)
    yield* placesOf(scene, rest, { ...from, [dial.key]: value });
}

test.each(lessonIds)('%s: not there at first, and there to be reached', (id) => {
  const scene = scenes[id];
  expect(scene.reached(begun(scene))).toBe(false);
  const goal = goals[id];
  const places = Array.isArray(goal) ? [...placesOf(scene, goal)] : [{ ...begun(scene), ...goal }];
  expect(places.some((dials) => scene.reached(dials))).toBe(true);
  for (const figure of scene.figures(begun(scene))) expect(Number.isFinite(figure.value)).toBe(true);
});

test.each(lessonIds)('%s: three different answers, and the right one is among them', (id) => {
  for (const { answers, right } of [lessonTexts[id].predict, lessonTexts[id].check]) {
    expect(new Set(answers).size).toBe(3);
    expect(answers[right]).toBeTruthy();
  }
});

test('what the texts say is what the mechanics give', () => {
  const stand = (change: Partial<typeof plainCorner>) => standLesson({ ...plainCorner, ...change });
  const [plain, wound, longer] = [stand({}), stand({ seatMm: 10 }), stand({ mountMm: 20 })];
  // Preload: the spring stays as long and as stiff, the body goes up by the collar over the ratio.
  expect(wound.springMm).toBeCloseTo(plain.springMm, 6);
  expect(wound.wheelRateNPerMm).toBeCloseTo(plain.wheelRateNPerMm, 6);
  expect(wound.bodyMm).toBeCloseTo(10 / 0.7, 6);
  expect(plain.droopMm - wound.droopMm).toBeCloseTo(10 / 0.7, 6);
  // A lower mount leaves the travel that is used.
  expect(longer.droopMm).toBeCloseTo(plain.droopMm, 6);
  expect(longer.bodyMm).toBeCloseTo(20 / 0.7, 6);
  // One seat: three quarters, a quarter, a quarter, and a quarter less across; tyres take a little.
  const { riseMm } = standCar([20, 0, 0, 0]);
  expect(riseMm[0]).toBeCloseTo(15, 0);
  expect(riseMm[3]).toBeCloseTo(-5, 0);
  // A diagonal up and the other down moves no height, and weight to the diagonal that was raised.
  const crossed = standCar([5, -5, -5, 5]);
  for (const rise of crossed.riseMm) expect(rise).toBeCloseTo(0, 6);
  expect(crossed.padKg[0]).toBeGreaterThan(crossed.padKg[1] as number);
  // Springs of 30 and 60 in a row, until the ring.
  expect(STACK.soft).toBeCloseTo(20, 9);
  expect(stackForce(10, 27) - stackForce(0, 27)).toBeCloseTo(200, 6);
  const knee = transitionMm(27);
  expect(stackForce(knee + 10, 27) - stackForce(knee, 27)).toBeCloseTo(600, 6);
  expect(stackForce(knee, 27) - stackForce(knee - 1, 27)).toBeCloseTo(20, 6);
  // Half a spread inside a limit.
  expect(normalShare(0.5)).toBeCloseTo(0.6915, 4);
  expect(normalShare(-1.96)).toBeCloseTo(0.025, 4);
});
