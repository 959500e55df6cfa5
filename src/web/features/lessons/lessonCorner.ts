import { CornerModel, plainSetting } from '#core/machine/corner.ts';
import type { ContactDescription } from '#core/machine/description.ts';
import { restTravel } from '#core/machine/rest.ts';

const G = 9.80665;

/** One corner of a plain machine, with what a lesson changes of it. */
export interface LessonCorner {
  rateNPerMm: number;
  ratio: number;
  preloadMm: number;
  travelMm: number;
  /** Carried there by the spring. */
  kg: number;
  seatMm: number;
  mountMm: number;
}

export const plainCorner: LessonCorner = {
  rateNPerMm: 60,
  ratio: 0.7,
  preloadMm: 12,
  travelMm: 160,
  kg: 280,
  seatMm: 0,
  mountMm: 0,
};

/** How it stands: by the same mechanics as any job. */
export interface LessonStand {
  /** Travel used from full droop, which a longer mount lets hang lower. */
  droopMm: number;
  bumpMm: number;
  /** Body over where it stands with nothing done, mm. */
  bodyMm: number;
  springMm: number;
  wheelRateNPerMm: number;
}

const FREE_MM = 260;

/** Brings a corner to rest. */
export function standLesson(corner: LessonCorner): LessonStand {
  const contact: ContactDescription = {
    name: 'corner',
    axle: 'front',
    x: 0,
    y: 0,
    travelMm: corner.travelMm,
    ratio: { kind: 'constant', ratio: corner.ratio },
    springRatio: null,
    springs: {
      kind: 'stack',
      stack: { springs: [{ kind: 'linear', rateNPerMm: corner.rateNPerMm, solidMm: null }], rings: [] },
    },
    preloadMm: corner.preloadMm,
    gas: null,
    stop: null,
    topOut: null,
    tyreRateNPerMm: 220,
    unsprungKg: 35,
    padMm: 0,
  };
  const model = new CornerModel(contact, { ...plainSetting, seatBy: corner.seatMm, mountMm: corner.mountMm });
  const z = restTravel(model, corner.kg * G);
  model.evaluate(z);
  const plain = new CornerModel(contact);
  const hung = model.droopShiftMm;
  return {
    droopMm: z,
    bumpMm: model.zMax - z,
    bodyMm: hung + restTravel(plain, plainCorner.kg * G) - z,
    springMm: FREE_MM - Math.max(model.damperMm + model.preloadMm, 0),
    wheelRateNPerMm: model.rateNPerMm,
  };
}
