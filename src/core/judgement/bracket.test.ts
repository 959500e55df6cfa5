import fc from 'fast-check';
import { bracketAfter, isFound, middleOf, type Better } from './bracket.ts';

test('both ends first, then the worse one comes to the middle', () => {
  expect(bracketAfter(20, [])).toEqual({ low: 0, high: 20 });
  expect(bracketAfter(20, ['high'])).toEqual({ low: 10, high: 20 });
  expect(bracketAfter(20, ['high', 'low'])).toEqual({ low: 10, high: 15 });
});

test('somebody who always picks the nearer to what they like ends within two clicks of it, in a few rides', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 4, max: 60 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (most, share) => {
        const liked = share * most;
        const answers: Better[] = [];
        while (!isFound(bracketAfter(most, answers)) && answers.length < 20) {
          const { low, high } = bracketAfter(most, answers);
          answers.push(Math.abs(liked - low) <= Math.abs(liked - high) ? 'low' : 'high');
        }
        expect(answers.length).toBeLessThanOrEqual(Math.ceil(Math.log2(most)));
        expect(Math.abs(middleOf(bracketAfter(most, answers)) - liked)).toBeLessThanOrEqual(2);
      },
    ),
  );
});
