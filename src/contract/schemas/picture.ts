import Joi from 'joi';
import { allCorners } from '#core/kinds/corners.ts';
import { measures } from '#core/vision/measures.ts';
import { limits } from '../limits.ts';
import { within } from './fromDescription.ts';
import { instant } from './instant.ts';

const uuid = Joi.string().guid({ separator: '-', wrapper: false }).required();
const px = within({ min: -20_000, max: 20_000 }).required();
const sizePx = Joi.number().strict().integer().min(16).max(20_000).required();
const place = Joi.array()
  .items(within({ min: -20_000, max: 20_000 }))
  .length(2);
const deg = within({ min: -180, max: 180 }).required();

/** How a picture was read. */
const meta = Joi.object({
  widthPx: sizePx,
  heightPx: sizePx,
  leftPx: px,
  topPx: px,
  lens: Joi.object({
    focalPx: within({ min: 10, max: 100_000 }).required(),
    sdShare: within({ min: 0, max: 1 }).required(),
    bend: within({ min: -1, max: 1 }).required(),
    bendSd: within({ min: 0, max: 1 }).required(),
  }).required(),
  level: Joi.object({ pitchDeg: deg, rollDeg: deg }).allow(null).required(),
  levelFrom: Joi.valid('camera', 'sheet').allow(null).required(),
  rimMm: within(limits.rimMm).allow(null).required(),
  lipOutMm: within(limits.lipOutMm).allow(null).required(),
  isLipGiven: Joi.boolean().strict().required(),
  measure: Joi.valid(...measures).required(),
  pointed: Joi.object({
    rim: Joi.array().items(place).max(12).required(),
    point: place.allow(null).required(),
    other: place.allow(null).required(),
  }).required(),
  mm: within({ min: -3000, max: 3000 }).required(),
  sdMm: within({ min: 0, max: 100 }).required(),
  alongMm: within({ min: -3000, max: 3000 }).allow(null).required(),
  upMm: within({ min: -3000, max: 3000 }).allow(null).required(),
}).required();

const round = Joi.number().strict().integer().min(0).max(limits.rounds).required();

/** What makes a picture in a job file one that a height was read off. */
export const fileReadingSchema = Joi.object({ round, meta });

/** A picture that a height was read off, as it is sent; one that comes out of a file brings its time. */
export const readingPictureSchema = Joi.object({
  id: uuid,
  jobId: uuid,
  corner: Joi.valid(...allCorners).required(),
  round,
  at: instant.optional(),
  meta,
  jpeg: Joi.string().base64().max(limits.pictureBase64).required(),
});
