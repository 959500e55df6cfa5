import Joi from 'joi';

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
}).required();
