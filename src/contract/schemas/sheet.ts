import Joi from 'joi';
import { limits } from '../limits.ts';

const uuid = Joi.string().guid({ separator: '-', wrapper: false });

/** POST /api/sheets */
export const giveSheetSchema = Joi.object({
  jobId: uuid.required(),
  title: Joi.string().min(1).max(limits.nameLength).required(),
  html: Joi.string().min(1).max(limits.sheetLength).required(),
  css: Joi.string().allow('').max(limits.sheetLength).required(),
  days: Joi.number().strict().integer().min(1).max(limits.sheetDays).required(),
}).required();

/** GET /api/sheets?job= */
export const sheetListSchema = Joi.object({ job: uuid });
