import Joi from 'joi';

const EARLIEST = Date.parse('2000-01-01T00:00:00Z');
const LATEST = Date.parse('2200-01-01T00:00:00Z');

/** A moment, ISO 8601, of these centuries. */
export const instant = Joi.string()
  .isoDate()
  .max(40)
  .required()
  .custom((text: string, helpers) => {
    const time = Date.parse(text);
    return time > EARLIEST && time < LATEST ? text : helpers.error('string.isoDate');
  });
