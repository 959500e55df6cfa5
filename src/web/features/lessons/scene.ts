import type { ReactNode } from 'react';

/** Something to move, by its name. */
export interface Dial {
  key: string;
  words: string;
  low: number;
  high: number;
  step: number;
  from: number;
  unit: 'mm' | 'kg' | 'N/mm' | 'km' | '' | 'times' | 'hand';
}

/** Where the dials stand, by name. */
export type Dials = Record<string, number>;

/** A figure that follows from where the dials stand. */
export interface SceneFigure {
  words: string;
  value: number;
  unit: 'mm' | 'kg' | 'N/mm' | '%' | '';
  decimals: number;
}

/** What a lesson has to move, what follows, and when it is where the lesson wants it. */
export interface Scene {
  dials: readonly Dial[];
  figures: (dials: Dials) => SceneFigure[];
  picture: (dials: Dials, onMove: (some: Dials) => void) => ReactNode;
  reached: (dials: Dials) => boolean;
}

/** A dial's place; nought for one that a scene does not have. */
export const at = (dials: Dials, key: string): number => dials[key] ?? 0;

/** Where every dial begins. */
export const begun = (scene: Scene): Dials =>
  Object.fromEntries(scene.dials.map(({ key, from }) => [key, from]));
