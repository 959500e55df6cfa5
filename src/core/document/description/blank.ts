import { cornersOf } from '../../kinds/classes/index.ts';
import type { Field, Fields, Place } from './field.ts';

/**
 * What stands in a field of which nobody has said anything. Throws where a field has no blank: such a field is only ever
 * made whole, as a row that somebody adds.
 */
export function blankOf(field: Field, place: Place): unknown {
  switch (field.type) {
    case 'group':
      return field.nullable ? null : blankFields(field.fields, place);
    case 'corners':
      return field.each
        ? Object.fromEntries(
            cornersOf(place.machineClass).map((corner) => [
              corner,
              blankFields(field.item.fields, { ...place, corner }),
            ]),
          )
        : {};
    case 'choice':
      return typeof field.blank === 'function' ? field.blank(place) : said(field.blank, field.type);
    case 'list':
      return field.nullable ? null : [...(field.blank ?? [])];
    case 'rows':
    case 'variants':
      return field.nullable ? null : said(undefined, field.type);
    case 'pair':
      return said(undefined, field.type);
    case 'number':
    case 'text':
    case 'flag':
      return said(field.blank, field.type);
  }
}

function said(blank: unknown, type: string): unknown {
  if (blank === undefined) throw new Error(`expected a blank of a ${type}, got none`);
  return blank;
}

/** Several fields, each blank. */
export function blankFields(fields: Fields, place: Place): Record<string, unknown> {
  return Object.fromEntries(Object.entries(fields).map(([key, field]) => [key, blankOf(field, place)]));
}
