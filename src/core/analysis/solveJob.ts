import type { Checked } from '../faults.ts';
import { axleOf, sideOf, type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { influence, readSolver, type ContactEquilibrium, type Influence } from '../machine/equilibrium.ts';
import { GRAVITY } from '../machine/solver.ts';
import { fit } from '../estimate/fit.ts';
import { simulate, type Outcome } from '../estimate/simulate.ts';
import { evidenceOf } from '../estimate/evidence.ts';
import { machineOf } from '../estimate/believed.ts';
import { extendedOf, sagRead } from '../estimate/sagEvidence.ts';
import { readRounds } from '../estimate/rounds.ts';
import type { JobRecord } from '../document/types.ts';

interface SolvedCorner extends ContactEquilibrium {
  /** Height as the sheet states it; null where none was read. */
  heightMm: number | null;
  padLoadKg: number;
}

export interface SolvedCase {
  loadCase: string;
  converged: boolean;
  corners: SolvedCorner[];
  totals: Totals;
  /** What one mm of each seat does, in the order of the corners; null where the machine does not stand firm. */
  influence: Influence | null;
}

/** What stands on the ground. */
interface Totals {
  totalKg: number;
  /** Shares of the total, 0 to 1. */
  front: number;
  left: number;
  /** (RF + LR) over the total; null where there are no four wheels. */
  crossRfLr: number | null;
  pitchMmPerM: number;
  rollMmPerM: number;
}

/** How a job's machine stands now, in each load case, with all that its readings have taught. */
export function solveJob(record: JobRecord): Checked<SolvedCase[]> {
  const { document } = record;
  const state = readRounds(record);
  const corners = cornersIn(document);
  const sagged = sagRead(state);
  const read = corners.filter(
    (id) => state.rounds[state.base]?.heights[id] !== undefined || sagged.includes(id),
  );
  const machine = machineOf(document, read, { extendedMm: extendedOf(document, state) });
  if (!machine.ok) return machine;
  const { rounds, sag } = evidenceOf(document, machine.value, state, read);
  const learnt = fit(machine.value.believed, [...rounds, ...sag]);
  const now = rounds.at(-1)?.situation ?? { seatsBy: [], mountsMm: [], km: 0, aboard: [] };
  return {
    ok: true,
    value: document.cases.map((loadCase, k) => {
      const outcome = simulate(machine.value.believed, learnt.values, {
        ...now,
        aboard: machine.value.aboard[k] ?? [],
      });
      return solved(loadCase, outcome, corners, read);
    }),
  };
}

function solved(
  loadCase: string,
  outcome: Outcome,
  corners: readonly CornerId[],
  read: readonly CornerId[],
): SolvedCase {
  const { contacts, body } = readSolver(outcome.solver, {
    converged: outcome.converged,
    iterations: 0,
    residualN: 0,
  });
  const kg = contacts.map(({ padLoadN }) => padLoadN / GRAVITY);
  const totalKg = kg.reduce((sum, one) => sum + one, 0);
  const share = (has: (id: CornerId) => boolean) =>
    corners.reduce((sum, id, i) => (has(id) ? sum + (kg[i] ?? 0) : sum), 0) / totalKg;
  return {
    loadCase,
    converged: outcome.converged,
    corners: contacts.map((contact, i) => {
      const at = read.indexOf(corners[i] as CornerId);
      return { ...contact, heightMm: at < 0 ? null : (outcome.heights[at] ?? null), padLoadKg: kg[i] ?? 0 };
    }),
    totals: {
      totalKg,
      front: share((id) => axleOf(id) === 'front'),
      left: share((id) => sideOf(id) > 0),
      crossRfLr:
        corners.length === 4 && corners.every((id) => sideOf(id) !== 0)
          ? share((id) => id === 'RF' || id === 'LR')
          : null,
      pitchMmPerM: body.pitchMmPerM,
      rollMmPerM: body.rollMmPerM,
    },
    influence: influence(outcome.solver),
  };
}
