import Joi from 'joi';
import { ratioSlots } from '#core/estimate/measuredRatio.ts';
import type { Fact, FactKind } from '#core/document/factKinds.ts';
import { allCorners, axleOf } from '#core/kinds/corners.ts';
import { newPartKinds } from '#core/kinds/newParts.ts';
import { aways } from '../api.ts';
import { limits } from '../limits.ts';
import { documentSchema } from './document.ts';
import { within } from './fromDescription.ts';
import { instant } from './instant.ts';
import { fileReadingSchema } from './picture.ts';

const uuid = Joi.string().guid({ separator: '-', wrapper: false });

const toldCorner = Joi.object({
  seatMm: within(limits.moveMm).required(),
  turns: within({ min: -1500, max: 1500 }).required(),
  stopAtMm: within({ min: -1000, max: 2000 }).allow(null).required(),
  mountMm: within(limits.moveMm),
  ringsMm: Joi.array()
    .items(within(limits.moveMm))
    .max(limits.springsPerCorner - 1),
  camTo: Joi.number()
    .strict()
    .integer()
    .min(0)
    .max(limits.camPlaces - 1),
  steps: within({ min: -1000, max: 1000 }),
  airToBar: within({ min: 0, max: 100 }),
  airByBar: within({ min: -100, max: 100 }),
  riseMm: within({ min: -2000, max: 2000 }),
  heightMm: within({ min: -4000, max: 4000 }),
  heightSdMm: within({ min: 0, max: 2000 }),
});

const told = Joi.object({
  corners: Joi.object(Object.fromEntries(allCorners.map((id) => [id, toldCorner]))).required(),
  chance: within({ min: 0, max: 1 }).required(),
});

const round = Joi.number().strict().integer().min(0).max(limits.rounds).required();
const corner = Joi.valid(...allCorners).required();
const nothing = Joi.valid(null).required();
const slot = Joi.string().min(1).max(16).required();

/** A fact's shape for one kind: its own fields, and none of another kind's. */
const fact = (kind: FactKind, fields: Record<string, Joi.Schema>) =>
  Joi.object({
    kind: Joi.valid(kind).required(),
    round,
    corner: nothing,
    slot,
    typed: Joi.string().min(1).max(limits.typedLength),
    remark: Joi.string().min(1).max(limits.labelLength),
    ...fields,
  });

const moved = { mm: within(limits.moveMm).required(), askedMm: within(limits.moveMm).allow(null).required() };
const done = { how: Joi.valid('done', 'skipped').required() };
const oneOf = (...slots: string[]) => Joi.valid(...slots).required();
const slotLike = (pattern: RegExp) => Joi.string().pattern(pattern).required();
/** As found, or as set; of a second ring likewise. */
const ringSlot = oneOf('found', 'set', 'found-2', 'set-2');

/** One standard deviation of a reading off a picture, mm. */
const pictureSd = within({ min: 0.01, max: 50 }).required();
const pictured = Joi.object({
  ownSdMm: pictureSd,
  sharedSdMm: pictureSd,
  pictureId: uuid.allow(null).required(),
});

