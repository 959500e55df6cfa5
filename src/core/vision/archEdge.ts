import { bodySeenAt, onBody } from './bodyPoint.ts';
import { stepsAlong, stepsIn } from './edgeAlong.ts';
import { lightAt, type GreyPicture } from './picture.ts';
import type { Scene } from './wheelModel.ts';

/** A place on the body's edge in the picture. */
export interface EdgePlace {
  x: number;
  y: number;
  sdPx: number;
  blurPx: number;
}

/** A rolled edge is no sharper than this to a tape either. */
const LEAST_SD_PX = 0.2;

/** Over the wheel the edge is looked for to either side of the hub's vertical as far as this, mm. */
const ASIDE_MM = 70;
const COLUMNS = 15;
/** A tyre is at least this much larger than its rim, an arch at most this much. */
const LEAST_RADII = 1.18;
const MOST_RADII = 2.75;

interface Candidate {
  upMm: number;
  rise: number;
  fall: number;
  blurPx: number;
}

/**
 * The arch's lower edge over the hub: the first line above the tyre on which light changes over the whole breadth, curved as an arch is.
 * Dark gap below, body above; a dark body may only have a bright rolled edge. Null where none is seen.
 */
export function findArch(picture: GreyPicture, scene: Scene, blurPx: number): EdgePlace | null {
  const columns = Array.from({ length: COLUMNS }, (_, k) => ASIDE_MM * ((2 * k) / (COLUMNS - 1) - 1));
  const low = LEAST_RADII * scene.radiusMm;
  const high = MOST_RADII * scene.radiusMm;
  const soft = Math.max(1.2, 0.9 * blurPx);
  const found = columns.map((alongMm) => candidatesIn(picture, scene, alongMm, low, high, soft));
  const middle = found[(COLUMNS - 1) / 2] ?? [];
  const lines = middle.map((start) => followed(start, found, columns, scene));
  const most = Math.max(...lines.map(({ worth }) => worth), 0);
  if (most <= 0) return null;
  // The lowest of the lines that stand out: above it come the body's own creases.
  const chosen = lines.filter(({ worth }) => worth > 0.45 * most).sort((a, b) => a.upMm - b.upMm)[0];
  if (!chosen) return null;
  return refinedArch(picture, scene, chosen, blurPx);
}

/** The arch's edge about a place that somebody pointed at; null where light does not change there. */
export function archNear(
  picture: GreyPicture,
  scene: Scene,
  x: number,
  y: number,
  blurPx: number,
): EdgePlace | null {
  const { alongMm, upMm } = onBody(scene, x, y);
  // About the hub until it is seen how it is curved.
  return refinedArch(picture, scene, { upMm, curve: -0.5 / Math.max(upMm, 100) }, blurPx, alongMm);
}

const SEGMENTS = 11;
const PER_SEGMENT = 12;
const FINE = 3;

/**
 * The edge near a curve over the hub, below a pixel: in each of a few segments light is averaged along the curve, so that noise weighs
 * little; a curve through what they find says where the edge is over the hub, and their scatter about it how well that is known.
 */
