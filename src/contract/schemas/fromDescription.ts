import { plainWants } from '#words/faults.ts';
import Joi from 'joi';
import { allCorners } from '#core/kinds/corners.ts';
import {
  mayBeAbsent,
  type Field,
  type Fields,
  type GroupField,
  type Range,
  type TextField,
} from '#core/document/description/field.ts';

/** A finite number in a range. */
export const within = ({ min, max }: Range) => Joi.number().strict().min(min).max(max);

/** What a field of the document may be: it must be there, and null only where nobody need have said. */
export function schemaOf(field: Field): Joi.Schema {
  const schema = bare(field);
  const nullable = 'nullable' in field && field.nullable ? schema.allow(null) : schema;
  return mayBeAbsent(field) ? nullable : nullable.required();
}

function bare(field: Field): Joi.Schema {
  switch (field.type) {
    case 'number':
      return field.whole ? within(field.range).integer() : within(field.range);
    case 'text':
      return textSchema(field);
    case 'flag':
      return Joi.boolean().strict();
    case 'choice':
      // As a pattern where it may be null, since a list of values loses its null in the published schema.
      return field.nullable
        ? Joi.string().pattern(new RegExp(`^(${field.of.join('|')})$`))
        : Joi.valid(...field.of);
    case 'rows':
      return rowsSchema(field);
    case 'pair':
      return Joi.array().ordered(within(field.range).required(), within(field.range).required());
    case 'list': {
      const items = Joi.array().items(bare(field.item)).max(field.most);
      const enough = field.least > 0 ? items.min(field.least) : items;
      return field.unlike === null ? enough : enough.unique(field.unlike);
    }
    case 'group':
      return groupSchema(field);
    case 'variants':
      return Joi.alternatives().conditional('.kind', {
        switch: Object.entries(field.of).map(([kind, fields]) => ({
          is: kind,
          then: Joi.object({ kind: Joi.required(), ...schemasOf(fields) }).unknown(),
        })),
        otherwise: Joi.object({ kind: Joi.valid(...Object.keys(field.of)).required() }).unknown(),
      });
    case 'corners':
      return Joi.object(Object.fromEntries(allCorners.map((id) => [id, bare(field.item)])));
  }
}

function textSchema({ most, filled, form }: TextField): Joi.Schema {
  if (form === 'uuid') return Joi.string().uuid();
  if (form) return Joi.string().pattern(form);
  return filled ? Joi.string().trim().min(1).max(most) : Joi.string().allow('').max(most);
}

function rowsSchema({ x, y, most, growing }: { x: Range; y: Range; most: number; growing: boolean }) {
  const schema = Joi.array()
    .items(Joi.array().ordered(within(x).required(), within(y).required()))
    .min(2)
    .max(most);
  if (!growing) return schema;
  return schema
    .custom((value: [number, number][], helpers) =>
      value.some(([at], k) => k > 0 && at <= (value[k - 1]?.[0] ?? -Infinity))
        ? helpers.error('described', { want: 'the heights of the table must grow from row to row' })
        : value,
    )
    .messages({ described: '{#want}' });
}

/** The schemas of several fields by their names. */
function schemasOf(fields: Fields): Record<string, Joi.Schema> {
  return Object.fromEntries(Object.entries(fields).map(([key, field]) => [key, schemaOf(field)]));
}

/** The file is open: what others have added to it is kept. */
function groupSchema({ fields, order }: GroupField): Joi.ObjectSchema {
  const schema = Joi.object(schemasOf(fields)).unknown();
  if (!order) return schema;
  const { low, high, want } = order;
  return schema
    .custom((value: Record<string, number | null>, helpers) => {
      const [least, most] = [value[low] ?? null, value[high] ?? null];
      return least !== null && most !== null && least >= most
        ? helpers.error('described', { want: plainWants[want] })
        : value;
    })
    .messages({ described: '{#want}' });
}
