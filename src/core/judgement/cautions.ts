import { adjusterOf } from '../kinds/adjusters/index.ts';
import type { Footing } from '../geometry/reference.ts';
import type { Stage } from './nextAction.ts';
import type { JobDocument } from '../document/types.ts';
import { cornersIn, footingOf } from '../kinds/classes/index.ts';

export interface Caution {
  id: string;
  words: string;
  why: string;
}

interface Rule extends Caution {
  at: Stage;
  /** Where it applies; left out, everywhere. */
  on?: readonly Footing[];
  /** Whether what is fitted calls for it; left out, always. */
  when?: (document: JobDocument) => boolean;
}

const anyCorner =
  (is: (corner: JobDocument['corners']['LF']) => boolean) =>
  (document: JobDocument): boolean =>
    cornersIn(document).some((id) => is(document.corners[id]));

const rules: readonly Rule[] = [
  {
    id: 'stands',
    at: 'turn',
    words: 'Support the machine on stands at its rated points and chock it before a wheel comes off.',
    why: 'A jack is for lifting, not for holding.',
  },
  {
    id: 'thread',
    at: 'turn',
    words:
      'Take the weight off, clean and oil the thread, mind its direction, and back the lock ring off before turning.',
    why: 'A seat turned against full load strips its thread.',
  },
  {
    id: 'top-nut',
    at: 'turn',
    words:
      'Never undo the top nut of a damper on a loaded spring without a compressor made for it, fitted squarely.',
    why: 'The spring behind it holds enough energy to kill. Hand tools, each side in turn, never an impact driver; hands and face out of line.',
  },
  {
    id: 'lines',
    at: 'turn',
    on: ['wheels', 'bikes'],
    words: 'Do not let the axle or a caliper hang on brake hoses or sensor wires.',
    why: 'Lines tear inside before they show it.',
  },
  {
    id: 'pinch',
    at: 'turn',
    words: 'Keep fingers out of the coils and clear of pinch points when levering.',
    why: 'Levers slip.',
  },
  {
    id: 'torsion',
    at: 'turn',
    when: anyCorner(({ torsion }) => torsion !== null),
    words: 'Turn a cam with the tool made for it and stand clear of the spring’s leg.',
    why: 'The leg strikes when the tool slips off.',
  },
  {
    id: 'engagement',
    at: 'turn',
    when: anyCorner(({ fitting }) => adjusterOf(fitting).beside === 'lower mount'),
    words: 'Never run a lower mount past its least thread: the witness hole stays covered.',
    why: 'A mount that lets go drops the corner.',
  },
  {
    id: 'gas',
    at: 'turn',
    when: anyCorner(({ gas, air }) => gas !== null || air !== null),
    words: 'Gas and air only with the right pump or tool, weight off; never open a unit under pressure.',
    why: 'Valves and caps leave it like a shot.',
  },
  {
    id: 'clamps',
    at: 'turn',
    when: anyCorner(({ fitting }) => adjusterOf(fitting).beside === 'tubes in clamps'),
    words: 'Hold the front up before a fork clamp is loosened, one clamp at a time.',
    why: 'The chassis comes down on the tubes.',
  },
  {
    id: 'torque',
    at: 'close-out',
    words: 'No driving before every nut is at its torque, lines are free and the steering is checked.',
    why: 'The maker’s manual, the kit’s instructions and a qualified technician give the figures, and stand above this sheet.',
  },
  {
    id: 'alignment',
    at: 'close-out',
    on: ['wheels', 'sleds'],
    words: 'Align before the road.',
    why: 'Every change of height moves toe and camber.',
  },
  {
    id: 'law',
    at: 'close-out',
    on: ['wheels', 'bikes'],
    words: 'Check what the law or the class rules say of the new height.',
    why: 'Headlamps, bumpers, guards and track rules can set limits.',
  },
];

/** Cautions at a step, for what this machine is and what is fitted. */
export function cautionsAt(stage: Stage, document: JobDocument): Caution[] {
  const footing = footingOf(document.machine.class);
  return rules.filter(
    ({ at, on, when }) => at === stage && (on?.includes(footing) ?? true) && (when?.(document) ?? true),
  );
}
