import Joi from 'joi';
import { kitField } from '#core/kits/kit.ts';
import { schemaOf } from './fromDescription.ts';

/** POST /api/kits */
export const putKitSchema = Joi.object({
  id: Joi.string().guid({ separator: '-' }).lowercase().required(),
  version: Joi.number().strict().integer().min(1).allow(null).required(),
  kit: schemaOf(kitField),
});
