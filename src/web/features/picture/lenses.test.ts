import { focal35, focalPx, lensOf } from './lenses.ts';

test('a lens is as measured, else as the file says, else as most are, each less sure than the one before', () => {
  const measured = { focal35Mm: 26.2, sdShare: 0.004, bend: -0.02, bendSd: 0.003, from: 'sheet' } as const;
  expect(lensOf(measured, 28)).toBe(measured);
  expect(lensOf(undefined, 28)).toMatchObject({ focal35Mm: 28, from: 'file' });
  expect(lensOf(undefined, null).from).toBe('usual');
  const sure = [lensOf(measured, 28), lensOf(undefined, 28), lensOf(undefined, null)].map((lens) => lens.sdShare);
  expect(sure).toEqual([...sure].sort((a, b) => a - b));
}); // oxfmt-ignore

test('a focal length holds for pictures of any size: 43.3 mm of a 35 mm camera is as long as the diagonal', () => {
  expect(focalPx({ focal35Mm: Math.hypot(36, 24) }, 3000, 4000)).toBeCloseTo(5000);
  expect(focal35(focalPx({ focal35Mm: 27 }, 4096, 3072), 4096, 3072)).toBeCloseTo(27);
});
