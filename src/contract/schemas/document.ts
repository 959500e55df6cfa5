import Joi from 'joi';
import { referenceKinds } from '#core/geometry/reference.ts';
import { cornerIds } from '#core/machine/body.ts';
import { machineClasses } from '#core/machine/classes.ts';
import { limits } from '../limits.ts';

interface Range {
  min: number;
  max: number;
}

/** A finite number in a range. */
export const within = ({ min, max }: Range) => Joi.number().strict().min(min).max(max);
const optional = (range: Range) => within(range).allow(null).required();

const corner = Joi.object({
  reference: Joi.object({
    kind: Joi.valid(...Object.keys(referenceKinds)).required(),
    offsetMm: within(limits.offsetMm).required(),
  }).required(),
  targetMm: optional(limits.heightMm),
  ratio: optional(limits.ratio),
  pitchMm: optional(limits.pitchMm),
  travelMm: optional(limits.travelMm),
  stopMm: optional(limits.stopMm),
  collar: Joi.object({
    datum: Joi.string().allow('').max(limits.nameLength).required(),
    grows: Joi.valid('with-seat', 'against-seat').required(),
    minMm: optional(limits.collarMm),
    maxMm: optional(limits.collarMm),
  })
    .required()
    .custom((collar: { minMm: number | null; maxMm: number | null }, helpers) =>
      collar.minMm !== null && collar.maxMm !== null && collar.minMm >= collar.maxMm
        ? helpers.error('collar.order')
        : collar,
    )
    .messages({ 'collar.order': 'the least collar reading must be below the greatest' }),
});

/** A whole job document. */
export const documentSchema = Joi.object({
  schema: Joi.valid('margin-job').required(),
  schemaVersion: Joi.valid(1).required(),
  name: Joi.string().trim().min(1).max(limits.nameLength).required(),
  machine: Joi.object({
    class: Joi.valid(...machineClasses).required(),
    title: Joi.string().allow('').max(limits.nameLength).required(),
    wheelbaseMm: optional(limits.baseMm),
    trackFrontMm: optional(limits.baseMm),
    trackRearMm: optional(limits.baseMm),
  }).required(),
  load: Joi.string().allow('').max(limits.labelLength).required(),
  toleranceMm: optional(limits.toleranceMm),
  equalSides: Joi.boolean().strict().required(),
  note: Joi.string().allow('').max(limits.noteLength).required(),
  corners: Joi.object(Object.fromEntries(cornerIds.map((id) => [id, corner.required()]))).required(),
});