const facts = {
  height: fact('height', { corner, mm: within(limits.heightMm).required(), picture: pictured }),
  collar: fact('collar', { corner, mm: within(limits.collarMm).required() }),
  'travel-used': fact('travel-used', {
    corner,
    mm: within({ min: 0, max: limits.travelMm.max }).required(),
  }),
  'ratio-length': fact('ratio-length', {
    corner,
    slot: oneOf(...ratioSlots),
    mm: within(limits.heightMm).required(),
  }),
  'damper-length': fact('damper-length', {
    corner,
    slot: oneOf('now'),
    mm: within(limits.damperMm).required(),
  }),
  settled: fact('settled', { how: Joi.string().min(1).max(limits.labelLength).required() }),
  aboard: fact('aboard', {
    slot: oneOf('case'),
    loadCase: Joi.number()
      .integer()
      .min(0)
      .max(limits.cases - 1)
      .required(),
  }),
  floor: fact('floor', {
    slot: oneOf('place'),
    place: Joi.string().min(1).max(limits.nameLength).required(),
    floorMm: Joi.object()
      .pattern(Joi.valid(...allCorners), within(limits.floorMm))
      .required(),
  }),
  plan: fact('plan', { told: told.required() }),
  adjustment: fact('adjustment', { corner, ...moved }),
  inflated: fact('inflated', {
    corner,
    bar: within({ min: -100, max: 100 }).required(),
    askedBar: within({ min: -100, max: 100 }).allow(null).required(),
  }),
  mount: fact('mount', { corner, ...moved }),
  ring: fact('ring', { corner, slot: oneOf('0', '1', '2'), ...moved }),
  prep: fact('prep', done),
  check: fact('check', done),
  // A tyre's, or a damper's gas charge.
  pressure: fact('pressure', { corner, bar: within({ ...limits.tyreBar, max: limits.gasBar }).required() }),
  // Of a corner, or the whole range of an end that is being bracketed.
  clicks: fact('clicks', {
    corner: corner.allow(null),
    slot: slotLike(/^(compression|rebound|b\d{1,3}-[fr][cr]-most)$/),
    clicks: within(limits.clicks).required(),
  }),
  toe: fact('toe', { slot: oneOf('front', 'rear'), mm: within(limits.heightMm).required() }),
  note: fact('note', { words: Joi.string().min(1).max(limits.noteLength).required() }),
  recheck: fact('recheck', {
    km: within(limits.recheckKm).allow(null).required(),
    day: Joi.string().isoDate().max(10).allow(null).required(),
  }),
  skid: fact('skid', {
    slot: oneOf('blocks', 'strap', 'ski-hole', 'rear-hole'),
    position: within(limits.skidPositions).integer().required(),
  }),
  pad: fact('pad', {
    corner,
    slot: slotLike(/^((c[1-5]-)?[1-3]|swapped-(front|rear))$/),
    kg: within(limits.wheelKg).required(),
  }),
  fuel: fact('fuel', { slot: oneOf('tank'), litres: within(limits.fuelL).required() }),
  'ring-gap': fact('ring-gap', { corner, slot: ringSlot, mm: within(limits.gapMm).required() }),
  'ring-seat': fact('ring-seat', { corner, slot: ringSlot, mm: within(limits.gapMm).required() }),
  'ring-place': fact('ring-place', { corner, slot: ringSlot, mm: within(limits.collarMm).required() }),
  'ring-second': fact('ring-second', { corner, slot: ringSlot, mm: within(limits.collarMm).required() }),
  link: fact('link', { corner, slot: oneOf('gap'), mm: within(limits.linkGapMm).required() }),
  camber: fact('camber', { corner, slot: oneOf('1'), degrees: within(limits.camberDeg).required() }),
  cycled: fact('cycled', {
    corner,
    slot: oneOf('bump', 'droop'),
    mm: within(limits.clearanceMm).required(),
    nearest: Joi.string().max(limits.labelLength).allow(null).required(),
  }),
  sag: fact('sag', {
    corner,
    slot: slotLike(/^(extended|(alone|r\d{1,2})-(press|lift|rest|band))-[1-3]$/),
    mm: within(limits.heightMm).required(),
    picture: pictured,
  }),
  fitted: fact('fitted', {
    corner: corner.allow(null),
    slot: slotLike(/^[a-z]+-(front|rear)$/),
    part: oneOf(...newPartKinds).required(),
    axle: oneOf('front', 'rear').required(),
    words: Joi.string().allow('').max(limits.labelLength).required(),
    kit: uuid.allow(null).required(),
    moreMm: within(limits.moveMm).allow(null).required(),
  }).custom((one: Fact<'fitted'>, helpers) =>
    one.corner !== null && axleOf(one.corner) !== one.axle ? helpers.error('any.invalid') : one,
  ),
  driven: fact('driven', { km: within(limits.recheckKm).required() }),
  clearance: fact('clearance', {
    corner,
    slot: slotLike(/^\d{1,2}$/),
    mm: within(limits.clearanceMm).required(),
  }),
  acknowledged: fact('acknowledged', { slot: Joi.string().min(1).max(48).required() }),
  locked: fact('locked', {}),
} satisfies Record<FactKind, Joi.Schema>;

