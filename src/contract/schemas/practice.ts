import Joi from 'joi';
import { allCorners } from '#core/kinds/corners.ts';
import { machineClasses } from '#core/kinds/classes/index.ts';
import { limits } from '../limits.ts';
import { plainInstruments } from '../practice.ts';
import { practiceLevels, practiceWays } from '#core/practiceKinds.ts';

const uuid = Joi.string().guid({ separator: '-', wrapper: false }).lowercase();

/** POST /api/practice */
export const newPracticeSchema = Joi.object({
  id: uuid.required(),
  level: Joi.valid(...practiceLevels),
  machineClass: Joi.valid(...machineClasses, null),
  challengeId: uuid,
  jobId: uuid,
})
  .xor('level', 'challengeId', 'jobId')
  .and('level', 'machineClass')
  .required();

/** POST /api/practice/:id/tries */
export const newTrySchema = Joi.object({
  jobId: uuid.required(),
  way: Joi.valid(...practiceWays).required(),
  name: Joi.string().trim().min(1).max(limits.nameLength).required(),
}).required();

const mm = (most: number) => Joi.number().strict().min(-most).max(most).required();

/** POST /api/practice/tries/:job/read */
export const practiceReadingSchema = Joi.object({
  instrument: Joi.valid('tape', ...plainInstruments).required(),
  corner: Joi.valid(...allCorners).required(),
  placing: Joi.object({ endXMm: mm(200), endZMm: mm(200), topXMm: mm(200), eyeMm: mm(500) }).when(
    'instrument',
    {
      is: 'tape',
      then: Joi.required(),
      otherwise: Joi.forbidden(),
    },
  ),
}).required();

/** POST /api/practice/tries/:job/picture */
export const practicePictureSchema = Joi.object({
  corner: Joi.valid(...allCorners).required(),
}).required();

/** POST /api/practice/lessons/:lesson */
export const lessonSchema = Joi.string()
  .pattern(/^[a-z-]{3,40}$/)
  .required();
