import { machineClasses } from '../kinds/classes/index.ts';
import { blankOf } from '../document/description/blank.ts';
import {
  choice,
  choiceOrNone,
  flag,
  given,
  group,
  groupOrNone,
  list,
  number,
  text,
  type Value,
} from '../document/description/field.ts';
import { spring } from '../document/description/parts.ts';
import * as range from '../document/description/ranges.ts';
import { referenceKinds, type ReferenceKind } from '../geometry/reference.ts';

const KIT_VERSION = 1;
/** How many options, torques and kits a shop may keep. */
const mostOptions = 8;
const mostTorques = 20;

/** What a kit's sheet has for one end. A null is not on the sheet. */
const end = groupOrNone({
  /** From the seat outwards. */
  springs: list(spring, { most: range.mostSprings }),
  /** Where the seat stands as it is put together, and what that is measured from. */
  seatMm: given('mm', range.collarMm),
  seatFrom: text(range.mostName, { blank: '' }),
  /** Whether that reading grows as the seat moves towards the spring. */
  grows: choice(['with-seat', 'against-seat'], { blank: 'with-seat' }),
  /** The crossover ring's place as it is put together, and what that is measured from. */
  ringMm: given('mm', range.collarMm),
  ringFrom: text(range.mostName, { blank: '' }),
  /** Gap wanted between slider and ring at ride height. */
  ringGapMm: given('mm', range.gapMm),
  preloadMm: given('mm by tape', range.preloadMm),
  /** What else the sheet gives a preload for: "heavy front load". */
  options: list(
    group({ name: text(range.mostName, { filled: true }), preloadMm: number('mm by tape', range.preloadMm) }),
    { most: mostOptions, unlike: 'name' },
  ),
  /** The height that it is specified to stand at. */
  heightMm: given('mm by tape', range.heightMm),
  reference: choiceOrNone(Object.keys(referenceKinds) as ReferenceKind[]),
});

/** A kit's sheet as a shop keeps it. */
export const kitField = group({
  schema: choice(['margin-kit'], { blank: 'margin-kit' }),
  schemaVersion: choice([KIT_VERSION], { blank: KIT_VERSION }),
  name: text(range.mostName, { filled: true, blank: '' }),
  /** The classes it is made for; none is any. */
  classes: list(choice([...machineClasses]), { most: machineClasses.length }),
  /** The machines it is made for, in the sheet's words. */
  machines: text(range.mostLabel, { blank: '' }),
  /** What is aboard where its heights are meant. */
  load: text(range.mostLabel, { blank: '' }),
  toleranceMm: given('mm', range.toleranceMm),
  /** How far it is driven before it is read. */
  driveInKm: given('km', range.recheckKm),
  torques: list(group({ what: text(range.mostName, { filled: true }), nm: number('N m', range.torqueNm) }), {
    most: mostTorques,
  }),
  note: text(range.mostNote, { blank: '' }),
  /** Whether dampers come with it; springs alone go on to those that are there. */
  dampers: flag({ blank: false }),
  front: end,
  rear: end,
});

export type KitValues = Value<typeof kitField>;
export type KitEnd = NonNullable<KitValues['front']>;

export interface Kit {
  id: string;
  /** Grows with every change. */
  version: number;
  kit: KitValues;
}

const anywhere = { machineClass: 'car', corner: null } as const;

/** A sheet of which only the name is known. */
export function blankKit(name: string): KitValues {
  return { ...(blankOf(kitField, anywhere) as KitValues), name };
}

/** One end of which nothing is known yet. */
export function blankKitEnd(): KitEnd {
  return Object.fromEntries(
    Object.entries(end.fields).map(([key, field]) => [key, blankOf(field, anywhere)]),
  ) as unknown as KitEnd;
}
