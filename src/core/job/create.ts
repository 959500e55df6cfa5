import { cornerIds, type CornerId } from '../machine/body.ts';
import { classDefaults, type MachineClass } from '../machine/classes.ts';
import type { CornerDocument, JobDocument } from './types.ts';

/** A blank job of a class: nothing but the reference kind is filled in, so every figure shows as assumed. */
export function blankDocument(machineClass: MachineClass, name: string): JobDocument {
  const corners = Object.fromEntries(cornerIds.map((id) => [id, blankCorner(machineClass)]));
  return {
    schema: 'margin-job',
    schemaVersion: 2,
    name,
    machine: {
      class: machineClass,
      title: '',
      wheelbaseMm: null,
      trackFrontMm: null,
      trackRearMm: null,
      massKg: null,
      frontShare: null,
    },
    cases: ['as measured', 'as specified'],
    loads: [],
    bars: { front: null, rear: null },
    settlingMm: null,
    load: '',
    toleranceMm: null,
    equalSides: false,
    note: '',
    corners: corners as Record<CornerId, CornerDocument>,
  };
}

function blankCorner(machineClass: MachineClass): CornerDocument {
  return {
    reference: { kind: classDefaults[machineClass].referenceKind, offsetMm: 0 },
    targetMm: null,
    ratio: null,
    pitchMm: null,
    travelMm: null,
    stopMm: null,
    collar: { datum: '', grows: 'with-seat', minMm: null, maxMm: null },
    ratioFrom: null,
    springRatio: null,
    springs: [],
    rings: [],
    preloadMm: null,
    roomMm: null,
    gas: null,
    stopRows: null,
    stepMm: null,
    mount: null,
    tyreRateNPerMm: null,
    unsprungKg: null,
    loadKg: null,
    clearances: [],
  };
}
