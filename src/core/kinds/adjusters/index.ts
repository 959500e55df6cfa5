import type { Footing } from '../../geometry/reference.ts';
import { axleOf, type CornerId } from '../corners.ts';
import type { Adjuster } from './adjuster.ts';
import { air } from './air.ts';
import { apart } from './apart.ts';
import { cam } from './cam.ts';
import { cap } from './cap.ts';
import { clamp } from './clamp.ts';
import { fixed } from './fixed.ts';
import { grooves } from './grooves.ts';
import { leaf } from './leaf.ts';
import { mount } from './mount.ts';
import { seat } from './seat.ts';
import { shims } from './shims.ts';
import { spacer } from './spacer.ts';
import { strut } from './strut.ts';

/** Every kind of adjuster, in the order they are offered. */
const adjusters = {
  seat, mount, apart, grooves, strut, leaf, shims, cam, air, cap, spacer, clamp, fixed,
} satisfies Record<string, Adjuster>; // oxfmt-ignore

/** What is moved by hand at a corner. */
export type Fitting = keyof typeof adjusters;

export const adjusterKinds = Object.keys(adjusters) as Fitting[];

/** What is known of a kind of adjuster. */
export function adjusterOf(kind: Fitting): Adjuster {
  return adjusters[kind];
}

/** The adjusters met at a corner of a machine that stands so. */
export function adjustersMetAt(footing: Footing, id: CornerId): Fitting[] {
  return adjusterKinds.filter((kind) => {
    const { on, bikeEnd } = adjusterOf(kind);
    return on.includes(footing) && (footing !== 'bikes' || !bikeEnd || bikeEnd === axleOf(id));
  });
}

/** What one step of an adjuster is called; null where it does not go in steps. */
export function stepOf(kind: Fitting): { one: string; many: string } | null {
  const { goes } = adjusterOf(kind);
  return goes.by === 'steps' ? goes.step : null;
}

/** Whether the seat is wound on a thread. */
export function isTurned(kind: Fitting): boolean {
  return adjusterOf(kind).goes.by === 'thread';
}

/** Whether there is a lower mount, or tubes in their clamps, beside the seat. */
export function hasMount(kind: Fitting): boolean {
  return adjusterOf(kind).beside !== null;
}

/** Whether it is the damper's lower mount that sets height: its pitch is asked for before anything is turned. */
export function isMountAsked(kind: Fitting): boolean {
  return adjusterOf(kind).beside === 'lower mount';
}
