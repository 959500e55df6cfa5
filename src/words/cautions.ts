import type { JobDocument } from '#core/document/types.ts';
import { cautionsAt, type CautionId } from '#core/judgement/cautions.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { Stage } from '#core/judgement/stages.ts';

export interface Caution {
  id: CautionId;
  words: string;
  why: string;
}

const cautionWords: Record<CautionId, Omit<Caution, 'id'>> = {
  stands: {
    words: 'Support the machine on stands at its rated points and chock it before a wheel comes off.',
    why: 'A jack is for lifting, not for holding.',
  },
  thread: {
    words:
      'Take the weight off, clean and oil the thread, mind its direction, and back the lock ring off before turning.',
    why: 'A seat turned against full load strips its thread.',
  },
  'top-nut': {
    words:
      'Never undo the top nut of a damper on a loaded spring without a compressor made for it, fitted squarely.',
    why: 'The spring behind it holds enough energy to kill. Hand tools, each side in turn, never an impact driver; hands and face out of line.',
  },
  lines: {
    words: 'Do not let the axle or a caliper hang on brake hoses or sensor wires.',
    why: 'Lines tear inside before they show it.',
  },
  pinch: {
    words: 'Keep fingers out of the coils and clear of pinch points when you use a lever.',
    why: 'Levers slip.',
  },
  torsion: {
    words: 'Turn a cam with the tool made for it and stand clear of the spring’s leg.',
    why: 'The leg strikes when the tool slips off.',
  },
  engagement: {
    words: 'Never run a lower mount past its least thread: the witness hole stays covered.',
    why: 'A mount that lets go drops the corner.',
  },
  gas: {
    words: 'Gas and air only with the right pump or tool, weight off; never open a unit under pressure.',
    why: 'Valves and caps leave it like a shot.',
  },
  clamps: {
    words: 'Hold the front up before a fork clamp is loosened, one clamp at a time.',
    why: 'The chassis comes down on the tubes.',
  },
  torque: {
    words: 'No driving before every nut is at its torque, lines are free and the steering is checked.',
    why: 'The maker’s manual, the kit’s instructions and a qualified technician give the figures, and stand above this sheet.',
  },
  alignment: {
    words: 'Align before the road.',
    why: 'Every change of height moves toe and camber.',
  },
  law: {
    words: 'Check what the law or the class rules say of the new height.',
    why: 'Headlamps, bumpers, guards and track rules can set limits.',
  },
};

/** Cautions at a step, for what this machine is and what is moved, in words. */
export function cautionList(stage: Stage, document: JobDocument, moved?: readonly CornerId[]): Caution[] {
  return cautionsAt(stage, document, moved).map((id) => ({ id, ...cautionWords[id] }));
}
