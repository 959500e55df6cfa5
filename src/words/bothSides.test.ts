import type { Finding } from '#core/findings/finding.ts';
import { toldOnce } from './bothSides.ts';

const of = (corner: string, code = 'cam-high', onGuess = false) =>
  ({ code, corner, evidence: { onGuess } }) as unknown as Finding;
const line = (finding: Finding, what: string, ...ways: string[]) => ({ finding, what, ways });

describe('findings of both sides of an axle', () => {
  it('are told once where they say the same', () => {
    const [left, right] = [of('LS'), of('RS')];
    expect(
      toldOnce([
        line(left, 'Left ski, two up: no droop is left.', 'Let it down by 0.7 bar.'),
        line(right, 'Right ski, two up: no droop is left.', 'Let it down by 0.7 bar.'),
      ]),
    ).toEqual([
      {
        findings: [left, right],
        what: 'Left ski and right ski, two up: no droop is left.',
        ways: ['Let it down by 0.7 bar.'],
      },
    ]);
  });

  it('are told once where each names its own side and the other', () => {
    const told = toldOnce([
      line(of('LF'), 'Front left: loose.', 'It takes 2 mm, front right.'),
      line(of('RF'), 'Front right: loose.', 'It takes 2 mm, front left.'),
    ]);
    expect(told.map(({ what }) => what)).toEqual(['Front left and front right: loose.']);
  });

  it('are told by themselves where a figure, a way, the axle, the kind or what it rests on differs', () => {
    for (const other of [
      line(of('RF'), 'Front right: 3 mm left.', 'Lower it.'),
      line(of('RF'), 'Front right: 2 mm left.', 'Raise it.'),
      line(of('LR'), 'Rear left: 2 mm left.', 'Lower it.'),
      line(of('RF', 'adjuster-end'), 'Front right: 2 mm left.', 'Lower it.'),
      line(of('RF', 'cam-high', true), 'Front right: 2 mm left.', 'Lower it.'),
    ])
      expect(toldOnce([line(of('LF'), 'Front left: 2 mm left.', 'Lower it.'), other])).toHaveLength(2);
  });

  it('stay by themselves where the sentence begins with something else', () => {
    const told = [
      line(of('LF'), 'The front left seat is out.'),
      line(of('RF'), 'The front right seat is out.'),
    ];
    expect(toldOnce(told).map(({ what }) => what)).toEqual(told.map(({ what }) => what));
  });
});
