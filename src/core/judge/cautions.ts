import type { Stage } from '../job/nextAction.ts';

export interface Caution {
  words: string;
  why: string;
}

/** Cautions at the step where they apply. */
export const cautions: Partial<Record<Stage, readonly Caution[]>> = {
  turn: [
    {
      words: 'Support the machine on stands at its rated points and chock it before a wheel comes off.',
      why: 'A jack is for lifting, not for holding.',
    },
    {
      words: 'Take the weight off, clean and oil the thread, and back the lock ring off before turning.',
      why: 'A seat turned against full load strips its thread.',
    },
    {
      words: 'Leave the top nut of a loaded damper alone.',
      why: 'The spring behind it holds enough energy to kill. It needs a compressor made for the job.',
    },
    {
      words: 'Do not let the axle hang on brake hoses or sensor wires; keep fingers out of the coils.',
      why: 'Lines tear and levers slip.',
    },
  ],
  'close-out': [
    {
      words: 'No driving before every nut is at its torque, lines are free and the steering is checked.',
      why: 'The maker’s manual and the kit’s instructions give the figures, and stand above this sheet.',
    },
    { words: 'Align before the road.', why: 'Every change of height moves toe and camber.' },
  ],
};
