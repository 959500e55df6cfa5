import { analyse } from '#core/analysis/analyse.ts';
import type { JobRecord } from '#core/document/types.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { ContactDescription } from '#core/machine/description.ts';
import { linkageTable } from '#core/geometry/linkage.ts';
import type { RatioDescription } from '#core/geometry/ratioMap.ts';
import { noContactDepartures, type Departures } from '#core/simulated/departures.ts';
import { trueStand, type SimulatedReference } from '#core/simulated/machine.ts';
import { collarNow } from '#core/estimate/rounds.ts';
import { cornerSpec } from '#core/estimate/corner.ts';
import type { Drawn } from './draw.ts';
import { TRUTH_VERSION, type PracticeTruth } from './truth.ts';

const TAPE_SD_MM = 0.7;
/** mm that friction holds at a wheel where nobody has said. */
const FRICTION_MM = 1.2;
const THREAD_MM = 60;

/**
 * A job's machine as practice, with what was learnt of it as its truth, as it stands now. Null where it is not known well enough:
 * every corner read and wanted at a height, each turned by its seat, none read along a shaft.
 */
export function ownMachine(record: JobRecord): Drawn | null {
  const { answer } = analyse(record);
  if (!answer || !isPlain(record, answer)) return null;
  const { machine, fit, now } = answer;
  const { believed } = machine;
  const corners = cornersIn(record.document);
  const at = corners.map((id) => machine.corners.indexOf(id));
  const offsetOf = (contact: number) =>
    record.document.corners[machine.corners[contact] as CornerId].reference.offsetMm;
  const references = at.map((contact): SimulatedReference | null => {
    const r = believed.references.findIndex((one) => one.contact === contact);
    const reference = believed.references[r];
    if (!reference || reference.follows === 'damper') return null;
    return {
      follows: reference.follows,
      // As the tape reads it, without what the sheet adds.
      constantMm: (fit.values.eras[0]?.constants[r] ?? reference.constant.mean) - offsetOf(contact),
    };
  });
  if (references.some((one) => one === null)) return null;
  const { contacts } = believed.machine;
  const collarMm = corners.map((id, k) => {
    const { readingSign } = cornerSpec(record.document, id);
    const read = collarNow(answer.state.rounds, id, readingSign) ?? 70;
    return read - readingSign * (now.seatsBy[at[k] ?? 0] ?? 0);
  });
  const document = structuredClone(record.document);
  document.machine.id = null;
  document.toleranceMm = answer.tolerance.value;
  for (const id of corners) {
    const corner = document.corners[id];
    corner.targetMm = (corner.targetMm ?? 0) - corner.reference.offsetMm;
    corner.reference.offsetMm = 0;
  }
  document.about = { ...document.about, customer: '', phone: '', plate: '', technician: '' };
  const truth: PracticeTruth = {
    version: TRUTH_VERSION,
    simulated: {
      machine: {
        ...believed.machine,
        contacts: at.map((i) =>
          inClosedForm(contacts[i] as ContactDescription, fit.values.settings[i]?.ratioRise ?? 0),
        ),
      },
      departures: departuresIn(answer, at),
      references: references as SimulatedReference[],
    },
    corners,
    openBy: at.map((i) => now.seatsBy[i] ?? 0),
    collarMm,
    collarGrows: corners.map((id) => cornerSpec(record.document, id).readingSign),
    threadMm: corners.map((id, k) =>
      threadOf(record, id, { atMm: collarMm[k] as number, seatBy: now.seatsBy[at[k] ?? 0] ?? 0 }),
    ),
    pitchMm: record.document.corners[corners[0] as (typeof corners)[number]].pitchMm ?? 2,
    tapeSdMm: TAPE_SD_MM,
    tyreBar: corners.map((id) => record.document.corners[id].tyreBar ?? 2.2),
    toeMm: corners.map(() => 1),
    arches: corners.map((id) => record.document.corners[id].reference.kind.endsWith('-arch')),
    faults: [],
    markMm: corners.map(() => 0),
  };
  return standsAsRead(truth, answer, offsetOf) ? { document, truth } : null;
}

/** mm. A copy that stands further from what was estimated is no copy: something of the machine has no place in it. */
const AS_READ_MM = 2;

function standsAsRead(
  truth: PracticeTruth,
  { corners, machine }: Answer,
  offsetOf: (contact: number) => number,
): boolean {
  const { heightsMm } = trueStand(truth.simulated, { seatsBy: truth.openBy, km: 0 });
  return corners.every(({ id, nowMm }) => {
    const shown = heightsMm[truth.corners.indexOf(id)] ?? NaN;
    return Math.abs(shown + offsetOf(machine.corners.indexOf(id)) - nowMm) <= AS_READ_MM;
  });
}

/** Ends of a corner's thread by its collar's limits, mm of seat from the baseline; far off where nobody has said. */
function threadOf(
  { document }: JobRecord,
  id: CornerId,
  { atMm, seatBy }: { atMm: number; seatBy: number },
): [number, number] {
  const { minMm, maxMm } = document.corners[id].collar;
  const { readingSign } = cornerSpec(document, id);
  const end = (mm: number | null, way: 1 | -1) =>
    mm === null ? way * THREAD_MM + seatBy : readingSign * (mm - atMm);
  const ends = [end(minMm, -1), end(maxMm, 1)];
  return [Math.min(...ends), Math.max(...ends)];
}

function isPlain({ document }: JobRecord, { corners, now, specifiedAfter }: Answer): boolean {
  // Targets for another load than is aboard would be met by other heights.
  if (now.aboard.some((on, k) => on !== specifiedAfter.aboard[k])) return false;
  return cornersIn(document).every((id) => {
    const { targetMm, air, torsion, mount, reference } = document.corners[id];
    return (
      corners.some((one) => one.id === id) &&
      targetMm !== null &&
      air === null &&
      torsion === null &&
      mount === null &&
      reference.aheadMm === 0
    );
  });
}

/** Its ratio as far as it was learnt; a linkage by rows of what it does. */
function inClosedForm(contact: ContactDescription, riseBy: number): ContactDescription {
  const closed = (ratio: RatioDescription): RatioDescription =>
    ratio.kind === 'linkage'
      ? { kind: 'table', rows: linkageTable(ratio, contact.travelMm) }
      : ratio.kind === 'constant'
        ? { ...ratio, rise: (ratio.rise ?? 0) + riseBy }
        : ratio;
  const { ratio, springRatio } = contact;
  return { ...contact, ratio: closed(ratio), springRatio: springRatio && closed(springRatio) };
}

function departuresIn({ machine, fit, now }: Answer, at: readonly number[]): Departures {
  const { values } = fit;
  const { masses, contacts } = machine.believed.machine;
  return {
    contacts: at.map((i) => {
      const setting = values.settings[i];
      const { tyreRateNPerMm } = contacts[i] as ContactDescription;
      return {
        ...noContactDepartures,
        ratioBy: (setting?.ratioScale ?? 1) - 1,
        springBy: (setting?.springScales[0] ?? 1) - 1,
        preloadByMm: setting?.preloadOffBy ?? 0,
        tyreBy: (values.tyreScales[i] ?? 1) - 1,
        // A tenth of what a tyre holds is about what a spring does.
        frictionN: FRICTION_MM * 0.1 * tyreRateNPerMm,
      };
    }),
    // What is not aboard weighs nothing.
    massesBy: masses.map((_, k) => (now.aboard[k] === false ? -1 : (values.massScales[k] ?? 1) - 1)),
    twistNPerMm: null,
    bars: [],
  };
}
