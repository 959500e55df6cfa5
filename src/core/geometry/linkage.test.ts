import { FaultList } from '../faults.ts';
import { checkLinkage, linkageDroopShift, linkageTable, type LinkageDescription } from './linkage.ts';
import { bisect } from '../numerics/bisect.ts';

/** No two parts parallel, the rocker behind the arm's pivot: nothing cancels out. */
const linkage: LinkageDescription = {
  armPivot: [10, -20],
  axle: [-540, -75],
  linkOnArm: [-140, 5],
  rockerPivot: [-60, 190],
  linkOnRocker: [-150, 170],
  damperOnRocker: [-45, 265],
  damperOnFrame: [-330, 330],
};

type Place = readonly [number, number];
const apart = ([a, b]: Place, [c, d]: Place) => Math.hypot(a - c, b - d);
const turned = ([x, y]: Place, [cx, cy]: Place, by: number): Place => {
  const [along, across] = [x - cx, y - cy];
  const angle = Math.atan2(across, along) + by;
  const r = Math.hypot(along, across);
  return [cx + r * Math.cos(angle), cy + r * Math.sin(angle)];
};

/** Compression of the damper where the axle has risen by z: angles found by halving, nothing by triangles. */
function compressionAt(z: number, longerMm = 0): number {
  const { armPivot, axle, linkOnArm, rockerPivot, linkOnRocker, damperOnRocker, damperOnFrame } = linkage;
  const link = apart(linkOnArm, linkOnRocker) + longerMm;
  // Links of another length hang the arm where the rocker stands as it was described.
  const droop = longerMm === 0 ? 0 : root((a) => apart(turned(linkOnArm, armPivot, a), linkOnRocker) - link);
  const from = turned(axle, armPivot, droop)[1];
  const arm = root((a) => turned(axle, armPivot, a)[1] - from - z);
  const low = turned(linkOnArm, armPivot, arm);
  const rocker = root((b) => apart(low, turned(linkOnRocker, rockerPivot, b)) - link);
  const length = (turn: number) => apart(turned(damperOnRocker, rockerPivot, turn), damperOnFrame);
  return length(0) - length(rocker);
}

/** Where something crosses nothing within a third of a turn either way, whichever way it goes. */
function root(of: (angle: number) => number): number {
  const sign = Math.sign(of(-0.35)) || 1;
  return bisect(-0.35, 0.35, (angle) => sign * of(angle) > 0);
}

test.each([0, 6, -5])(
  'with links %d mm longer the damper is compressed as the bars themselves say',
  (linkLongerMm) => {
    const rows = linkageTable({ ...linkage, linkLongerMm }, 120);
    for (const [z, s] of [rows[0], rows[10], rows[25], rows[40]] as [number, number][])
      expect(s).toBeCloseTo(compressionAt(z, linkLongerMm), 5);
  },
);

test('other links move the axle in the frame at full droop', () => {
  const { armPivot, axle, linkOnArm, linkOnRocker } = linkage;
  const link = apart(linkOnArm, linkOnRocker) + 6;
  const droop = root((a) => apart(turned(linkOnArm, armPivot, a), linkOnRocker) - link);
  expect(linkageDroopShift({ ...linkage, linkLongerMm: 6 })).toBeCloseTo(
    turned(axle, armPivot, droop)[1] - axle[1],
    6,
  );
  expect(linkageDroopShift(linkage)).toBe(0);
});

test('it does not matter where the frame is measured from, nor which way it is drawn', () => {
  const by = (change: (place: Place) => Place) =>
    Object.fromEntries(Object.entries(linkage).map(([name, at]) => [name, change(at as Place)])) as unknown as LinkageDescription;
  const [rows, moved, mirrored] = [linkage, by(([x, z]) => [x + 4000, z - 900]), by(([x, z]) => [-x, z])].map(
    (one) => linkageTable({ ...one, linkLongerMm: 4 }, 120),
  );
  (rows ?? []).forEach(([z, s], k) => {
    expect(moved?.[k]?.[0]).toBeCloseTo(z, 6);
    expect(moved?.[k]?.[1]).toBeCloseTo(s, 6);
    expect(mirrored?.[k]?.[1]).toBeCloseTo(s, 6);
  });
}); // oxfmt-ignore

test('where it locks is told by the travel there', () => {
  const travelMm = 900;
  const rising: LinkageDescription = {
    armPivot: [0, 0], axle: [-560, -30], linkOnArm: [-110, -6], rockerPivot: [0, 200],
    linkOnRocker: [-118, 196], damperOnRocker: [-96, 204], damperOnFrame: [-104, 480],
  };
  const faults = new FaultList();
  checkLinkage('ratio', rising, travelMm, faults);
  const want = faults.faults[0]?.want;
  const rows = linkageTable(rising, travelMm);
  const locked = rows.findIndex(([, s], k) => !Number.isFinite(s) || (k > 0 && s <= (rows[k - 1]?.[1] ?? 0)));
  expect(want).toEqual({
    be: 'whole-way-up',
    locksAtMm: Math.round(locked * (travelMm / (rows.length - 1))),
  });
  expect(want?.be === 'whole-way-up' && want.locksAtMm).toBeGreaterThan(150);
}); // oxfmt-ignore
