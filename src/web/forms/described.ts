import { assumedOf, hasAssumed } from '#core/document/description/assumed.ts';
import type { NumberField, Unit } from '#core/document/description/field.ts';
import { fieldAt } from '#core/document/description/walk.ts';
import type { JobDocument } from '#core/document/types.ts';
import { hungAt } from '#core/estimate/corner.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { QuantityName } from './quantity.ts';

const quantityOf: Record<Unit, QuantityName> = {
  'mm by tape': 'length',
  mm: 'size',
  'N/mm': 'rate',
  'N mm/deg': 'torsion',
  N: 'force',
  kg: 'mass',
  bar: 'pressure',
  litre: 'volume',
  cm3: 'chamber',
  mm2: 'area',
  deg: 'number',
  'deg/mm': 'angleGain',
  'N m': 'torque',
  km: 'distance',
  'damper per wheel': 'ratio',
  share: 'share',
  factor: 'number',
  count: 'number',
};

/** The number that a path of the document leads to. Throws where there is none: a field of the page is misspelt. */
export function numberAt(path: readonly string[]): NumberField {
  const field = fieldAt(path);
  if (field?.type !== 'number') throw new Error(`expected a number at ${path.join('.')}, got none`);
  return field;
}

/** How a number of the document is typed: its quantity and range, and what is assumed until it is. */
export function described(document: JobDocument, path: readonly string[]) {
  const field = numberAt(path);
  const id = path[0] === 'corners' ? (path[1] as CornerId) : cornersIn(document)[0];
  return {
    quantity: quantityOf[field.unit],
    range: field.range,
    assumed: hasAssumed(field) ? assumedOf(field, id && hungAt(document, id)) : null,
  };
}
