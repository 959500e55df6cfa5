import type { Situation } from '../estimate/belief.ts';
import type { Prediction } from '../estimate/predict.ts';

/** Predictions, each worked out once. */
export function remembered(of: (situation: Situation) => Prediction): (situation: Situation) => Prediction {
  const known = new Map<string, Prediction>();
  return (situation) => {
    const { seatsBy, mountsMm, ringsMm, km, floorBy, level, aboard } = situation;
    const key = [seatsBy, mountsMm, ringsMm?.join('/') ?? '', km, floorBy, level, aboard].join(';');
    const found = known.get(key) ?? of(situation);
    known.set(key, found);
    return found;
  };
}
