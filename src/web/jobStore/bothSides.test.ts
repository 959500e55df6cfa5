import { onBoth } from './bothSides.tsx';

describe('what is changed for both sides of an axle', () => {
  it('goes across from its corner, and nowhere else', () => {
    expect(
      onBoth(
        [
          [['corners', 'LF', 'ratio'], 0.6],
          [['corners', 'LR', 'ratio'], 0.9],
          [['toleranceMm'], 5],
        ],
        'LF',
        'RF',
      ),
    ).toEqual([
      [['corners', 'LF', 'ratio'], 0.6],
      [['corners', 'RF', 'ratio'], 0.6],
      [['corners', 'LR', 'ratio'], 0.9],
      [['toleranceMm'], 5],
    ]);
  });

  it('leaves what is said of the other side itself', () => {
    const said: [string[], number][] = [
      [['corners', 'LF', 'targetMm'], 350],
      [['corners', 'RF', 'targetMm'], 352],
    ];
    expect(onBoth(said, 'LF', 'RF')).toEqual(said);
  });
});
