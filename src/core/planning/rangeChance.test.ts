import { commonness, suspensionsOf } from '../kinds/suspension.ts';
import { rangesOf } from './rangeChance.ts';

test('an axle nobody has described may have every suspension of its class, each by how common it is', () => {
  const all = suspensionsOf('car', 'front');
  const ranges = rangesOf({ machineClass: 'car', axle: 'front', suspension: null, alongLeg: false });
  expect(ranges).toHaveLength(all.length);
  expect(ranges.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
  const weight = (k: number) => commonness[all[k] ?? 'strut'] ?? 1;
  ranges.forEach(({ share }, k) =>
    expect(share / (ranges[0]?.share ?? NaN)).toBeCloseTo(weight(k) / weight(0), 12),
  );
  expect(
    rangesOf({ machineClass: 'car', axle: 'front', suspension: 'strut', alongLeg: false }),
  ).toMatchObject([{ share: 1 }]);
});
