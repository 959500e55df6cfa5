import type { Footing } from '../geometry/reference.ts';

interface Symptom {
  id: string;
  on: readonly Footing[];
}

const everywhere: readonly Footing[] = ['wheels', 'sleds', 'bikes'];

/** What riders and drivers complain of. Sag and heights are right before anything against it is worth trying. */
const symptoms = [
  { id: 'bottoms', on: everywhere },
  { id: 'harsh', on: everywhere },
  { id: 'kicks', on: everywhere },
  { id: 'packs', on: everywhere },
  { id: 'rolls', on: ['wheels', 'bikes'] },
  { id: 'pushes', on: ['sleds'] },
  { id: 'lifts', on: ['sleds'] },
] as const satisfies readonly Symptom[];

export type SymptomId = (typeof symptoms)[number]['id'];

/** The symptoms that a machine of this footing can have. */
export function symptomsOn(footing: Footing): SymptomId[] {
  return symptoms.filter(({ on }: Symptom) => on.includes(footing)).map(({ id }) => id);
}
