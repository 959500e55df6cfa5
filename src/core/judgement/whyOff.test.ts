import { analyse } from '../analysis/analyse.ts';
import type { JobDocument } from '../document/types.ts';
import { simulate } from '../estimate/simulate.ts';
import { add, heights, must, plainDocument, record, settled } from '../../../tests/fixtures/records.ts';
import { offTarget, whyOff, type Cause, type Explains } from './whyOff.ts';

const READ = [378, 375, 381, 365];

/** A car that is wanted at 378 all round, and reads 13 mm low at the rear right. */
function answered(edit: (document: JobDocument) => void = () => undefined) {
  const document = plainDocument((one) => {
    for (const corner of Object.values(one.corners)) corner.targetMm = 378;
    edit(one);
  });
  return must(analyse(add(record(document), settled(0), ...heights(0, READ))).answer);
}
const explained = (all: ReturnType<typeof whyOff>, cause: Cause): Explains =>
  must(all.find((one) => one.cause === cause) ?? null).explains;
const fitting = (all: ReturnType<typeof whyOff>) => all.filter(({ fits }) => fits).map(({ cause }) => cause);

test('how far a corner is off is what the tape reads against its target', () => {
  expect(offTarget(answered(), 'RR')).toBeCloseTo(-13, 6);
  expect(offTarget(answered(), 'LR')).toBeCloseTo(3, 6);
});

test('a spring that stands lower by what is told would read just what it reads', () => {
  const answer = answered();
  const seated = explained(whyOff(answer, 'RR', -13), 'seated');
  expect(seated).toMatchObject({ by: 'takes', unit: 'mm' });
  const amount = seated.by === 'takes' ? seated.amount : NaN;
  const { fit, now, machine } = answer;
  const at = machine.corners.indexOf('RR');
  const lower = now.seatsBy.map((mm, i) => (i === at ? mm + amount : mm));
  const heightOf = (seatsBy: number[]) =>
    simulate(fit.believed, fit.values, { ...now, seatsBy }).heights[at] ?? 0;
  expect(heightOf(lower) - heightOf([...now.seatsBy])).toBeCloseTo(-13, 0);
});

test('what only lifts is no reason for a low corner, and what only presses none for a high one', () => {
  expect(fitting(whyOff(answered(), 'RR', -13))).toEqual([
    'misread', 'load', 'seated', 'upside-down', 'wrong-end', 'worn',
  ]); // oxfmt-ignore
  const high = fitting(whyOff(answered(), 'RR', 6));
  expect(high).toContain('bush');
  expect(high).not.toContain('worn');
  expect(high).not.toContain('load');
});

test('the tape over the ground sees the tyre and the floor more than one from the hub does', () => {
  const overGround = answered((one) => {
    for (const corner of Object.values(one.corners)) corner.reference.kind = 'ground-arch';
  });
  const tyre = (answer: typeof overGround) => {
    const told = explained(whyOff(answer, 'RR', -4), 'tyre');
    return told.by === 'gives' ? told.mm : NaN;
  };
  // A third softer: well under it a hub-to-arch height even grows, since the body follows the other three.
  expect(tyre(overGround)).toBeLessThan(-3);
  expect(Math.abs(tyre(answered()))).toBeLessThan(2);
  expect(fitting(whyOff(overGround, 'RR', -4))).toContain('tyre');
});

test('targets that are twisted are told, with how much of it is theirs', () => {
  const twisted = answered((one) => {
    one.corners.RR.targetMm = 388;
  });
  expect(explained(whyOff(twisted, 'RR', -23), 'targets')).toEqual({ by: 'gives', mm: -10 });
  expect(whyOff(answered(), 'RR', -13).some(({ cause }) => cause === 'targets')).toBe(false);
});