function refinedArch(
  picture: GreyPicture,
  scene: Scene,
  { upMm, curve }: Pick<Line, 'upMm' | 'curve'>,
  blurPx: number,
  aboutMm = 0,
): EdgePlace | null {
  const pxPerMm = scene.camera.focalPx / scene.hub[2];
  const reachPx = Math.max(8, 3 * blurPx);
  const n = 2 * Math.ceil(reachPx * FINE) + 1;
  const soft = Math.max(1.2, 0.9 * blurPx);
  const shifts: { at: number; shift: number }[] = [];
  const blurs: number[] = [];
  for (let segment = 0; segment < SEGMENTS; segment++) {
    const light = new Float64Array(n);
    for (let j = 0; j < PER_SEGMENT; j++) {
      const aside = ASIDE_MM * ((2 * (segment + (j + 0.5) / PER_SEGMENT)) / SEGMENTS - 1);
      const alongMm = aboutMm + aside;
      const [x, y] = bodySeenAt(scene, { alongMm, upMm: upMm + curve * aside * aside });
      const [ax, ay] = bodySeenAt(scene, { alongMm, upMm: upMm + curve * aside * aside + 10 });
      const length = Math.hypot(ax - x, ay - y);
      const [ux, uy] = [(ax - x) / length, (ay - y) / length];
      for (let k = 0; k < n; k++) {
        const by = (k - (n - 1) / 2) / FINE;
        light[k] = (light[k] as number) + lightAt(picture, x + by * ux, y + by * uy) / PER_SEGMENT;
      }
    }
    const best = stepsIn(light, FINE, soft)
      .filter(({ fall }) => fall < 0)
      .map((step) => ({ ...step, worth: -step.fall * Math.exp(-0.5 * (step.atPx / (0.5 * reachPx)) ** 2) }))
      .sort((a, b) => b.worth - a.worth)[0];
    if (!best) continue;
    shifts.push({ at: (2 * (segment + 0.5)) / SEGMENTS - 1, shift: best.atPx });
    blurs.push(best.blurPx);
  }
  const through = shifts.length < 6 ? null : middleThrough(shifts);
  if (!through) return null;
  const [x, y] = bodySeenAt(scene, { alongMm: aboutMm, upMm: upMm + through.shiftPx / pxPerMm });
  if (!(x > 4 && y > 4 && x < picture.widthPx - 5 && y < picture.heightPx - 5)) return null;
  return {
    x,
    y,
    sdPx: Math.hypot(LEAST_SD_PX, through.sdPx),
    blurPx: [...blurs].sort((a, b) => a - b)[blurs.length >> 1] as number,
  };
}

/** The parabola through what the segments found, taken in the middle; those that lie off it weigh less. */
function middleThrough(
  shifts: readonly { at: number; shift: number }[],
): { shiftPx: number; sdPx: number } | null {
  let weights = shifts.map(() => 1);
  let found: { shiftPx: number; sdPx: number } | null = null;
  for (let turn = 0; turn < 5; turn++) {
    const sum = (of: (at: number, shift: number) => number) =>
      shifts.reduce((all, { at, shift }, i) => all + (weights[i] as number) * of(at, shift), 0);
    const matrix = [0, 1, 2].map((p) => [0, 1, 2].map((q) => sum((at) => at ** (p + q))));
    const right = [0, 1, 2].map((p) => sum((at, shift) => at ** p * shift));
    const [a, b, c] = solve3(matrix, right);
    if (!Number.isFinite(a + b + c)) return null;
    const apart = shifts.map(({ at, shift }) => shift - (a + b * at + c * at * at));
    const middle = [...apart].map(Math.abs).sort((m, n) => m - n)[shifts.length >> 1] as number;
    // Three of them go into the curve itself.
    const spread = 1.4826 * middle * Math.sqrt(shifts.length / (shifts.length - 3));
    const [toMiddle] = solve3(matrix, [1, 0, 0]);
    found = { shiftPx: a, sdPx: spread * Math.sqrt(Math.max(toMiddle, 0)) };
    const unit = 4.7 * Math.max(spread, 0.05);
    weights = apart.map((by) => (Math.abs(by) < unit ? (1 - (by / unit) ** 2) ** 2 : 1e-6));
  }
  return found;
}

function candidatesIn(
  picture: GreyPicture,
  scene: Scene,
  alongMm: number,
  low: number,
  high: number,
  soft: number,
): Candidate[] {
  const [x0, y0] = bodySeenAt(scene, { alongMm, upMm: low });
  const [x1, y1] = bodySeenAt(scene, { alongMm, upMm: high });
  const length = Math.hypot(x1 - x0, y1 - y0);
  const [dx, dy] = [(x1 - x0) / length, (y1 - y0) / length];
  const [mx, my] = [(x0 + x1) / 2, (y0 + y1) / 2];
  const all = stepsAlong(picture, [mx, my, dx, dy], length / 2, soft, 9);
  const sizes = all.map(({ fall }) => Math.abs(fall));
  const most = Math.max(...sizes, 1e-9);
  return all
    .filter(({ fall }) => Math.abs(fall) > 0.04 * most)
    .map(({ atPx, fall, blurPx }) => {
      const { upMm } = onBody(scene, mx + atPx * dx, my + atPx * dy);
      return { upMm, rise: Math.max(-fall, 0), fall: Math.max(fall, 0), blurPx };
    });
}

interface Line {
  upMm: number;
  /** Of along², per mm. */
  curve: number;
  worth: number;
  blurPx: number;
}

