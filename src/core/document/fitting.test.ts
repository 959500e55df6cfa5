import { DOCUMENT_VERSION } from './description/job.ts';
import { cornersOf, footingOf } from '../kinds/classes/index.ts';
import { machineClasses } from '../kinds/classes/index.ts';
import { blankDocument } from './create.ts';
import { adjusterKinds, adjustersMetAt, isTurned, stepOf } from '../kinds/adjusters/index.ts';
import { canMove, fittingFields, fittingFrom } from './fitting.ts';
import { migrateDocument } from './migrate.ts';

const kinds = adjusterKinds;

test('choosing a fitting leaves nothing of the one before', () => {
  for (const before of kinds)
    for (const after of kinds) {
      const corner = { ...blankDocument('car', '').corners.LF, ...fittingFields(before) };
      const changed = { ...corner, ...fittingFields(after) };
      expect(changed.fitting).toBe(after);
      expect(changed.torsion !== null).toBe(after === 'cam');
      expect(changed.air !== null).toBe(after === 'air');
      // A mount's pitch, a step's length and a ratio are for somebody at the machine to say.
      expect(changed.mount).toBeNull();
      expect(changed.stepMm).toBeNull();
      expect(changed.springRatio).toBe(after === 'leaf' ? 1 : null);
      expect(changed.adjustable).toBe(after !== 'fixed');
    }
});

test('every class starts with a fitting that is met where it stands', () => {
  for (const one of machineClasses)
    for (const id of cornersOf(one))
      expect(adjustersMetAt(footingOf(one), id)).toContain(blankDocument(one, '').corners[id].fitting);
});

test('what goes in steps is not moved by a plan until somebody says how long one is', () => {
  for (const kind of kinds) {
    const fresh = fittingFields(kind);
    const stepped = stepOf(kind) !== null;
    expect(canMove(fresh)).toBe(kind !== 'fixed' && !stepped);
    expect(canMove({ ...fresh, stepMm: 6 })).toBe(kind !== 'fixed');
    if (stepped) expect(isTurned(kind)).toBe(false);
  }
});

test('a description from before fittings had names is named by what is in it', () => {
  expect(fittingFrom({ adjustable: false })).toBe('fixed');
  expect(fittingFrom({ stepMm: 6 })).toBe('grooves');
  expect(fittingFrom({})).toBe('seat');
  const document = blankDocument('snowmobile', 'old');
  const { fitting, boots, floorMm, ...arm } = { ...document.corners.RA, ...fittingFields('cam') };
  const old = {
    ...document,
    schemaVersion: 3,
    machine: { ...document.machine, learnt: { from: 'before', ratios: {} } },
    corners: { ...document.corners, RA: arm },
  };
  const now = migrateDocument(old);
  expect([now.schemaVersion, now.corners.RA.fitting, now.corners.RA.boots]).toEqual([
    DOCUMENT_VERSION,
    'cam',
    [],
  ]);
  expect(now.machine.learnt).toEqual({ from: 'before', others: null, ratios: {}, settled: {} });
  expect([fitting, boots, floorMm]).toEqual(['cam', [], null]);
});
