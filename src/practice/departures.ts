import type { CornerId } from '#core/kinds/corners.ts';
import { twinOf } from '#core/kinds/corners.ts';
import type { ContactDescription, MachineDescription } from '#core/machine/description.ts';
import type { HiddenFault } from '#core/practiceKinds.ts';
import type { Uniform } from '#core/numerics/random.ts';
import type { ContactDepartures, Departures } from '#core/simulated/departures.ts';
import type { Level } from './levels.ts';

/** Where drawn numbers come from. */
export interface Drawing {
  uniform: Uniform;
  between: (low: number, high: number) => number;
  pick: <T>(list: readonly T[]) => T;
  normal: () => number;
}

interface Hidden {
  departures: Departures;
  faults: { kind: HiddenFault; corner: CornerId }[];
  markMm: number[];
}

/** What a machine of a level has that its sheet does not say. */
export function departuresOf(
  machine: MachineDescription,
  corners: readonly CornerId[],
  level: Level,
  drawing: Drawing,
): Hidden {
  const { between, normal } = drawing;
  const { departs } = level;
  const axle = {
    front: { ratioBy: 0.02 * departs * normal(), bendMm: 0.7 * departs * normal(), lossMm: between(0.5, 1) },
    rear: { ratioBy: 0.02 * departs * normal(), bendMm: 0.7 * departs * normal(), lossMm: between(0.5, 1) },
  };
  const contacts = machine.contacts.map((contact): ContactDepartures => {
    const { ratioBy, bendMm, lossMm } = axle[contact.axle];
    return {
      ratioBy: ratioBy + 0.006 * departs * normal(),
      bendMm: bendMm * between(0.8, 1.2),
      springBy: 0.02 * departs * normal(),
      springGrows: between(0, 0.06) * departs,
      tyreBy: 0.06 * departs * normal(),
      tyreGrows: between(0, 0.08) * departs,
      tyreRadiusMm: 0,
      floorMm: level.floorMm * between(-0.5, 0.5),
      preloadByMm: 1.2 * departs * normal(),
      bushNPerMm: 0,
      bushAtMm: 0,
      frictionN: wheelRate(contact) * between(...level.frictionMm),
      lossMm: level.lossMm * lossMm * ratioOf(contact),
      lossKm: between(30, 150),
    };
  });
  const hidden: Hidden = {
    departures: {
      contacts,
      massesBy: machine.masses.map(() => 0.02 * departs * normal()),
      twistNPerMm: machine.contacts.length === 4 ? between(400, 1500) / departs : null,
      bars: [],
    },
    faults: [],
    // No cap sits quite in the middle.
    markMm: corners.map(() => tenths(between(-2.5, 2.5))),
  };
  for (const kind of drawFaults(corners, level.faults, drawing))
    addFault(kind, hidden, machine, corners, drawing);
  return hidden;
}

const ratioOf = ({ ratio }: ContactDescription) => (ratio.kind === 'constant' ? ratio.ratio : 1);

function rateOf({ springs }: ContactDescription): number {
  const [spring] = springs.kind === 'stack' ? springs.stack.springs : [];
  return spring?.kind === 'linear' ? spring.rateNPerMm : 0;
}

const wheelRate = (contact: ContactDescription) => rateOf(contact) * ratioOf(contact) ** 2;

/** Different ones; a bar needs two wheels across. */
function drawFaults(corners: readonly CornerId[], count: number, { pick }: Drawing): HiddenFault[] {
  const across = corners.some((id) => twinOf(id) !== null);
  let left: HiddenFault[] = ['odd-spring', 'wrong-tyre', 'stiff-bush', 'misread-point'];
  if (across) left.push('hooked-bar');
  return Array.from({ length: count }, () => {
    const kind = pick(left);
    left = left.filter((one) => one !== kind);
    return kind;
  });
}

function addFault(
  kind: HiddenFault,
  hidden: Hidden,
  { contacts }: MachineDescription,
  corners: readonly CornerId[],
  { between, pick, uniform }: Drawing,
): void {
  const places = corners.flatMap((id, i) => (kind === 'hooked-bar' && twinOf(id) === null ? [] : [i]));
  const at = pick(places);
  const corner = corners[at] as CornerId;
  const contact = contacts[at] as ContactDescription;
  const own = hidden.departures.contacts as ContactDepartures[];
  const off = own[at] as ContactDepartures;
  const sign = uniform() < 0.5 ? -1 : 1;
  hidden.faults.push({ kind, corner });
  switch (kind) {
    case 'odd-spring':
      own[at] = { ...off, springBy: off.springBy + sign * between(0.1, 0.16) };
      return;
    case 'wrong-tyre':
      own[at] = { ...off, tyreRadiusMm: sign * between(6, 12) };
      return;
    case 'stiff-bush':
      // Tightened with the wheel hanging, or nearly.
      own[at] = {
        ...off,
        bushNPerMm: wheelRate(contact) * between(0.1, 0.2),
        bushAtMm: contact.travelMm * between(0, 0.2),
      };
      return;
    case 'hooked-bar': {
      const twin = twinOf(corner) as CornerId;
      const bar = {
        between: [corner, twin] as const,
        rateNPerMm: wheelRate(contact) * between(0.3, 0.8),
        offsetMm: between(-6, 6),
        hooked: true,
      };
      hidden.departures = { ...hidden.departures, bars: [...hidden.departures.bars, bar] };
      return;
    }
    case 'misread-point':
      hidden.markMm[at] = tenths(sign * between(6, 11));
  }
}

const tenths = (mm: number) => Math.round(10 * mm) / 10;
