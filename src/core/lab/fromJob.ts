import type { Answer } from '../planning/answerShape.ts';
import type { RatioDescription } from '../geometry/ratioMap.ts';
import { readSolver } from '../machine/equilibrium.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { CornerModel, CornerSetting } from '../machine/corner.ts';
import { GRAVITY } from '../machine/solver.ts';
import { differentCases } from '../stance/standing.ts';
import { benchOf, type Bench, type LabSetup } from './setup.ts';

/** Rows that a ratio of more than one number is handed over in. */
const ROWS = 24;

/**
 * One corner of a job as it will stand after the plan, with all that its readings have taught, as a setup for the bench;
 * null where it has no coils that anybody has named. Load cases carry what the springs of this wheel carry in them.
 */
export function setupFrom(answer: Answer, id: CornerId, name: string): LabSetup | null {
  const { document, machine, after, specifiedAfter, predictAt } = answer;
  const i = machine.corners.indexOf(id);
  const corner = document.corners[id];
  const answered = answer.corners.find((one) => one.id === id);
  const { outcome } = predictAt(specifiedAfter);
  const model = outcome.solver.corners[i];
  const setting = outcome.settings[i];
  const named = machine.sources[id].springs !== 'assumed';
  if (!answered || !model?.stack || !setting || !named || corner.torsion || corner.air) return null;
  const scales = setting.springScales;
  const { spec } = answered;
  return {
    name,
    travelMm: spec.travelMm.value,
    ratio: ratioOf(model, setting),
    springRatio:
      corner.springRatio === null
        ? null
        : { kind: 'constant', ratio: corner.springRatio * setting.ratioScale },
    springs: corner.springs.map((spring, k) => ({
      ...spring,
      rateNPerMm: spring.rateNPerMm === null ? null : spring.rateNPerMm * (scales[k] ?? 1),
      rows: spring.rows?.map(([mm, n]) => [mm, n * (scales[k] ?? 1)]) ?? null,
    })),
    rings: corner.rings.map(({ after: slider, limitMm, on }, j) => ({
      after: slider,
      on,
      limitMm: limitMm - (after.ringsMm?.[i]?.[j] ?? 0),
    })),
    preloadMm: model.preloadMm,
    pitchMm: spec.pitchMm.value,
    collar: answered.stopAtMm === null ? null : { readsMm: answered.stopAtMm, grows: corner.collar.grows },
    stop: corner.stopRows && { leftMm: spec.stopMm.value, rows: corner.stopRows },
    gas: corner.gas,
    cases: casesOf(answer, i),
  };
}

/** The bench of a corner, where it can be set up. */
export function benchFrom(answer: Answer, id: CornerId, name: string): Bench | null {
  const setup = setupFrom(answer, id, name);
  const made = setup && benchOf(setup);
  return made?.ok ? made.value : null;
}

/**
 * The ratio as learnt. A nominal one keeps its form: with MR = scale r (1 + rise z / zMax), and what was learnt of its
 * growth added; any other is handed over as pairs.
 */
export function ratioOf(model: CornerModel, { ratioScale, ratioRise }: CornerSetting): RatioDescription {
  const { ratio, travelMm } = model.description;
  if (ratio.kind === 'constant') {
    const rise = ratio.rise ?? 0;
    return { kind: 'constant', ratio: ratio.ratio * ratioScale, rise: rise + ratioRise * (1 + rise / 2) };
  }
  const shift = model.droopShiftMm;
  const base = model.damperAt(shift);
  const rows = Array.from({ length: ROWS + 1 }, (_, k): [number, number] => {
    const z = (travelMm * k) / ROWS;
    return [z, model.damperAt(z + shift) - base];
  });
  return { kind: 'table', rows };
}

/** What the springs of a contact carry in every load case, the one that targets are for first. */
function casesOf(
  { document, machine, specifiedAfter, predictAt, after }: Answer,
  i: number,
): LabSetup['cases'] {
  const carried = (aboard: readonly boolean[]) => {
    const { outcome } = predictAt({ ...after, aboard });
    const { contacts } = readSolver(outcome.solver, { converged: true, iterations: 0, residualN: 0 });
    const corner = outcome.solver.corners[i] as CornerModel;
    corner.evaluate(contacts[i]?.travelMm ?? 0);
    return corner.forceN / GRAVITY;
  };
  const all = differentCases(machine).map((k) => ({
    name: document.cases[k] || 'as measured',
    aboard: machine.aboard[k] ?? [],
  }));
  const wanted = specifiedAfter.aboard.join();
  const first = all.filter(({ aboard }) => aboard.join() === wanted);
  return [...first, ...all.filter((one) => !first.includes(one))].map(({ name, aboard }) => ({
    name,
    kg: Math.max(carried(aboard), 1),
  }));
}
