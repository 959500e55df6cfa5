import { axleOf, cornersOf, footingOf, type CornerId } from '../machine/body.ts';
import { classDefaults, type MachineClass } from '../machine/classes.ts';
import type { BarDocument, CornerDocument, JobDocument } from './types.ts';

/** A blank job of a class: nothing but the reference kind is filled in, so every figure shows as assumed. */
export function blankDocument(machineClass: MachineClass, name: string): JobDocument {
  const corners = Object.fromEntries(
    cornersOf(machineClass).map((id) => [id, blankCorner(machineClass, id)]),
  );
  return {
    schema: 'margin-job',
    schemaVersion: 7,
    name,
    machine: {
      class: machineClass,
      title: '',
      id: null,
      learnt: null,
      wheelbaseMm: null,
      trackFrontMm: null,
      trackRearMm: null,
      armAheadMm: null,
      massKg: null,
      frontShare: null,
      tankL: null,
    },
    riders: [],
    sagRead: { gear: true, luggage: true, fuel: 1 },
    cases: ['as measured', 'as specified'],
    loads: [],
    bars: { front: null, rear: null },
    settlingMm: null,
    steering: { toeMm: null, toePerMm: null, tyreMm: null, armMm: null, pitchMm: null },
    load: '',
    toleranceMm: null,
    equalSides: false,
    skid: null,
    hardEnd: null,
    crossTarget: null,
    crossWeight: null,
    frontEqual: false,
    stance: {
      tyreMm: { front: null, rear: null },
      nextTyreMm: { front: null, rear: null },
      points: [],
    },
    note: '',
    corners: corners as Record<CornerId, CornerDocument>,
  };
}

/** A corner of which nothing is known but how its class is measured. */
export function blankCorner(machineClass: MachineClass, id: CornerId): CornerDocument {
  return {
    reference: { kind: classDefaults[machineClass].referenceKind[axleOf(id)], offsetMm: 0, aheadMm: 0 },
    targetMm: null,
    weight: null,
    sagMm: null,
    sagWindow: null,
    staticWindow: null,
    suspension: null,
    ratio: null,
    pitchMm: null,
    travelMm: null,
    stopMm: null,
    collar: { datum: '', grows: 'with-seat', minMm: null, maxMm: null },
    ratioFrom: null,
    springRatio: null,
    springs: [],
    rings: [],
    torsion: null,
    cam: null,
    air: null,
    preloadMm: null,
    roomMm: null,
    gas: null,
    stopRows: null,
    fitting: axleOf(id) === 'front' && footingOf(machineClass) === 'bikes' ? 'cap' : 'seat',
    adjustable: true,
    stepMm: null,
    mount: null,
    tyreRateNPerMm: null,
    unsprungKg: null,
    loadKg: null,
    clearances: [],
    boots: [],
    floorMm: null,
    padFactor: null,
    camberPerMm: null,
  };
}

/** An anti-roll bar whose links nobody has measured. */
export function blankBar(rateNPerMm: number, hooked: boolean): BarDocument {
  return { rateNPerMm, hooked, linkMm: null, linkPerWheel: null };
}
