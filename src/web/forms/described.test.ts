import { blankDocument } from '#core/document/create.ts';
import { everyField } from '#core/document/description/walk.ts';
import type { LengthStyle } from '#core/units/formatLength.ts';
import { sampleNumber } from '../../../tests/fixtures/sampleDocument.ts';
import { meantBy } from './meant.ts';
import { quantities, readWithin } from './quantity.ts';
import { described } from './described.ts';

const styles: LengthStyle[] = [
  { system: 'mm', decimals: 2, denominator: 16 },
  { system: 'in', decimals: 2, denominator: 16 },
];
const numbers = everyField().flatMap(({ path, field }) =>
  field.type === 'number' ? [{ path: path.map((key) => (key === '*' ? 'LF' : key)), field }] : [],
);

test('every number of the document goes through its field of the page unchanged, in either system', () => {
  const document = blankDocument('car', 'Knot');
  for (const { path, field } of numbers)
    for (const style of styles)
      for (const share of [0.11, 0.213, 0.5, 0.87]) {
        const value = sampleNumber(field, share);
        const { quantity: name, range } = described(document, path);
        const quantity = quantities[name];
        const shown = quantity.write(value, style);
        const at = `${path.join('.')} ${style.system} ${value}`;
        // Left as it is shown, nothing is stored.
        expect([at, meantBy(shown, value, { quantity, range, style }).kind]).toEqual([at, 'same']);
        const read = readWithin(shown, quantity, range, style);
        expect([at, read.ok]).toEqual([at, true]);
        const again = read.ok ? quantity.write(read.value, style) : '';
        expect([at, again]).toEqual([at, shown]);
      }
});

test('a path that leads to no number is a fault of the page', () => {
  expect(() => described(blankDocument('car', ''), ['machine', 'nothing'])).toThrow('machine.nothing');
});
