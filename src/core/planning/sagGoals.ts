import { sagWish } from '../document/sagWish.ts';
import type { JobDocument } from '../document/types.ts';
import type { JobMachine } from '../estimate/believed.ts';
import type { RoundsState } from '../estimate/rounds.ts';
import type { Situation } from '../estimate/belief.ts';
import type { Prediction } from '../estimate/predict.ts';
import { askedCorners } from '../estimate/sagEvidence.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { ExtraGoal } from './goals.ts';

/** What sags are predicted and wanted by. */
interface Wished {
  document: JobDocument;
  machine: JobMachine;
  now: Situation;
  /** What the targets are for. */
  specified: Partial<Situation>;
  state: RoundsState;
  predictAt: (situation: Situation) => Prediction;
}

/** What is predicted where the sag of a corner is wanted: as the targets are meant, or with nobody on. */
export function sagPrediction(
  setting: Pick<Wished, 'document' | 'machine' | 'specified' | 'predictAt'>,
  id: CornerId,
  situation: Situation,
): Prediction {
  const { document, machine, specified, predictAt } = setting;
  const then = { ...situation, ...specified };
  return predictAt(sagWish(document, id)?.who === 'alone' ? { ...then, aboard: machine.alone } : then);
}

/**
 * The sags that are wanted of the corners that are asked for, as goals where the targets are met. One that is wanted with
 * nobody on stands there for what the rider adds to it, as the machine is known.
 */
export function sagGoals(setting: Wished): ExtraGoal[] {
  const { document, machine, now, specified, state, predictAt } = setting;
  const asked = askedCorners(document, state);
  return machine.corners.flatMap((id, contact): ExtraGoal[] => {
    const wish = sagWish(document, id);
    if (!wish || !asked.includes(id)) return [];
    const at = (prediction: Prediction) => prediction.travel[contact] ?? 0;
    const addsMm =
      wish.who === 'alone'
        ? at(predictAt({ ...now, ...specified })) - at(sagPrediction(setting, id, now))
        : 0;
    const { window } = wish;
    return [
      {
        kind: 'sag',
        contact,
        target: wish.mm + addsMm,
        window: window && { fromMm: window.fromMm + addsMm, toMm: window.toMm + addsMm },
      },
    ];
  });
}
