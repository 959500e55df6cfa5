import Joi from 'joi';
import { linkagePlaces } from '#core/geometry/linkage.ts';
import { referenceKinds } from '#core/geometry/reference.ts';
import { fittings } from '#core/document/fitting.ts';
import { suspensionTypes } from '#core/kinds/suspension.ts';
import { allCorners, cornerFault } from '#core/machine/body.ts';
import { machineClasses, type MachineClass } from '#core/machine/classes.ts';
import { limits } from '../limits.ts';

interface Range {
  min: number;
  max: number;
}

/** A finite number in a range. */
export const within = ({ min, max }: Range) => Joi.number().strict().min(min).max(max);
const optional = (range: Range) => within(range).allow(null).required();

const rows = (x: Range, y: Range) =>
  Joi.array()
    .items(Joi.array().ordered(within(x).required(), within(y).required()))
    .min(2)
    .max(limits.tableRows);

const name = Joi.string().allow('').max(limits.nameLength).required();

const spring = Joi.object({
  name,
  kind: Joi.valid('linear', 'table').required(),
  rateNPerMm: optional(limits.springRateNPerMm),
  rows: rows({ ...limits.springMm, min: 0 }, limits.springN)
    .allow(null)
    .required(),
  freeLengthMm: optional(limits.springMm),
  solidLengthMm: optional(limits.springMm),
  tender: Joi.boolean().strict().required(),
})
  .unknown()
  .custom((value: { freeLengthMm: number | null; solidLengthMm: number | null }, helpers) =>
    value.freeLengthMm !== null && value.solidLengthMm !== null && value.solidLengthMm >= value.freeLengthMm
      ? helpers.error('spring.order')
      : value,
  )
  .messages({ 'spring.order': 'the solid length must be below the free length' });

const ring = Joi.object({
  after: Joi.number()
    .strict()
    .integer()
    .min(0)
    .max(limits.springsPerCorner - 2)
    .required(),
  limitMm: within({ min: -300, max: 1000 }).required(),
  on: Joi.valid('body', 'seat').required(),
  gapMm: optional(limits.gapMm),
}).unknown();

const place = Joi.array().ordered(within(limits.placeMm).required(), within(limits.placeMm).required());

const ratioFrom = Joi.alternatives().conditional('.kind', {
  switch: [
    {
      is: 'constant',
      then: Joi.object({
        kind: Joi.required(),
        ratio: within(limits.ratio).required(),
        rise: within({ min: -0.9, max: 3 }),
      }),
    },
    {
      is: 'levers',
      then: Joi.object({
        kind: Joi.required(),
        damperLeverMm: within(limits.springMm).required(),
        wheelLeverMm: within(limits.springMm).required(),
        damperAngleDeg: within({ min: 5, max: 175 }).required(),
      }),
    },
    {
      is: 'table',
      then: Joi.object({
        kind: Joi.required(),
        rows: rows({ min: 0, max: 2000 }, { min: 0, max: 2000 }).required(),
      }),
    },
    {
      is: 'linkage',
      then: Joi.object({
        kind: Joi.required(),
        ...Object.fromEntries(linkagePlaces.map((key) => [key, place.required()])),
        linkLongerMm: within({ min: -100, max: 100 }),
      }),
    },
  ],
  otherwise: Joi.object({ kind: Joi.valid('constant', 'levers', 'table', 'linkage').required() }).unknown(),
});

const gas = Joi.object({
  gaugeBar: within({ min: 0, max: 100 }).required(),
  volumeCm3: within({ min: 1, max: 100000 }).required(),
  areaMm2: within({ min: 1, max: 100000 }).required(),
  exponent: within({ min: 1, max: 1.7 }).required(),
}).unknown();

const torsion = Joi.object({
  rateNMmPerDeg: within(limits.torsionNMmPerDeg).required(),
  count: Joi.valid(1, 2).required(),
  leverMm: within(limits.springMm).required(),
  camDegrees: Joi.array()
    .items(within({ min: 0, max: 360 }))
    .min(1)
    .max(limits.cams)
    .required(),
  mostDegrees: optional({ min: 1, max: 720 }),
}).unknown();

const chamber = {
  gaugeBar: within({ min: 0, max: 100 }).required(),
  volumeCm3: within({ min: 1, max: 100000 }).required(),
};

const air = Joi.object({
  ...chamber,
  areaMm2: within({ min: 1, max: 100000 }).required(),
  exponent: within({ min: 1, max: 1.7 }).required(),
  second: Joi.object(chamber).unknown().allow(null).required(),
}).unknown();

