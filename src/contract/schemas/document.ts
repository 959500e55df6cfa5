import { jobField } from '#core/document/description/job.ts';
import { faultTold } from '#words/faults.ts';
import { cornerFault } from '#core/kinds/classes/index.ts';
import type { MachineClass } from '#core/kinds/classes/index.ts';
import type Joi from 'joi';
import { schemaOf } from './fromDescription.ts';

/** A whole job document, as its description has it. */
export const documentSchema = (schemaOf(jobField) as Joi.ObjectSchema)
  .optional()
  .custom((value: { machine: { class: MachineClass }; corners: object }, helpers) => {
    const fault = cornerFault(value.machine.class, Object.keys(value.corners));
    return fault ? helpers.error('corners', { want: faultTold(fault).want }) : value;
  })
  .messages({ corners: 'expected {#want}' });
