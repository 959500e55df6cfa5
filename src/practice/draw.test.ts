import { handRule, knowsTheTruth } from '../../bench/practicePlayers.ts';
import { playPractice } from '../../bench/practiceTrial.ts';
import { machineClasses } from '#core/kinds/classes/index.ts';
import { trueStand } from '#core/simulated/machine.ts';
import { practiceLevels } from '#core/practiceKinds.ts';
import { drawPractice } from './draw.ts';
import { levelRules } from './levels.ts';

describe.each(practiceLevels)('%s', (level) => {
  test('whoever knows the truth lands every one of 24 within two moves', () => {
    for (let seed = 1; seed <= 24; seed++) {
      const drawn = drawPractice(seed, level, null);
      const { inAfter, right } = playPractice(drawn, seed, knowsTheTruth(drawn.truth));
      expect({ seed, moves: inAfter <= 2, right }).toEqual({ seed, moves: true, right: true });
    }
  });

  test('every class is drawn, off its targets, clear of its ends, with as many faults as the level has', () => {
    for (const machineClass of machineClasses)
      for (let seed = 1; seed <= 4; seed++) {
        const { document, truth } = drawPractice(seed, level, machineClass);
        expect(document.machine.class).toBe(machineClass);
        expect(truth.faults).toHaveLength(levelRules[level].faults);
        const { travelMm, heightsMm } = trueStand(truth.simulated, { seatsBy: truth.openBy, km: 0 });
        truth.corners.forEach((id, i) => {
          expect(travelMm[i]).toBeGreaterThan(12);
          expect(Math.abs((heightsMm[i] ?? NaN) - (document.corners[id].targetMm ?? NaN))).toBeLessThan(80);
        });
        // What the sheet says, and no more.
        const told = truth.corners.map((id) => [document.corners[id].suspension !== null, document.corners[id].ratioFrom !== null]);
        const says = { ratio: [true, true], suspension: [true, false], nothing: [false, false] }[levelRules[level].told];
        expect(told).toEqual(truth.corners.map(() => says));
      }
  });
}); // oxfmt-ignore

test('nothing on the sheet says where the targets are met', () => {
  const off = Array.from({ length: 100 }, (_, k) => {
    const { document, truth } = drawPractice(k + 1, 'hard', 'car');
    const { minMm, maxMm } = document.corners.LF.collar;
    return (truth.collarMm[0] ?? 0) - ((minMm ?? 0) + (maxMm ?? 0)) / 2;
  });
  // The middle of the thread is not it, nor is any one reading.
  expect(Math.sqrt(off.reduce((sum, mm) => sum + mm * mm, 0) / off.length)).toBeGreaterThan(2.5);
  const collars = Array.from({ length: 30 }, (_, k) => drawPractice(k + 1, 'hard', 'car').truth.collarMm);
  expect(new Set(collars.flat()).size).toBeGreaterThan(20);
});

test('the same seed is the same machine, another another', () => {
  expect(drawPractice(7, 'hard', 'truck')).toEqual(drawPractice(7, 'hard', 'truck'));
  expect(drawPractice(8, 'hard', 'truck')).not.toEqual(drawPractice(7, 'hard', 'truck'));
});

test('nothing that the fit takes for granted is exactly true, at any level', () => {
  for (const level of practiceLevels) {
    const { truth } = drawPractice(11, level, 'car');
    for (const off of truth.simulated.departures.contacts) {
      for (const value of [
        off.ratioBy,
        off.bendMm,
        off.springBy,
        off.springGrows,
        off.tyreGrows,
        off.frictionN,
      ])
        expect(value).not.toBe(0);
    }
    expect(truth.simulated.departures.twistNPerMm).not.toBe(null);
  }
});

test('on the first day a hand that guesses the ratio needs more than one who is told it, on some machines', () => {
  const moves = Array.from({ length: 60 }, (_, k) => {
    const drawn = drawPractice(k + 1, 'first-day', null);
    return playPractice(drawn, k + 1, handRule(drawn.document.machine.class)).inAfter;
  });
  expect(moves.filter((one) => one > 1).length).toBeGreaterThan(1);
});
