import Joi from 'joi';
import { machineClasses } from '#core/kinds/classes/index.ts';
import { limits } from '../limits.ts';

const name = Joi.string().trim().min(1).max(60).required();
const secret = Joi.string()
  .pattern(/^[\w-]{22}$/)
  .required();

/** POST /api/door/sign-in */
export const signInSchema = Joi.object({
  passphrase: Joi.string().min(1).max(200).required(),
  name,
}).required();

/** POST /api/door/knock */
export const knockSchema = Joi.object({ name }).required();

/** POST /api/door/look */
export const lookSchema = Joi.object({ secret, name }).required();

/** POST /api/devices/find */
export const findKnockSchema = Joi.object({
  digits: Joi.string()
    .pattern(/^\d{6}$/)
    .required(),
}).required();

/** POST /api/devices/let-in */
export const letInSchema = Joi.object({
  handle: Joi.string()
    .pattern(/^[0-9a-f]{64}$/)
    .required(),
}).required();

/** POST /api/devices/:id */
export const changeDeviceSchema = Joi.object({
  name: name.optional(),
  technician: Joi.string().allow('').max(60).optional(),
})
  .min(1)
  .required();

const mm = ({ min, max }: { min: number; max: number }) => Joi.number().strict().min(min).max(max);

/** POST /api/shop */
export const shopSettingsSchema = Joi.object({
  version: Joi.number().strict().integer().min(0).max(2_000_000_000).required(),
  shopName: Joi.string().allow('').max(80).required(),
  technicians: Joi.array().items(name.optional()).max(50).unique().required(),
  instruments: Joi.array()
    .items(
      Joi.object({
        id: Joi.string().guid({ separator: '-' }).lowercase().required(),
        name,
        address: Joi.string()
          .max(200)
          .pattern(/^wss?:\/\/[\w.-]+(:\d{1,5})?(\/\S*)?$/)
          .required(),
      }),
    )
    .max(20)
    .unique('id')
    .required(),
  // Pages from before there were these leave them out, and change nothing of them.
  logo: Joi.string().max(64).allow(null),
  tolerances: Joi.object(Object.fromEntries(machineClasses.map((one) => [one, mm(limits.toleranceMm)]))),
  sagWindows: Joi.array()
    .items(
      Joi.object({
        id: name,
        title: name,
        of: Joi.valid('static', 'rider').required(),
        at: Joi.valid('wheel').required(),
        unit: Joi.valid('mm').required(),
        low: mm(limits.sagMm).required(),
        high: mm(limits.sagMm).greater(Joi.ref('low')).required(),
        on: Joi.array()
          .items(Joi.valid(...machineClasses))
          .min(1)
          .max(machineClasses.length)
          .required(),
      }),
    )
    .max(100)
    .unique('id'),
}).required();
