import type { FaultList } from '../faults.ts';
import { bisect } from '../numerics/bisect.ts';

/** A place in the plane of the machine: x forward, z up, mm, in the frame's own axes. */
type Place = readonly [number, number];

/**
 * A swing arm that works its damper through a rocker: the arm turns about `armPivot` and carries the axle and the
 * link's lower end; the link pushes the rocker, which turns about `rockerPivot` and presses the damper.
 * All places are those at full droop.
 */
export interface LinkageDescription {
  armPivot: Place;
  axle: Place;
  linkOnArm: Place;
  rockerPivot: Place;
  linkOnRocker: Place;
  damperOnRocker: Place;
  damperOnFrame: Place;
  /** Added to the link's length (lowering links): the damper stays fully extended at full droop. */
  linkLongerMm?: number | undefined;
}

/** The places of a linkage, from the arm to the frame. */
export const linkagePlaces = [
  'armPivot',
  'axle',
  'linkOnArm',
  'rockerPivot',
  'linkOnRocker',
  'damperOnRocker',
  'damperOnFrame',
] as const;

export type LinkagePlace = (typeof linkagePlaces)[number];

const STEPS = 40;

/** Checks that the linkage can be moved through a wheel travel in mm and always compresses the damper. */
export function checkLinkage(
  path: string,
  linkage: LinkageDescription,
  travelMm: number,
  faults: FaultList,
): void {
  let right = true;
  for (const name of linkagePlaces)
    for (const k of [0, 1] as const)
      right = faults.number(`${path}.${name}[${k}]`, linkage[name]?.[k], { min: -1e4, max: 1e4 }) && right;
  right = faults.number(`${path}.linkLongerMm`, linkage.linkLongerMm ?? 0, { min: -200, max: 200 }) && right;
  if (!right || !Number.isFinite(travelMm)) return;
  const rows = linkageTable(linkage, travelMm);
  const bad = rows.findIndex(([z, s], i) => {
    const before = rows[i - 1];
    return (
      !Number.isFinite(s) ||
      !Number.isFinite(z) ||
      (before !== undefined && (s <= before[1] || z <= before[0]))
    );
  });
  if (bad >= 0) {
    faults.add(path, undefined, { be: 'whole-way-up', locksAtMm: Math.round((bad * travelMm) / STEPS) });
  }
}

/**
 * Rows of [wheel travel, damper compression] of a linkage through a wheel travel in mm. The arm is turned in steps; the
 * link's upper end is where a circle about the arm's end (the link) meets the one about the rocker's pivot, on the side
 * it starts from; the damper shortens from its length at full droop. Not-a-number rows where the circles do not meet.
 */
export function linkageTable(linkage: LinkageDescription, travelMm: number): [number, number][] {
  const turnAt = armTurns(linkage);
  const droop = damperAt(linkage, 0);
  return Array.from({ length: STEPS + 1 }, (_, i) => {
    const z = (travelMm * i) / STEPS;
    return [z, i === 0 ? 0 : droop - damperAt(linkage, rockerTurn(linkage, turnAt(z)))];
  });
}

/** mm by which other links raise the wheel in the frame at full droop: the chassis is lower by as much. */
export function linkageDroopShift(linkage: LinkageDescription): number {
  const { armPivot, axle } = linkage;
  return rotate(axle, armPivot, droopTurn(linkage))[1] - axle[1];
}

/** The arm's turn in radians for a wheel travel from full droop, from the axle's rise: sin(new) = sin(start) + z / arm. */
function armTurns(linkage: LinkageDescription): (travelMm: number) => number {
  const { armPivot, axle } = linkage;
  const arm = distance(armPivot, axle);
  const side = axle[0] < armPivot[0] ? -1 : 1;
  const first = droopTurn(linkage);
  const start = Math.asin(Math.sin(angle(armPivot, rotate(axle, armPivot, first))));
  return (z) => first + side * (Math.asin(Math.sin(start) + z / arm) - start);
}

/** The arm's turn at which the damper is fully extended: links of another length change it. */
function droopTurn(linkage: LinkageDescription): number {
  if (!linkage.linkLongerMm) return 0;
  const { armPivot, linkOnArm, linkOnRocker } = linkage;
  const lever = distance(armPivot, linkOnArm);
  const base = distance(armPivot, linkOnRocker);
  const link = distance(linkOnArm, linkOnRocker) + linkage.linkLongerMm;
  const opening = Math.acos((lever ** 2 + base ** 2 - link ** 2) / (2 * lever * base));
  const side = Math.sign(cross(armPivot, linkOnRocker, linkOnArm)) || 1;
  return wrap(angle(armPivot, linkOnRocker) + side * opening - angle(armPivot, linkOnArm));
}

/** Radians the rocker has turned from the described place when the arm has turned by so many. */
function rockerTurn(linkage: LinkageDescription, armTurn: number): number {
  const { armPivot, linkOnArm, rockerPivot, linkOnRocker } = linkage;
  const low = rotate(linkOnArm, armPivot, armTurn);
  const link = distance(linkOnArm, linkOnRocker) + (linkage.linkLongerMm ?? 0);
  const rocker = distance(rockerPivot, linkOnRocker);
  const base = distance(rockerPivot, low);
  // Cosine rule in the triangle rocker pivot, link's upper end, link's lower end.
  const opening = Math.acos((rocker ** 2 + base ** 2 - link ** 2) / (2 * rocker * base));
  const side = Math.sign(cross(rockerPivot, linkOnArm, linkOnRocker)) || 1;
  return wrap(angle(rockerPivot, low) + side * opening - angle(rockerPivot, linkOnRocker));
}

function damperAt({ rockerPivot, damperOnRocker, damperOnFrame }: LinkageDescription, turn: number): number {
  return distance(rotate(damperOnRocker, rockerPivot, turn), damperOnFrame);
}

function distance(a: Place, b: Place): number {
  return Math.hypot(b[0] - a[0], b[1] - a[1]);
}

function angle(from: Place, to: Place): number {
  return Math.atan2(to[1] - from[1], to[0] - from[0]);
}

function cross(o: Place, a: Place, b: Place): number {
  return (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
}

function rotate(place: Place, about: Place, turn: number): Place {
  const [x, z] = [place[0] - about[0], place[1] - about[1]];
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  return [about[0] + c * x - s * z, about[1] + s * x + c * z];
}

function wrap(turn: number): number {
  return Math.atan2(Math.sin(turn), Math.cos(turn));
}

/** Longest and shortest that links can be had beside the ones fitted, mm. */
const LINK_RANGE_MM = 60;

/**
 * How much longer the link has to be for the chassis to sit so many mm lower at the axle with the damper fully extended;
 * by halving over lengths that can be had. Null where no link does it.
 */
export function linkLongerFor(linkage: LinkageDescription, dropMm: number): number | null {
  const drop = (mm: number) => linkageDroopShift({ ...linkage, linkLongerMm: mm });
  // Which way the link has to go depends on whether it is pushed or pulled.
  const sign = Math.sign(drop(1)) || 1;
  let [low, high] = [-LINK_RANGE_MM, LINK_RANGE_MM];
  // A link that cannot close says so by not being a number: the range ends before that.
  while (high > 1 && !Number.isFinite(drop(high))) high -= 1;
  while (low < -1 && !Number.isFinite(drop(low))) low += 1;
  const off = (mm: number) => sign * (drop(mm) - dropMm);
  if (off(low) > 0 || off(high) < 0) return null;
  return bisect(low, high, (mm) => off(mm) < 0);
}