/** The line that goes on from a place over the hub to both sides: how strong its weaker half is, and where a smooth line through it lies over the hub. */
function followed(
  start: Candidate,
  columns: readonly Candidate[][],
  alongs: readonly number[],
  scene: Scene,
): Line {
  const middle = (COLUMNS - 1) / 2;
  const places: { along: number; up: number; size: number; blurPx: number }[] = [
    { along: 0, up: start.upMm, size: start.rise, blurPx: start.blurPx },
  ];
  for (const side of [-1, 1]) {
    let up = start.upMm;
    let slope = 0;
    for (let k = 1; k <= middle; k++) {
      const column = columns[middle + side * k] ?? [];
      const along = alongs[middle + side * k] as number;
      const step = (2 * ASIDE_MM) / (COLUMNS - 1);
      const wanted = up + slope;
      let best: Candidate | null = null;
      for (const one of column) {
        if (one.rise <= 0 || Math.abs(one.upMm - wanted) > 0.35 * step) continue;
        if (!best || one.rise > best.rise) best = one;
      }
      if (!best) continue;
      slope = 0.5 * slope + 0.5 * (best.upMm - up);
      slope = Math.max(-0.6 * step, Math.min(0.6 * step, slope));
      up = best.upMm;
      places.push({ along, up, size: best.rise, blurPx: best.blurPx });
    }
  }
  const sizes = places.map(({ size }) => size).sort((a, b) => a - b);
  const typical = sizes[Math.floor(sizes.length / 2)] as number;
  const share = places.length / COLUMNS;
  const parabola = throughArch(places, scene.radiusMm);
  const blurs = places.map(({ blurPx }) => blurPx).sort((a, b) => a - b);
  return {
    ...parabola,
    worth: share < 0.7 ? 0 : typical * share ** 2,
    blurPx: blurs[Math.floor(blurs.length / 2)] as number,
  };
}

/** The parabola through places: its height over the hub, and its curve. */
function throughArch(
  places: readonly { along: number; up: number }[],
  unitMm: number,
): { upMm: number; curve: number } {
  let weights = places.map(() => 1);
  let at = { upMm: places[0]?.up ?? 0, curve: 0 };
  if (places.length < 6) return at;
  for (let turn = 0; turn < 4; turn++) {
    const sums = Array.from({ length: 5 }, (_, p) =>
      places.reduce((sum, { along }, i) => sum + (weights[i] as number) * (along / unitMm) ** p, 0),
    );
    const rights = [0, 1, 2].map((p) =>
      places.reduce((sum, { along, up }, i) => sum + (weights[i] as number) * (along / unitMm) ** p * up, 0),
    );
    const [a, b, c] = solve3(
      [0, 1, 2].map((p) => [0, 1, 2].map((q) => sums[p + q] as number)),
      rights,
    );
    const apart = places.map(({ along, up }) => up - (a + b * (along / unitMm) + c * (along / unitMm) ** 2));
    const sd = Math.max(
      1.4826 * ([...apart].map(Math.abs).sort((m, n) => m - n)[places.length >> 1] as number),
      0.05,
    );
    weights = apart.map((by) => (Math.abs(by) < 4 * sd ? (1 - (by / (4 * sd)) ** 2) ** 2 : 0));
    at = { upMm: a, curve: c / unitMm ** 2 };
  }
  return at;
}

function solve3(matrix: number[][], right: number[]): [number, number, number] {
  const rows = matrix.map((row, i) => [...row, right[i] as number]);
  for (let k = 0; k < 3; k++) {
    const pivot = rows
      .slice(k)
      .sort((a, b) => Math.abs(b[k] as number) - Math.abs(a[k] as number))[0] as number[];
    rows.splice(rows.indexOf(pivot), 1);
    rows.splice(k, 0, pivot);
    for (let i = 0; i < 3; i++) {
      if (i === k) continue;
      const by = (rows[i]?.[k] as number) / (pivot[k] as number);
      for (let j = k; j < 4; j++)
        (rows[i] as number[])[j] = (rows[i]?.[j] as number) - by * (pivot[j] as number);
    }
  }
  return [0, 1, 2].map((k) => (rows[k]?.[3] as number) / (rows[k]?.[k] as number)) as [
    number,
    number,
    number,
  ];
}
