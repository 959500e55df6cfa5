/** What is seen to before anything is measured. */
export type PrepId =
  | 'pressures'
  | 'floor'
  | 'load'
  | 'bars'
  | 'bushes'
  | 'track'
  | 'straight'
  | 'damping'
  | 'gas';

/** What is seen to before it goes out. */
export type CloseId =
  | 'locked'
  | 'coils'
  | 'bushes'
  | 'links'
  | 'clear'
  | 'travel'
  | 'strap'
  | 'lamps'
  | 'gas'
  | 'alignment'
  | 'chain'
  | 'stand';

/** What riders and drivers complain of. Sag and heights are right before anything against it is worth trying. */
export type SymptomId = 'bottoms' | 'harsh' | 'kicks' | 'packs' | 'rolls';

/** Where work on a class of machine can hurt somebody beside what holds for all of them. */
type ClassCaution = 'lines' | 'alignment' | 'law';

/** Where work on what stands beside an adjuster's seat can hurt somebody. */
export type AdjusterCaution = 'engagement' | 'clamps' | 'thread' | 'top-nut';

/** Where work on what pushes in place of coils can hurt somebody. */
export type WayCaution = 'torsion' | 'gas';

/** What is seen to on a machine, and what it may do wrong, each in the order of the work. */
export interface SeeTo {
  prep: readonly PrepId[];
  closeOut: readonly CloseId[];
  symptoms: readonly SymptomId[];
  cautions: readonly ClassCaution[];
}

export const onFourWheels: SeeTo = {
  prep: ['pressures', 'floor', 'load', 'bars', 'bushes', 'damping', 'gas'],
  closeOut: ['locked', 'coils', 'bushes', 'links', 'clear', 'travel', 'lamps', 'gas', 'alignment'],
  symptoms: ['bottoms', 'harsh', 'kicks', 'packs', 'rolls'],
  cautions: ['lines', 'alignment', 'law'],
};

export const onTwoWheels: SeeTo = {
  prep: ['pressures', 'floor', 'load', 'straight', 'damping', 'gas'],
  closeOut: ['locked', 'clear', 'travel', 'chain', 'stand', 'lamps', 'gas'],
  symptoms: ['bottoms', 'harsh', 'kicks', 'packs', 'rolls'],
  cautions: ['lines', 'law'],
};

export const onSkis: SeeTo = {
  prep: ['floor', 'load', 'track', 'damping', 'gas'],
  closeOut: ['locked', 'clear', 'travel', 'strap', 'gas', 'alignment'],
  symptoms: ['bottoms', 'harsh', 'kicks', 'packs'],
  cautions: ['alignment'],
};
