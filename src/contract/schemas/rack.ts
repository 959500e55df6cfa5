import Joi from 'joi';
import { contradiction, torsionSides, type RackValues } from '#core/rack/spring.ts';
import { RACK_MOST } from '#core/rack/csv.ts';
import { limits } from '../limits.ts';
import { within } from './fromDescription.ts';

const optional = (range: { min: number; max: number }) => within(range).allow(null).required();

const rows = Joi.array()
  .items(
    Joi.array().ordered(
      within({ min: 0, max: limits.springMm.max }).required(),
      within(limits.springN).required(),
    ),
  )
  .min(2)
  .max(limits.tableRows)
  .allow(null)
  .required()
  .custom((table: [number, number][] | null, helpers) => {
    const grows = (table ?? []).every(([mm, n], i, all) => {
      const before = all[i - 1];
      return !before || (mm > before[0] && n > before[1]);
    });
    return grows ? table : helpers.error('rows.order');
  })
  .messages({ 'rows.order': 'rows must grow' });

const values = {
  name: Joi.string().trim().min(1).max(limits.nameLength).required(),
  rateNPerMm: optional(limits.springRateNPerMm),
  rows,
  freeLengthMm: optional(limits.springMm),
  solidLengthMm: optional(limits.springMm),
  wireMm: optional(limits.wireMm),
  coils: optional(limits.coils),
  innerMm: optional(limits.springMm),
  maxN: optional(limits.springN),
  tender: Joi.boolean().strict().required(),
  // Left out by those who know of no torsion springs.
  torsion: Joi.object({
    rateNMmPerDeg: optional(limits.torsionRate),
    legMm: optional(limits.springMm),
    side: Joi.string()
      .valid(...torsionSides)
      .required(),
  })
    .allow(null)
    .default(null),
  stock: Joi.number().strict().integer().min(limits.stock.min).max(limits.stock.max).required(),
  note: Joi.string().allow('').max(limits.rackNote).required(),
};

const id = Joi.string().guid({ separator: '-' }).lowercase().required();

const sound = (spring: RackValues, helpers: Joi.CustomHelpers) =>
  contradiction(spring) === null ? spring : helpers.error('spring.order');

/** POST /api/rack */
export const putSpringSchema = Joi.object({
  ...values,
  id,
  version: Joi.number().strict().integer().min(1).allow(null).required(),
})
  .custom(sound)
  .messages({ 'spring.order': 'the solid length must be below the free length' });

/** POST /api/rack/import */
export const importRackSchema = Joi.object({
  springs: Joi.array()
    .items(Joi.object({ ...values, id }).custom(sound))
    .min(1)
    .max(RACK_MOST)
    .unique('id')
    .required(),
});
