import type { Answer } from '../planning/answerShape.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { CornerModel } from '../machine/corner.ts';
import { readSolver, type ContactEquilibrium } from '../machine/equilibrium.ts';
import { bodyRise } from './body.ts';

/** How one corner stands in one load case, after the plan. */
export interface Standing extends ContactEquilibrium {
  id: CornerId;
  loadCase: string;
  /** One standard deviation of the travel used, mm. */
  travelSdMm: number;
  /** mm the body stands higher over this wheel than at the baseline. */
  risenMm: number;
  corner: CornerModel;
  /** mm the body stands higher over a place of the ground than at the baseline, tyres and all. */
  bodyRise: (x: number, y: number) => number;
  /** mm that each crossover ring has been moved towards the springs since the baseline. */
  ringsMm: readonly number[];
}

/** Every read corner in every load case that differs from the others, the measured one first. */
export function standings(answer: Answer): Standing[] {
  const { document, machine, fit, after, predictAt, state } = answer;
  const baseline = fit.rounds[state.base]?.travel ?? [];
  return differentCases(answer.machine).flatMap((k) => {
    const situation = { ...after, aboard: machine.aboard[k] ?? after.aboard };
    const { outcome, travelSd } = predictAt(situation);
    const rise = bodyRise(answer, situation);
    const { contacts } = readSolver(outcome.solver, {
      converged: outcome.converged,
      iterations: 0,
      residualN: 0,
    });
    return answer.corners.map(({ id, travelShiftMm }): Standing => {
      const i = machine.corners.indexOf(id);
      const contact = contacts[i] as ContactEquilibrium;
      return {
        ...contact,
        travelMm: contact.travelMm + travelShiftMm,
        bumpLeftMm: contact.bumpLeftMm - travelShiftMm,
        id,
        loadCase: document.cases[k] ?? '',
        travelSdMm: travelSd[i] ?? 0,
        risenMm: (baseline[i] ?? contact.travelMm) - contact.travelMm,
        bodyRise: rise,
        corner: outcome.solver.corners[i] as CornerModel,
        ringsMm: outcome.settings[i]?.ringsMm ?? [],
      };
    });
  });
}

/** Heights after the plan in every load case that differs from the others, by corner read, mm. */
export function casesAfter(answer: Answer): { loadCase: string; index: number; heightsMm: number[] }[] {
  const { document, machine, after, predictAt } = answer;
  return differentCases(answer.machine).map((k) => ({
    loadCase: document.cases[k] ?? '',
    index: k,
    heightsMm: predictAt({ ...after, aboard: machine.aboard[k] ?? after.aboard }).mean,
  }));
}

/** Indices of the load cases, those left out that have the same aboard as an earlier one. */
export function differentCases({ aboard: byCase }: Answer['machine']): number[] {
  const keys = byCase.map((aboard) => aboard.join());
  return keys.flatMap((key, k) => (keys.indexOf(key) === k ? [k] : []));
}
