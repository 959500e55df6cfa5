import type { Fit } from '../estimate/fit.ts';
import type { ContactDescription } from '../machine/description.ts';
import type { CornerId } from '../kinds/corners.ts';

/** A spring put in place of the one that is fitted. */
export interface Swap {
  /** mm that it is longer, unloaded; a spacer under the seat does the same. */
  longerMm: number;
  /** Times the rate. */
  rateScale: number;
  /** mm that it can be squeezed further before its coils touch. */
  roomierMm?: number;
  /** mm that a helper under it takes up until it is solid; the seat goes back by its solid length. */
  helperMm?: number;
}

/** N/mm. Helpers are so soft that any load presses them solid. */
const HELPER_N_PER_MM = 2;

export type Swaps = Partial<Record<CornerId, Swap>>;

/** The machine as the readings have it, with other springs in: all else that was learnt of it stays. */
export function withSwaps(learnt: Fit, corners: readonly CornerId[], swaps: Swaps): Fit {
  if (Object.keys(swaps).length === 0) return learnt;
  const at = (i: number) => swaps[corners[i] as CornerId];
  const settings = learnt.values.settings.map((setting, i) => {
    const swap = at(i);
    if (!swap) return setting;
    const { longerMm, rateScale, helperMm = 0 } = swap;
    return {
      ...setting,
      preloadOffBy: setting.preloadOffBy + longerMm + helperMm,
      springScales: [...setting.springScales.map((scale) => scale * rateScale), ...(helperMm > 0 ? [1] : [])],
    };
  });
  const { machine } = learnt.believed;
  const contacts = machine.contacts.map((contact, i) => {
    const swap = at(i);
    return swap ? withSprings(contact, swap) : contact;
  });
  return {
    ...learnt,
    believed: { ...learnt.believed, machine: { ...machine, contacts } },
    values: { ...learnt.values, settings },
  };
}

/** A contact whose coils have more room, or that has a helper in series: where it sits in the stack makes no difference. */
function withSprings(contact: ContactDescription, { roomierMm = 0, helperMm = 0 }: Swap): ContactDescription {
  if (contact.springs.kind !== 'stack' || (roomierMm === 0 && helperMm === 0)) return contact;
  const { stack } = contact.springs;
  const springs = stack.springs.map((spring) => ({
    ...spring,
    solidMm: spring.solidMm === null ? null : spring.solidMm + roomierMm,
  }));
  const helper = { kind: 'linear', rateNPerMm: HELPER_N_PER_MM, solidMm: helperMm, tender: true } as const;
  return {
    ...contact,
    springs: {
      kind: 'stack',
      stack: { ...stack, springs: helperMm > 0 ? [...springs, helper] : springs },
    },
  };
}