const factSchema = Joi.alternatives().conditional('.kind', {
  switch: Object.entries(facts).map(([kind, then]) => ({ is: kind, then })),
  otherwise: Joi.object({ kind: Joi.valid(...Object.keys(facts)).required() }).unknown(),
});

const MAX_DEPTH = 8;

function depthOf(value: unknown): number {
  if (typeof value !== 'object' || value === null) return 0;
  return 1 + Math.max(0, ...Object.values(value).map(depthOf));
}

/** Any JSON that is no deeper than a job document can be. What it means is judged where it lands. */
const json = Joi.any()
  .required()
  .custom((value: unknown, helpers) => (depthOf(value) > MAX_DEPTH ? helpers.error('object.depth') : value));

const op = Joi.object({
  path: Joi.array().items(Joi.string().min(1).max(40)).min(1).max(6).required(),
  from: json,
  to: json,
});

const base = {
  id: uuid.required(),
  at: instant,
  label: Joi.string().min(1).max(limits.labelLength).required(),
  by: Joi.string().min(1).max(limits.personLength),
  undoOf: uuid.allow(null).required(),
  redoOf: uuid.allow(null).required(),
};

const shapes = {
  change: Joi.object({
    ...base,
    type: Joi.valid('change').required(),
    ops: Joi.array().items(op).min(1).max(limits.opsPerEntry).required(),
  }),
  fact: Joi.object({
    ...base,
    type: Joi.valid('fact').required(),
    fact: factSchema.required(),
    replaces: uuid.allow(null).required(),
  }),
  withdraw: Joi.object({ ...base, type: Joi.valid('withdraw').required(), of: uuid.required() }),
};

/** One entry of a job. */
export const entrySchema = Joi.alternatives().conditional('.type', {
  switch: Object.entries(shapes).map(([is, then]) => ({ is, then })),
  otherwise: Joi.object({ type: Joi.valid(...Object.keys(shapes)).required() }).unknown(),
});

/** A new job with its first entries. */
export const newJobSchema = Joi.object({
  id: uuid.required(),
  document: documentSchema.required(),
  entries: Joi.array().items(entrySchema).max(limits.entriesPerJob).required(),
});

/** A job's id in an address. */
export const jobIdSchema = uuid.required();

/** Entries of a job, in their order: the rest of a file that is too much to be sent at once. */
export const entriesSchema = Joi.object({
  entries: Joi.array().items(entrySchema).min(1).max(limits.entriesPerJob).required(),
}).required();

/** A job as a file holds it: with pictures, which are sent by themselves. */
export const fileSchema = newJobSchema.keys({
  pictures: Joi.array().items(
    Joi.object({
      id: uuid.required(),
      corner: corner.required(),
      at: instant.required(),
      jpeg: Joi.string().base64().required(),
      reading: fileReadingSchema,
    }),
  ),
});

/** What a picture is sent with; one that comes out of a file brings its id and its time. */
export const photoPlaceSchema = Joi.object({
  job: uuid.required(),
  corner,
  id: uuid,
  at: instant.optional(),
});
export const photoListSchema = Joi.object({ job: uuid.required() });

/** Which part of a list is asked for. */
const listParts = {
  // PostgreSQL holds no NUL, so that nothing is called by one.
  find: Joi.string().allow('').pattern(/\0/, { invert: true }).max(limits.nameLength).required(),
  offset: within({ min: 0, max: 1_000_000 }).integer().required(),
  limit: within({ min: 1, max: limits.listMost }).integer().required(),
};
export const listQuerySchema = Joi.object(listParts);
export const jobListSchema = Joi.object({
  ...listParts,
  shelf: Joi.valid('all', 'working', 'due', 'locked', ...aways).required(),
});

/** Where a job is put. */
export const awaySchema = Joi.object({ away: Joi.valid(...aways, null).required() });
