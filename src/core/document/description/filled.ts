import { cornersOf } from '../../kinds/classes/index.ts';
import type { CornerId } from '../../kinds/corners.ts';
import { blankOf } from './blank.ts';
import type { Field, Fields, GroupField, Place } from './field.ts';

export type Plain = Record<string, unknown>;

export const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * A value of an earlier version with what has come since, blank: it was not known before. What the version had and
 * somebody has left out stays left out, to be refused where it is checked; what nobody here knows is kept.
 */
export function filled(field: Field, value: unknown, version: number, place: Place): unknown {
  switch (field.type) {
    case 'group':
      return isPlain(value) ? filledGroup(field, value, version, place) : value;
    case 'list':
      return Array.isArray(value)
        ? value.map((item: unknown) => filled(field.item, item, version, place))
        : value;
    case 'corners':
      return isPlain(value) ? filledCorners(field.item, value, version, place) : value;
    default:
      return value;
  }
}

function filledGroup(
  { fields, since: groupSince }: GroupField,
  value: Plain,
  version: number,
  place: Place,
): Plain {
  const since = (field: Field) => field.since ?? groupSince ?? 1;
  const missing = Object.entries(fields).filter(([key, field]) => !(key in value) && since(field) > version);
  return {
    ...value,
    ...filledFields(fields, value, version, place),
    ...Object.fromEntries(missing.map(([key, field]) => [key, blankOf(field, place)])),
  };
}

function filledFields(fields: Fields, value: Plain, version: number, place: Place): Plain {
  return Object.fromEntries(
    Object.entries(fields)
      .filter(([key]) => key in value)
      .map(([key, field]) => [key, filled(field, value[key], version, place)]),
  );
}

function filledCorners(item: GroupField, value: Plain, version: number, place: Place): Plain {
  const known: readonly string[] = cornersOf(place.machineClass);
  return Object.fromEntries(
    Object.entries(value).map(([id, corner]) => [
      id,
      known.includes(id) && isPlain(corner)
        ? filledGroup(item, corner, version, { ...place, corner: id as CornerId })
        : corner,
    ]),
  );
}
