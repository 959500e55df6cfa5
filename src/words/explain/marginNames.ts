import { whichWords } from '../which.ts';
import type { Part } from '#core/calculation/part.ts';
import type { MarginKind } from '#core/margins/index.ts';
import { restNamed } from './rest.ts';
import type { SumInput } from './types.ts';

type Name = string | ((of: string) => string);

const used: Name = (of) =>
  of === 'usual' ? 'wheel travel used: the usual place, and what it has moved since' : 'wheel travel used';

/** A damper as a tape along it has it. */
const damperNames = {
  L: 'damper, eye to eye, as read',
  Δz: 'wheel lower in its travel since',
  MR: 'motion ratio',
  'L′': 'damper then',
  open: 'damper fully open',
  closed: 'damper fully closed',
};

/** What the figures of each margin are called, by their symbols. */
const names: Record<MarginKind, Readonly<Record<string, Name>>> = {
  droop: {
    z: used,
  },
  'bump-stop': {
    z: used,
    s: 'travel taken by the stop',
    'z max': 'wheel travel',
  },
  'bump-metal': {
    z: used,
    'z max': (of) => (of === 'coils' ? 'wheel travel where the coils touch' : 'wheel travel'),
  },
  'damper-open': damperNames,
  'damper-closed': damperNames,
  coil: {
    free: 'free length',
    solid: 'solid length',
    x: 'it is compressed at full bump',
    X: 'the stack would be compressed at full bump',
    'X solid': 'the stack is solid at',
    p: 'of that, preload at full droop',
  },
  seated: {
    'p₀': 'preload at the baseline, as the readings bear out',
    c: 'seat moved since, towards the spring positive',
  },
  crossover: {
    'c₀': 'compression at which the ring stops it, without preload',
    p: 'preload: the ring stays on the body',
    m: 'ring moved towards the springs',
    F: 'spring force where it rests',
    u: 'springs before the ring are compressed',
  },
  'ring-order': {
    u: 'springs before the ring are compressed when it takes over',
  },
  clearance: {
    d: 'distance as measured',
    g: 'gained per mm the body rises there',
    Δh: 'risen over this corner since',
    least: 'least wanted',
  },
  joint: {
    a: 'angle at the baseline',
    L: 'shaft, joint to joint',
    Δh: 'risen over this corner since',
    'a′': 'angle then, by sin a′ = sin a + Δh / L',
    most: 'most it may take',
  },
  ground: {
    d: 'over the ground at the baseline',
    Δh: 'risen there since, tyres and all',
    least: 'least wanted',
  },
  'thread-up': {
    't₀': 'thread left as it was found',
    c: 'moved that way since, plan and all',
    stop: 'reading to stop at',
    p: 'thread pitch per turn',
    'r end': (end) => `${end} collar reading of good thread`,
  },
  'thread-down': {
    't₀': 'thread left as it was found',
    c: 'moved that way since, plan and all',
    stop: 'reading to stop at',
    p: 'thread pitch per turn',
    'r end': (end) => `${end} collar reading of good thread`,
  },
  engagement: {
    e: 'thread engaged after the plan',
    D: 'thread diameter',
    least: 'least to keep: what its sheet says, else 1½ D',
  },
  cam: {
    n: 'positions of the cam',
    k: 'position after the plan',
    left: 'further wind-up at the leg',
  },
  sag: {
    z: 'sag after the plan, as specified',
    from: 'least sag',
    to: 'most sag',
  },
  height: {
    T: 'tolerance',
    'h′': 'height after, as specified',
    t: 'target',
  },
};

/** A figure that went into a margin, with what it is called. */
export function marginNamed(kind: MarginKind, part: Part): SumInput {
  const { of: which = '', ...rest } = part;
  const of = typeof which === 'string' ? which : whichWords(which);
  // Before a ring stand as many springs as there are.
  if (kind === 'ring-order' && part.symbol.startsWith('w')) return { ...rest, name: `${of} can close` };
  const name = names[kind][part.symbol];
  if (name === undefined) return restNamed(part);
  return { ...rest, name: typeof name === 'string' ? name : name(of) };
}
