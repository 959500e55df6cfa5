import type { Rung, Wish } from '#core/judgement/balance.ts';

/** What a rider says. */
export const wishWords: Record<Wish, string> = {
  more: 'The skis push wide in turns',
  less: 'The steering is heavy',
  darting: 'It darts from side to side',
  diving: 'The nose dives',
  'gives-out': 'One ski gives out in turns',
  roll: 'It rolls in turns',
  'inside-lift': 'The inside ski lifts',
};

interface RungWords {
  words: string;
  why: string;
  /** When to go no further on this rung. */
  until: string;
  /** How it is put back; null where there is nothing to put back. */
  back: string | null;
}

/** What to change, why, where it ends, and how it is put back. */
export const rungWords: Record<Rung, RungWords> = {
  start: {
    words: 'Front arm: turn its spring until it is just free of play, no further. Then measure its sag.',
    why: 'A loose spring there lets the nose drop in and out. Nothing else can be felt.',
    until: 'it has no play by hand',
    back: null,
  },
  'blocks-up': {
    words: 'Transfer blocks up one position, both sides alike.',
    why: 'Under power less weight goes to the rear, and more stays on the skis.',
    until: 'the skis bite, or the blocks are at their highest',
    back: 'Transfer blocks back down one position, both sides.',
  },
  'blocks-down': {
    words: 'Transfer blocks down one position, both sides alike.',
    why: 'Under power more weight goes to the rear, and less stays on the skis.',
    until: 'it is right, or the blocks are at their lowest',
    back: 'Transfer blocks back up one position, both sides.',
  },
  'rear-preload-up': {
    words: 'Rear preload up one step, both sides alike. Its sag stays in its window.',
    why: 'It lifts the rear, and so loads the skis.',
    until: 'the skis bite, or the rear sag is at the least of its window',
    back: 'Rear preload back by one step, both sides.',
  },
  'rear-preload-down': {
    words: 'Rear preload down one step, both sides alike. Its sag stays in its window.',
    why: 'It lets the rear down, and so takes weight off the skis.',
    until: 'the steering is light, or the rear sag is at the most of its window',
    back: 'Rear preload back up by one step, both sides.',
  },
  'strap-in': {
    words: 'Limiter strap in by one hole, last.',
    why: 'It holds the nose down under power, and costs travel of the front arm.',
    until: 'the skis bite. After two holes look elsewhere',
    back: 'Limiter strap back out by one hole.',
  },
  'strap-out': {
    words: 'Limiter strap out by one hole.',
    why: 'The front arm then carries more, and the skis less.',
    until: 'it is right. After two holes look elsewhere',
    back: 'Limiter strap back in by one hole.',
  },
  'ski-more': {
    words: 'Ski springs: one step more preload or air, both skis alike. Their sag stays in its window.',
    why: 'The skis hold their height when weight comes on them.',
    until: 'it is right, or the ski sag is at the least of its window',
    back: 'Ski springs back by one step, both skis.',
  },
  'ski-spring': {
    words: 'Ski springs one rate stiffer, both alike. Then set their sag again.',
    why: 'At the end of the adjuster it is the rate that is missing.',
    until: 'it is right',
    back: 'The old ski springs back in, and their sag set again.',
  },
  'ski-compression': {
    words: 'Ski dampers: compression two clicks firmer, both alike.',
    why: 'The nose goes down more slowly.',
    until: 'it is right, or small bumps get harsh',
    back: 'Compression back by two clicks, both skis.',
  },
  'ski-hole': {
    words: 'Ski dampers into the firmer mounting hole, both alike, where there is one. Then measure the sag.',
    why: 'It works on a longer lever, and so is firmer over all of its travel.',
    until: 'it is right',
    back: 'Ski dampers back into the other hole, both skis.',
  },
  bar: {
    words: 'The bar between the skis firmer: its shorter lever, both sides alike.',
    why: 'It holds against roll, and does nothing when both skis move alike.',
    until: 'it is right, or one ski follows the other over bumps',
    back: 'The bar back to its longer lever, both sides.',
  },
  'front-arm-softer': {
    words: 'Front arm: preload down one step, but not into free play.',
    why: 'A firm front arm is what the machine tips over.',
    until: 'it is right, or the spring gets loose by hand',
    back: 'Front arm preload back up by one step.',
  },
  runners: {
    words: 'Look at the runners: alike on both skis, straight, not worn hollow. Look at toe.',
    why: 'A worn runner hunts for every old track in the snow.',
    until: 'both are straight and alike',
    back: null,
  },
  'skis-alike': {
    words: 'Read the sag of both skis with nobody on. Set the one that is lower like the other.',
    why: 'A leak or a tired spring on one side shows as less height there.',
    until: 'both read alike',
    back: null,
  },
};

/** What shifts the sag of a sled without anything being turned: how, and what to do. */
export const sledConditions = {
  'new-track': {
    title: 'New or stiff track',
    shifts: 'holds the rear up: it reads less sag',
    todo: 'Ride it in, then read again before a spring is judged.',
  },
  'tight-track': {
    title: 'Track too tight',
    shifts: 'holds the rear up: it reads less sag',
    todo: 'Set its tension first, then read.',
  },
  'snow-inside': {
    title: 'Snow or ice in the tunnel',
    shifts: 'is load: it reads more sag',
    todo: 'Clear it, then read. Read again at noon if it packs in while riding.',
  },
  'dry-floor': {
    title: 'Dry floor',
    shifts: 'grips track and skis: it reads less sag, and does not repeat',
    todo: 'Put boards or casters under skis and track, rock it, and read again.',
  },
} as const;

export type SledCondition = keyof typeof sledConditions;
