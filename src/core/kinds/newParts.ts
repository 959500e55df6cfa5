/** What of a machine no longer holds once a part is on. */
interface NewPart {
  /** Collars, rings and gaps stand as they were put together: what was read or turned of the old ones is over. */
  assembles: boolean;
  /** The springs described are no longer those that are in. */
  otherSprings: boolean;
  /** Springs that have lost nothing yet. */
  settles: boolean;
  /** Fully extended it reads what it did before. */
  keepsExtended: boolean;
  /** The wheel moves its damper as it did before. */
  keepsRatio: boolean;
}

const nothingElse: NewPart = {
  assembles: false,
  otherSprings: false,
  settles: false,
  keepsExtended: true,
  keepsRatio: true,
};
const springs: NewPart = { ...nothingElse, assembles: true, otherSprings: true, settles: true };

/** What can be bolted on in the middle of a job, in the order it is offered. A kind left out of a text does not compile. */
export const newParts = {
  springs,
  kit: { ...springs, keepsExtended: false },
  dampers: { ...nothingElse, assembles: true, keepsExtended: false },
  leaf: { ...nothingElse, otherSprings: true, settles: true },
  spacer: nothingElse,
  tyres: { ...nothingElse, keepsExtended: false },
  links: { ...nothingElse, keepsExtended: false, keepsRatio: false },
  bar: nothingElse,
  /** Nothing new: something was not as it should be, and is now. */
  right: nothingElse,
} satisfies Record<string, NewPart>;

export type NewPartKind = keyof typeof newParts;
export const newPartKinds = Object.keys(newParts) as NewPartKind[];
