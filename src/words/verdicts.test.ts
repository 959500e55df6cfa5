import { wayWords } from './alternatives.ts';
import { springReasonWords } from './springVerdict.ts';
import { lengthText } from '#core/units/formatLength.ts';

const mm = (value: number) => lengthText(value, { system: 'mm', denominator: 16, decimals: 0 });
const inches = (value: number) => lengthText(value, { system: 'in', denominator: 16, decimals: 0 });

test('why a spring is wrong is told in the reader’s units', () => {
  const because = { code: 'static-too-little', offMm: 19.05 } as const;
  expect(springReasonWords(because, mm)).toBe(
    'rider sag is right but static sag is 19 mm too little: the preload stands in for rate',
  );
  expect(springReasonWords(because, inches)).toContain('static sag is 3/4 in too little');
});

test('another spring is named by the places it goes to, each once, in the reader’s units', () => {
  const parts = [
    { where: 'front' as const, by: 10 },
    { where: 'RW' as const, by: -5 },
  ];
  expect(wayWords({ id: 'longer', parts }, mm).title).toBe(
    'Springs or spacers: front 10 mm longer, rear wheel 5 mm shorter',
  );
  expect(wayWords({ id: 'stiffer', parts: [{ where: 'rear', by: 0.15 }] }, mm).title).toBe(
    'Springs: rear 15 % stiffer',
  );
  expect(wayWords({ id: 'sides', alike: true }, mm).title).not.toBe(
    wayWords({ id: 'sides', alike: false }, mm).title,
  );
});
