import { restTravel } from '../machine/rest.ts';
import type { CornerModel } from '../machine/corner.ts';
import { GRAVITY } from '../machine/solver.ts';

/** kg. What is put on, and what somebody pushes with by hand. */
export const MORE_KG = 20;

/** One setting of a seat, by what it does to who rides on it, mm at the wheel where nothing else is said. */
interface PreloadTold {
  riderSagMm: number;
  staticSagMm: number;
  /** How far the spring is closed with the rider on, mm along it. */
  closedMm: number;
  /** How much more it sinks with so much more on, the rider on. */
  moreSinksMm: number;
  /** How far it goes when somebody pushes on it with nobody on: that tries the travel that it droops by. */
  pushSinksMm: number;
  /** N/mm at the wheel with the rider on. */
  rateNPerMm: number;
}

/** What a corner does as it is wound, under loads in N at the wheel: with the same load its spring is as long, whatever its preload. */
export function preloadTold(model: CornerModel, loads: { alone: number; ridden: number }): PreloadTold {
  const moreN = MORE_KG * GRAVITY;
  const at = (wheelN: number) => restTravel(model, wheelN);
  const [riderSagMm, staticSagMm] = [at(loads.ridden), at(loads.alone)];
  model.evaluate(riderSagMm);
  return {
    riderSagMm,
    staticSagMm,
    closedMm: model.springAt(riderSagMm) + model.preloadMm,
    moreSinksMm: at(loads.ridden + moreN) - riderSagMm,
    pushSinksMm: at(loads.alone + moreN) - staticSagMm,
    rateNPerMm: model.rateNPerMm,
  };
}
