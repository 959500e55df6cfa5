import fc from 'fast-check';
import { benchOf, LAB_SETUPS, plainSetup, readSetups } from './setup.ts';

const faultsOf = (input: unknown) => {
  const read = readSetups(input);
  return read.ok ? [] : read.faults.map(({ path }) => path);
};

describe('setups that come from outside', () => {
  test('what was left out is filled in, what is there is kept', () => {
    const read = readSetups([{ name: 'mine', travelMm: 180, springs: [{ rateNPerMm: 40 }] }]);
    if (!read.ok) throw new Error('expected setups');
    const [one] = read.value;
    expect(one).toMatchObject({ name: 'mine', travelMm: 180, pitchMm: plainSetup.pitchMm, rings: [] });
    expect(one?.springs[0]).toMatchObject({ rateNPerMm: 40, kind: 'linear', tender: false });
  });

  test('a name longer than any label is cut, cases’ names too', () => {
    const read = readSetups([
      { ...plainSetup, name: 'x'.repeat(200), cases: [{ name: 'y'.repeat(200), kg: 100 }] },
    ]);
    expect(read.ok && read.value.map(({ name, cases }) => [name.length, cases[0]?.name.length])).toEqual([
      [60, 60],
    ]);
  });

  test('none, too many and no list are refused, each saying what would be right', () => {
    for (const input of [null, {}, [], Array.from({ length: LAB_SETUPS + 1 }, () => plainSetup)])
      expect(faultsOf(input)).toEqual(['setups']);
    const read = readSetups('?');
    expect(read.ok ? null : read.faults[0]?.want).toMatchObject({ of: 'setups', most: LAB_SETUPS });
  });

  test('every part of the wrong shape is named at once', () => {
    expect(
      faultsOf([
        plainSetup,
        { ...plainSetup, name: 7, springs: 'two', rings: [3], ratio: null, stop: 'rubber', collar: [] },
        'nothing',
      ]),
    ).toEqual([
      'setups[1].name',
      'setups[1].springs',
      'setups[1].rings',
      'setups[1].ratio',
      'setups[1].stop',
      'setups[1].collar',
      'setups[2]',
    ]);
  });

  test('no value whatever makes it throw; what it lets through can be judged', () => {
    fc.assert(
      fc.property(fc.array(fc.jsonValue({ maxDepth: 3 }), { maxLength: 5 }), (input) => {
        const read = readSetups(input);
        if (read.ok) for (const one of read.value) expect(typeof benchOf(one).ok).toBe('boolean');
      }),
    );
  });
});
