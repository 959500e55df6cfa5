import { stanceAngles } from './angles.ts';

/** Steepest slope of ground that touches a tyre and just passes under a point: tried degree by degree, nothing derived. */
function steepest(radius: number, ahead: number, height: number): number {
  let least = 0;
  for (let deg = 0; deg < 89; deg += 0.001) {
    const t = (deg * Math.PI) / 180;
    // The line at this slope that lies under the tyre: it touches the circle about (0, R).
    const under = Math.tan(t) * ahead + radius * (1 - 1 / Math.cos(t));
    if (under > height) return deg;
    least = deg;
  }
  return least;
}

test('each angle is the least of its points, front, between and behind, with tyres of two sizes', () => {
  const told = stanceAngles({
    wheelbaseMm: 2500,
    frontRadiusMm: 320,
    rearRadiusMm: 350,
    points: [
      { name: 'splitter', xMm: 1900, heightMm: 190 },
      { name: 'tow eye', xMm: 1800, heightMm: 240 },
      { name: 'gearbox', xMm: 200, heightMm: 210 },
      { name: 'tank', xMm: -700, heightMm: 260 },
      { name: 'bar', xMm: -1950, heightMm: 330 },
    ],
  });
  expect(told.approach?.by).toBe('splitter');
  expect(told.approach?.deg).toBeCloseTo(steepest(320, 650, 190), 2);
  expect(told.departure?.by).toBe('bar');
  expect(told.departure?.deg).toBeCloseTo(steepest(350, 700, 330), 2);
  const crest = (x: number, h: number) => steepest(320, 1250 - x, h) + steepest(350, 1250 + x, h);
  expect(told.breakover?.by).toBe('gearbox');
  expect(told.breakover?.deg).toBeCloseTo(Math.min(crest(200, 210), crest(-700, 260)), 2);
});