const ordered = (low: string, high: string) => (value: Record<string, number>, helpers: Joi.CustomHelpers) =>
  (value[low] as number) >= (value[high] as number) ? helpers.error('sag.order') : value;

const mount = Joi.object({
  pitchMm: within(limits.pitchMm).required(),
  threadMm: optional(limits.threadMm),
  engagedMm: optional(limits.clearanceMm),
  leastMm: optional(limits.clearanceMm),
  mostMm: optional(limits.clearanceMm),
}).unknown();

const clearance = Joi.object({
  name,
  nowMm: within(limits.clearanceMm).required(),
  perMm: within({ min: -5, max: 5 }).required(),
  leastMm: within(limits.clearanceMm).required(),
  atMm: optional(limits.heightMm),
  rows: rows(limits.moveMm, limits.clearanceMm).allow(null).required(),
})
  .unknown()
  .custom((value: { rows: [number, number][] | null }, helpers) =>
    value.rows?.some(([x], k) => k > 0 && x <= (value.rows?.[k - 1]?.[0] ?? -Infinity))
      ? helpers.error('rows.order')
      : value,
  )
  .messages({ 'rows.order': 'the heights of the table must grow from row to row' });

const boot = Joi.object({
  name,
  nowDeg: within(limits.jointDeg).required(),
  mostDeg: within({ min: 1, max: 89 }).required(),
  shaftMm: within(limits.springMm).required(),
}).unknown();

const bar = Joi.object({
  rateNPerMm: within(limits.barRateNPerMm).required(),
  hooked: Joi.boolean().strict().required(),
  linkMm: optional(limits.linkMm),
  linkPerWheel: optional(limits.linkPerWheel),
}).unknown();

const axles = (range: Range) => Joi.object({ front: optional(range), rear: optional(range) }).required();

const lowPoint = Joi.object({
  name,
  xMm: within(limits.placeMm).required(),
  yMm: within(limits.placeMm).required(),
  nowMm: within(limits.heightMm).required(),
  leastMm: optional(limits.heightMm),
}).unknown();

const load = Joi.object({
  name,
  kg: within(limits.wheelKg).required(),
  xMm: within(limits.placeMm).required(),
  yMm: within(limits.placeMm).required(),
  aboard: Joi.array().items(Joi.boolean().strict()).max(limits.cases).required(),
}).unknown();

const sagWindow = Joi.object({
  fromMm: within(limits.sagMm).required(),
  toMm: within(limits.sagMm).required(),
})
  .custom(ordered('fromMm', 'toMm'))
  .messages({ 'sag.order': 'the least sag must be below the most' });

const rider = Joi.object({
  key: Joi.string()
    .pattern(/^r\d{1,2}$/)
    .required(),
  name: Joi.string().trim().min(1).max(limits.nameLength).required(),
  kg: within(limits.riderKg).required(),
  gearKg: within(limits.gearKg).required(),
  rearShare: optional(limits.share),
  passengerKg: within(limits.wheelKg).required(),
  luggageKg: within(limits.wheelKg).required(),
}).unknown();

const corner = Joi.object({
  reference: Joi.object({
    kind: Joi.valid(...Object.keys(referenceKinds)).required(),
    offsetMm: within(limits.offsetMm).required(),
    aheadMm: within(limits.placeMm).required(),
  }).required(),
  targetMm: optional(limits.heightMm),
  weight: optional(limits.weight),
  sagMm: optional(limits.sagMm),
  sagWindow: sagWindow.allow(null).required(),
  staticWindow: sagWindow.allow(null).required(),
  suspension: Joi.string()
    .pattern(new RegExp(`^(${suspensionTypes.join('|')})$`))
    .allow(null)
    .required(),
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
  ratioFrom: ratioFrom.allow(null).required(),
  springRatio: optional(limits.ratio),
  springs: Joi.array().items(spring).max(limits.springsPerCorner).required(),
  rings: Joi.array()
    .items(ring)
    .max(limits.springsPerCorner - 1)
    .required(),
  torsion: torsion.allow(null).required(),
  cam: Joi.number()
    .strict()
    .integer()
    .min(0)
    .max(limits.cams - 1)
    .allow(null)
    .required(),
  air: air.allow(null).required(),
  preloadMm: optional(limits.preloadMm),
  roomMm: optional(limits.roomMm),
  gas: gas.allow(null).required(),
  stopRows: rows({ min: 0, max: 500 }, limits.springN).allow(null).required(),
  fitting: Joi.valid(...Object.keys(fittings)).required(),
  adjustable: Joi.boolean().strict().required(),
  stepMm: optional(limits.stepMm),
  mount: mount.allow(null).required(),
  tyreRateNPerMm: optional(limits.tyreRateNPerMm),
  unsprungKg: optional(limits.wheelKg),
  loadKg: optional(limits.wheelKg),
  clearances: Joi.array().items(clearance).max(limits.loads).required(),
  boots: Joi.array().items(boot).max(limits.loads).required(),
  floorMm: optional(limits.floorMm),
  padFactor: optional(limits.padFactor),
  camberPerMm: optional(limits.camberPerMm),
}).unknown();

