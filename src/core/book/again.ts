import type { Answer } from '../planning/answerShape.ts';
import { carriedOver, type Changed } from '../document/description/carried.ts';
import { cornerField } from '../document/description/corner.ts';
import { jobField } from '../document/description/job.ts';
import { stepPlace } from '../adjusting/steps.ts';
import { wayOf } from '../adjusting/index.ts';
import { risenSince } from '../stance/risen.ts';
import { angleAfter } from '../stance/joint.ts';
import { lowPoints } from '../stance/lowPoints.ts';
import { distanceAfter, sinceMeasured } from '../stance/clearance.ts';
import { axleOf, type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { lossesAt } from '../estimate/settling.ts';
import type { CornerDocument, JobDocument, LearntDocument, LowPointDocument } from '../document/types.ts';

/** What a job's readings have taught of its machine's ratios, to be kept with the machine. */
function learntFrom(answer: Answer): LearntDocument {
  const { document, machine, posterior } = answer;
  const ratios: LearntDocument['ratios'] = {};
  for (const id of machine.corners) {
    const gain = posterior.gains[id];
    if (gain) ratios[id] = { ratio: gain.ratio.mean, sd: gain.ratio.sd };
  }
  const seen = settledIn(answer);
  return {
    from: document.name,
    others: null,
    ratios,
    settled: Object.keys(seen).length > 0 ? seen : (document.machine.learnt?.settled ?? {}),
  };
}

/** Height that springs have been seen to lose on the road; none where nobody drove, or read nothing since. */
export function settledIn({ machine, fit, now, state }: Answer): LearntDocument['settled'] {
  const fitted = state.rounds.slice(state.base);
  // What is lost shows between two readings: the first with new parts in has none before it.
  const out = fitted.findIndex(({ drivenKm }, k) => k > 0 && drivenKm !== null);
  const since = out < 0 ? [] : fitted.slice(out);
  if (!since.some(({ heights }) => Object.keys(heights).length > 0)) return {};
  const losses = lossesAt(fit, now);
  const km = since.reduce((sum, { drivenKm }) => sum + (drivenKm ?? 0), 0);
  return Object.fromEntries(
    machine.corners.flatMap((id, i) => {
      const loss = losses[i];
      return loss && loss.sdMm > 0 ? [[id, { ...loss, km }]] : [];
    }),
  );
}

/**
 * The description of the next job on the same machine: everything as it stands now, with what was learnt of it and
 * nothing measured. `machineId` is shared by both jobs. What is carried over, and how, the document's description says.
 */
export function againDocument(answer: Answer, machineId: string, name: string): JobDocument {
  const document = answer.written;
  const machineClass = document.machine.class;
  const { machine, stance } = jobField.fields;
  const whole = { machineClass, corner: null };
  const corners = Object.fromEntries(
    cornersIn(document).map((id) => [id, cornerNow(answer, id)]),
  ) as JobDocument['corners'];
  return {
    ...document,
    ...carriedOver(jobField.fields, document, { name }, whole),
    machine: {
      ...document.machine,
      ...carriedOver(
        machine.fields,
        document.machine,
        { id: machineId, learnt: learntFrom(answer), ...weighedWhole(document) },
        whole,
      ),
    },
    stance: {
      ...document.stance,
      ...carriedOver(stance.fields, document.stance, { points: pointsNow(answer) }, whole),
    },
    corners,
  } as JobDocument;
}

/** Low points were measured at a baseline: the next one's is where they are now. */
function pointsNow(answer: Answer): LowPointDocument[] {
  return lowPoints(answer).map(({ index, hereMm }) => ({
    ...(answer.written.stance.points[index] as LowPointDocument),
    nowMm: hereMm,
  }));
}

/** What the wheels weighed together, for a machine of which nobody has named the whole: good as a weight from a sheet. */
function weighedWhole({
  machine,
  corners,
  riders,
}: JobDocument): Pick<JobDocument['machine'], 'massKg' | 'frontShare'> {
  const ids = cornersIn({ machine });
  const kg = ids.map((id) => corners[id].loadKg ?? NaN);
  const massKg = kg.reduce((sum, one) => sum + one, 0);
  if (machine.massKg !== null || riders.length > 0 || !Number.isFinite(massKg))
    return { massKg: machine.massKg, frontShare: machine.frontShare };
  const onFront = ids.reduce((sum, id, k) => sum + (axleOf(id) === 'front' ? (kg[k] ?? 0) : 0), 0);
  return { massKg, frontShare: onFront / massKg };
}

/** A corner with the places of its adjusters as they are now, in place of those at the baseline. */
function cornerNow(answer: Answer, id: CornerId): CornerDocument {
  const { written: document, machine, now } = answer;
  const corner = document.corners[id];
  const i = machine.corners.indexOf(id);
  const seat = now.seatsBy[i] ?? 0;
  const out = now.mountsMm[i] ?? 0;
  const risenMm = risenSince(answer, id);
  const { roomMm, mount } = corner;
  const changed: Changed<typeof cornerField.fields> = {
    ...wayOf(corner).carried({ corner, seatBy: seat }),
    stepNow: stepPlace(corner, seat),
    roomMm: roomMm === null ? null : roomMm - seat,
    mount: mount ? { ...mount, engagedMm: mount.engagedMm === null ? null : mount.engagedMm - out } : null,
    rings: corner.rings.map((ring, j) => ({ ...ring, limitMm: ring.limitMm - (now.ringsMm?.[i]?.[j] ?? 0) })),
    boots: corner.boots.map((boot) => ({ ...boot, nowDeg: angleAfter(boot, risenMm) })),
    clearances: corner.clearances.map((one) => {
      const sinceMm = sinceMeasured(answer, id, one, risenMm);
      return {
        ...one,
        nowMm: distanceAfter(one, sinceMm),
        atMm: null,
        rows: one.rows?.map(([x, y]): [number, number] => [x - sinceMm, y]) ?? null,
      };
    }),
  };
  const place = { machineClass: document.machine.class, corner: id };
  return { ...corner, ...carriedOver(cornerField.fields, corner, changed, place) } as CornerDocument;
}
