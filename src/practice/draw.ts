import { blankCorner, blankDocument } from '#core/document/create.ts';
import type { JobDocument } from '#core/document/types.ts';
import { referenceKinds } from '#core/geometry/reference.ts';
import { classDefaults, cornersOf, machineClasses, type MachineClass } from '#core/kinds/classes/index.ts';
import { alongOf, axleOf, sideOf, twinOf, type Axle, type CornerId } from '#core/kinds/corners.ts';
import type { SuspensionType } from '#core/kinds/suspensionTypes.ts';
import type { ContactDescription, MachineDescription } from '#core/machine/description.ts';
import { seededUniform, standardNormal, type Uniform } from '#core/numerics/random.ts';
import { trueStand, type SimulatedMachine } from '#core/simulated/machine.ts';
import type { PracticeLevel } from '#core/practiceKinds.ts';
import { departuresOf, type Drawing } from './departures.ts';
import { TRUTH_VERSION, type PracticeTruth } from './truth.ts';
import { landedOf } from './landed.ts';
import { levelRules } from './levels.ts';

const G = 9.80665;
/** mm of thread each way that a collar has from where its target is met. */
const THREAD_MM = [38, 55] as const;
/** mm at which machines are wanted. */
const HEIGHTS_MM = [345, 395] as const;

/** A practice machine: what everybody may know, and what nobody may before the end. */
export interface Drawn {
  document: JobDocument;
  truth: PracticeTruth;
}

const MOST_DRAWS = 60;
/** mm that each wheel keeps from the ends of its travel, as it came in and where it is wanted. */
const CLEAR_MM = 12;

/**
 * Draws a machine of a level: the same for the same seed. A class that is not asked for is drawn too. One that would stand at an
 * end of its travel, or that is in tolerance as it came in, is drawn anew.
 */
export function drawPractice(seed: number, level: PracticeLevel, asked: MachineClass | null): Drawn {
  const uniform = seededUniform(seed);
  // The first few numbers of neighbouring seeds are alike.
  for (let k = 0; k < 8; k++) uniform();
  for (let draw = 0; draw < MOST_DRAWS; draw++) {
    const drawn = drawOne(uniform, level, asked);
    if (isFit(drawn)) return drawn;
  }
  throw new Error(`expected one fit machine in ${MOST_DRAWS}, level ${level}, seed ${seed}`);
}

function isFit({ document, truth }: Drawn): boolean {
  const still = truth.corners.map(() => 0);
  const [came, aim] = [truth.openBy, still].map((seatsBy) => trueStand(truth.simulated, { seatsBy, km: 0 }));
  const clear = truth.corners.every((_, i) => {
    const most = (truth.simulated.machine.contacts[i]?.travelMm ?? 0) - CLEAR_MM;
    return [came, aim].every((one) => (one?.travelMm[i] ?? 0) > CLEAR_MM && (one?.travelMm[i] ?? 0) < most);
  });
  return (
    clear &&
    !landedOf(truth, document, truth.openBy, 0).now &&
    truth.openBy.every(
      (mm, i) => mm > (truth.threadMm[i]?.[0] ?? 0) + 2 && mm < (truth.threadMm[i]?.[1] ?? 0) - 2,
    )
  );
}

function drawOne(uniform: Uniform, level: PracticeLevel, asked: MachineClass | null): Drawn {
  const between = (low: number, high: number) => low + (high - low) * uniform();
  const pick = <T>(list: readonly T[]) => list[Math.floor(uniform() * list.length)] as T;
  const drawing: Drawing = { uniform, between, pick, normal: () => standardNormal(uniform) };
  const rule = levelRules[level];
  const machineClass = asked ?? pick(machineClasses);
  const kind = classDefaults[machineClass];
  const corners = cornersOf(machineClass);
  const suspension: Record<Axle, SuspensionType> = {
    front: pick(Object.keys(kind.suspensions.front) as SuspensionType[]),
    rear: pick(Object.keys(kind.suspensions.rear) as SuspensionType[]),
  };
  const machine = drawMachine(machineClass, suspension, drawing);
  const { departures, faults, markMm } = departuresOf(machine, corners, rule, drawing);
  const wantedMm = { front: Math.round(between(...HEIGHTS_MM)), rear: Math.round(between(...HEIGHTS_MM)) };
  const bare = {
    machine,
    departures,
    references: corners.map((id) => ({ follows: followsOf(machineClass, id), constantMm: 0 })),
  };
  // Alike on both sides where it is wanted: no body is built quite so.
  const { heightsMm } = trueStand(bare, { seatsBy: corners.map(() => 0), km: 0 });
  const references = bare.references.map(({ follows }, i) => ({
    follows,
    constantMm: wantedMm[axleOf(corners[i] as CornerId)] - (heightsMm[i] as number),
  }));
  const simulated: SimulatedMachine = { machine, departures, references };
  const pitchMm = uniform() < 0.5 ? 1.5 : 2;
  const way = uniform() < 0.5 ? -1 : 1;
  const openBy = corners.map((_, i) => {
    const mm = between(...rule.openMm) * ratioAtRest(machine.contacts[i] as ContactDescription);
    return Math.round(way * mm * (!rule.alike && uniform() < 0.25 ? -1 : 1));
  });
  const toe = { front: between(-1, 3), rear: between(0, 4) };
  // Neither its collars nor the ends of their threads may say where its targets are met.
  const collarMm = corners.map(() => Math.round(between(58, 98)));
  const threadMm = corners.map(
    () => [-Math.round(between(...THREAD_MM)), Math.round(between(...THREAD_MM))] as const,
  );
  const truth: PracticeTruth = {
    version: TRUTH_VERSION,
    simulated, corners, openBy, arches: corners.map((id) => referenceOf(machineClass, id).endsWith('-arch')), tyreBar: corners.map(() => between(2.05, 2.35)), toeMm: corners.map((id) => toe[axleOf(id)]), collarMm, collarGrows: corners.map(() => 1), threadMm, pitchMm,
    tapeSdMm: rule.tapeSdMm, faults, markMm,
  }; // oxfmt-ignore
  const document = blankDocument(machineClass, '');
  document.machine.wheelbaseMm = kind.wheelbaseMm;
  document.toleranceMm = kind.toleranceMm + rule.toleranceByMm;
  corners.forEach((id, i) => {
    const corner = (document.corners[id] ??= blankCorner(machineClass, id));
    corner.reference.kind = referenceOf(machineClass, id);
    corner.targetMm = wantedMm[axleOf(id)];
    corner.pitchMm = pitchMm;
    corner.collar = {
      ...corner.collar,
      grows: 'with-seat',
      minMm: (collarMm[i] ?? 0) + (threadMm[i]?.[0] ?? 0),
      maxMm: (collarMm[i] ?? 0) + (threadMm[i]?.[1] ?? 0),
    };
    if (rule.told !== 'nothing') corner.suspension = suspension[axleOf(id)];
    if (rule.told === 'ratio') {
      const contact = machine.contacts[i] as ContactDescription;
      // As somebody measured it between hanging and standing.
      const mm = Math.round(0.5 * contact.travelMm);
      const off = departures.contacts[i]?.ratioBy ?? 0;
      const went = mm * ratioAtRest(contact) * (1 + off);
      corner.ratioFrom = { kind: 'table', rows: [[0, 0], [mm, Math.round(2 * went) / 2]] }; // oxfmt-ignore
    }
  });
  return { document, truth };
}