const eachCorner = (schema: Joi.Schema) =>
  Joi.object(Object.fromEntries(allCorners.map((id) => [id, schema]))).required();

const learnt = Joi.object({
  from: name,
  ratios: eachCorner(
    Joi.object({
      ratio: within({ min: 0.02, max: 3 }).required(),
      sd: within({ min: 0.001, max: 1 }).required(),
    }),
  ),
  settled: eachCorner(
    Joi.object({
      lostMm: within({ min: -50, max: 100 }).required(),
      sdMm: within({ min: 0.01, max: 100 }).required(),
      km: within(limits.recheckKm).required(),
    }),
  ),
}).unknown();

/** A whole job document. */
export const documentSchema = Joi.object({
  schema: Joi.valid('margin-job').required(),
  schemaVersion: Joi.valid(7).required(),
  name: Joi.string().trim().min(1).max(limits.nameLength).required(),
  machine: Joi.object({
    class: Joi.valid(...machineClasses).required(),
    title: Joi.string().allow('').max(limits.nameLength).required(),
    id: Joi.string().uuid().allow(null).required(),
    learnt: learnt.allow(null).required(),
    wheelbaseMm: optional(limits.baseMm),
    trackFrontMm: optional(limits.baseMm),
    trackRearMm: optional(limits.baseMm),
    armAheadMm: optional({ min: 50, max: 2000 }),
    massKg: optional(limits.machineKg),
    frontShare: optional(limits.share),
    tankL: optional(limits.tankL),
  })
    .unknown()
    .required(),
  riders: Joi.array().items(rider).max(limits.riders).unique('key').required(),
  sagRead: Joi.object({
    gear: Joi.boolean().strict().required(),
    luggage: Joi.boolean().strict().required(),
    fuel: within({ min: 0, max: 1 }).required(),
  })
    .unknown()
    .required(),
  cases: Joi.array().items(Joi.string().min(1).max(limits.nameLength)).min(2).max(limits.cases).required(),
  loads: Joi.array().items(load).max(limits.loads).required(),
  bars: Joi.object({ front: bar.allow(null).required(), rear: bar.allow(null).required() }).required(),
  settlingMm: optional(limits.settlingMm),
  steering: Joi.object({
    toeMm: optional({ min: -20, max: 20 }),
    toePerMm: optional(limits.toePerMm),
    tyreMm: optional({ min: 200, max: 1500 }),
    armMm: optional({ min: 40, max: 400 }),
    pitchMm: optional({ min: 0.5, max: 5 }),
  })
    .unknown()
    .required(),
  skid: Joi.object({
    blockPositions: within(limits.skidPositions).integer().required(),
    strapHoles: within(limits.skidPositions).integer().required(),
  })
    .unknown()
    .allow(null)
    .required(),
  load: Joi.string().allow('').max(limits.labelLength).required(),
  toleranceMm: optional(limits.toleranceMm),
  equalSides: Joi.boolean().strict().required(),
  // A pattern, since a list of values loses its null in the published schema.
  hardEnd: Joi.string()
    .pattern(/^(front|rear)$/)
    .allow(null)
    .required(),
  crossTarget: optional(limits.share),
  crossWeight: optional(limits.crossWeight),
  frontEqual: Joi.boolean().strict().required(),
  stance: Joi.object({
    tyreMm: axles(limits.tyreMm),
    nextTyreMm: axles(limits.tyreMm),
    points: Joi.array().items(lowPoint).max(limits.loads).required(),
  })
    .unknown()
    .required(),
  note: Joi.string().allow('').max(limits.noteLength).required(),
  corners: Joi.object(Object.fromEntries(allCorners.map((id) => [id, corner]))).required(),
})
  .custom((value: { machine: { class: MachineClass }; corners: object }, helpers) => {
    const fault = cornerFault(value.machine.class, Object.keys(value.corners));
    return fault ? helpers.error('corners', { want: fault.want }) : value;
  })
  .messages({ corners: 'expected {#want}' })
  // The file is open: what others have added to it is kept.
  .unknown();
