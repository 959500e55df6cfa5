import { cautionList } from '#words/cautions.ts';
import { questionWords } from '#words/questions.ts';
import { symptomWords } from '#words/symptoms.ts';
import { stages } from './stages.ts';
import { blankDocument } from '../document/create.ts';
import { fittingFields } from '../document/fitting.ts';
import type { Fitting } from '../document/types.ts';
import { classDefaults, cornersOf } from '../kinds/classes/index.ts';
import { machineClasses, type MachineClass } from '../kinds/classes/index.ts';
import type { CornerId } from '../kinds/corners.ts';
import { cautionsAt } from './cautions.ts';
import { questionHeight } from './questions.ts';

const idsAt = (machineClass: MachineClass, fitting: Fitting | null = null) => {
  const document = blankDocument(machineClass, '');
  const [, second = 'RF'] = cornersOf(machineClass);
  if (fitting) Object.assign(document.corners[second], fittingFields(fitting));
  return cautionsAt('turn', document);
};

describe('cautions', () => {
  test('stands and pinch points are said of every machine, each once', () => {
    for (const one of machineClasses) {
      expect(idsAt(one)).toEqual(expect.arrayContaining(['stands', 'pinch']));
      expect(new Set(idsAt(one)).size).toBe(idsAt(one).length);
    }
  });

  test('what is fitted calls for its own', () => {
    const own: [MachineClass, Fitting, string][] = [
      ['car', 'mount', 'engagement'],
      ['snowmobile', 'cam', 'torsion'],
      ['snowmobile', 'air', 'gas'],
      ['motorcycle', 'clamp', 'clamps'],
    ];
    for (const [machineClass, fitting, id] of own) {
      expect(idsAt(machineClass)).not.toContain(id);
      expect(idsAt(machineClass, fitting)).toContain(id);
    }
    // What a corner has counts, whatever adjuster was picked for it.
    const sled = blankDocument('snowmobile', '');
    Object.assign(sled.corners.RA, { ...fittingFields('cam'), fitting: 'seat' });
    expect(cautionsAt('turn', sled)).toContain('torsion');
    // A sled has no axle on brake hoses; a bike needs no alignment.
    expect(idsAt('snowmobile')).not.toContain('lines');
    const close = (one: MachineClass) => cautionsAt('close-out', blankDocument(one, ''));
    expect(close('motorcycle')).toEqual(['torque', 'law']);
    expect(close('snowmobile')).toEqual(['torque', 'alignment']);
    expect(close('car')).toEqual(['torque', 'alignment', 'law']);
    // Of a sled whose skid alone is set nothing is aligned.
    const skid = blankDocument('snowmobile', '');
    skid.corners.RA.sagMm = 60;
    expect(cautionsAt('close-out', skid)).toEqual(['torque']);
  });

  test('a thread and a top nut are told of where one is moved, and only there', () => {
    const car = blankDocument('car', '');
    for (const id of ['LF', 'RF'] as const) Object.assign(car.corners[id], fittingFields('strut'));
    for (const id of ['LR', 'RR'] as const) Object.assign(car.corners[id], fittingFields('leaf'));
    const own = (corners: CornerId[]) =>
      cautionsAt('turn', car, corners).filter((id) => id === 'thread' || id === 'top-nut');
    expect(own(['LF'])).toEqual(['thread', 'top-nut']);
    expect(own(['LR', 'RR'])).toEqual([]);
    const cams = blankDocument('snowmobile', '');
    for (const corner of Object.values(cams.corners)) Object.assign(corner, fittingFields('cam'));
    expect(cautionsAt('turn', cams)).toEqual(['stands', 'pinch', 'torsion']);
  });

  test('the maker’s word stands above this program, said once', () => {
    const all = stages.flatMap((stage) => cautionList(stage, blankDocument('car', '')));
    expect(all.filter(({ why }) => why.includes('stand above this sheet'))).toHaveLength(1);
  });
});

describe('ladders', () => {
  test('bottoming with the sag right is never put down to preload', () => {
    for (const one of machineClasses) {
      expect(classDefaults[one].symptoms).toContain('bottoms');
      const steps = symptomWords.bottoms.try;
      expect(steps[0]?.words).toMatch(/^Compression damping/);
      expect(steps.some(({ words }) => /preload/i.test(words))).toBe(false);
    }
  });
});

describe('a reading that does not follow', () => {
  const say = (mm: number) => `${mm} mm`;

  test('is asked about where it fell far below what the round should read', () => {
    const question = questionHeight(345, 'LF', undefined, [], { mm: 375, sdMm: 3 });
    expect(question).toEqual({ kind: 'trend', differenceMm: -30 });
    expect(question && questionWords(question, say)).toBe(
      '30 mm lower than this round should read. Kept; is it settled, and the point the same?',
    );
    expect(questionHeight(372, 'LF', undefined, [], { mm: 375, sdMm: 3 })).toBeNull();
    // Of a ratio that nobody knows a move may have given half or twice as much.
    expect(questionHeight(345, 'LF', undefined, [], { mm: 375, sdMm: 14 })).toBeNull();
    expect(questionHeight(345, 'LF', undefined, [])).toBeNull();
  });

  test('its own repeats are asked about first: they say which of the two is wrong', () => {
    expect(questionHeight(345, 'LF', undefined, [375], { mm: 375, sdMm: 3 })?.kind).toBe('repeat');
  });
});