/** Kinds along a shaft are left to the sag bench: heights are read straight up. */
function referenceOf(machineClass: MachineClass, id: CornerId) {
  const kind = classDefaults[machineClass].referenceKind[axleOf(id)];
  return referenceKinds[kind].follows === 'damper' ? 'ground-chassis' : kind;
}

function followsOf(machineClass: MachineClass, id: CornerId): 'travel' | 'body' {
  return referenceKinds[referenceOf(machineClass, id)].follows === 'travel' ? 'travel' : 'body';
}

const ratioAtRest = ({ ratio }: ContactDescription) => (ratio.kind === 'constant' ? ratio.ratio : 1);

/** What carries what: springs that hold the machine about where its class sits, each axle its own. */
function drawMachine(
  machineClass: MachineClass,
  suspension: Record<Axle, SuspensionType>,
  { between }: Drawing,
): MachineDescription {
  const kind = classDefaults[machineClass];
  const corners = cornersOf(machineClass);
  const kg = kind.massKg * between(0.9, 1.1);
  const frontShare = kind.frontShare + between(-0.03, 0.03);
  const own = (axle: Axle) => {
    const [low, high] = kind.suspensions[axle][suspension[axle]] ?? [0.6, 0.9];
    return {
      ratio: between(low, high),
      rise: between(0, 0.12),
      preload: between(6, 16),
      share: kind.restShare * between(0.9, 1.15),
    };
  };
  const axles = { front: own('front'), rear: own('rear') };
  const wheels = (axle: Axle) => corners.filter((id) => axleOf(id) === axle).length;
  const contacts = corners.map((id): ContactDescription => {
    const axle = axleOf(id);
    const { ratio, rise, preload, share } = axles[axle];
    const loadKg = (kg * (axle === 'front' ? frontShare : 1 - frontShare)) / wheels(axle);
    const springN = ((loadKg - kind.unsprungKg) * G) / (ratio * (1 + rise * share));
    const usedMm = share * kind.travelMm[axle] * ratio;
    const twin = twinOf(id) === null ? 0 : 1;
    return {
      name: id,
      axle,
      x: alongOf(id) * kind.wheelbaseMm,
      y: (sideOf(id) * kind.trackMm[axle]) / 2,
      travelMm: kind.travelMm[axle],
      ratio: { kind: 'constant', ratio: ratio * (1 + twin * between(-0.01, 0.01)), rise },
      springRatio: null,
      springs: {
        kind: 'stack',
        stack: { springs: [{ kind: 'linear', rateNPerMm: springN / (usedMm + preload), solidMm: null }], rings: [] },
      },
      preloadMm: preload,
      gas: null,
      stop: null,
      topOut: null,
      tyreRateNPerMm: kind.tyreRateNPerMm * between(0.9, 1.1),
      unsprungKg: kind.unsprungKg,
      padMm: 0,
    }; // oxfmt-ignore
  });
  const sprung = (id: CornerId) =>
    (kg * (axleOf(id) === 'front' ? frontShare : 1 - frontShare)) / wheels(axleOf(id)) - kind.unsprungKg;
  const all = corners.reduce((sum, id) => sum + sprung(id), 0);
  const middle = (along: 'x' | 'y') =>
    contacts.reduce((sum, contact, i) => sum + (sprung(corners[i] as CornerId) * contact[along]) / all, 0);
  const wide = contacts.some(({ y }) => y !== 0);
  return {
    contacts,
    masses: [{ name: 'machine', kg: all, x: middle('x'), y: wide ? middle('y') + between(-12, 12) : 0 }],
    bars: [],
  };
}
