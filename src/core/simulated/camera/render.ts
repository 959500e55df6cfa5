import { seededUniform, standardNormal } from '../../numerics/random.ts';
import { sheetShadeAt } from '../../vision/markerSheet.ts';
import { blur } from './blur.ts';
import { eyeOf, type Triple } from './eye.ts';
import { roughness, type Rough } from './roughness.ts';
import type { Shot, WheelScene } from './scene.ts';

const RADIANS = Math.PI / 180;
/** Math.hypot takes ten times as long. */
const length = (x: number, y: number): number => Math.sqrt(x * x + y * y);
const clamp = (value: number): number => (value < 0 ? 0 : value > 1 ? 1 : value);

/** A rendered picture: shades as the camera encodes them. */
export interface Rendered {
  widthPx: number;
  heightPx: number;
  shades: Uint8Array;
}

/** Rows between two pauses. */
const ROWS = 48;

/** The picture that a camera takes of a wheel in its arch, at once. */
export function renderWheel(scene: WheelScene, shot: Shot, seed: number): Rendered {
  const steps = renderSteps(scene, shot, seed);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/**
 * The picture that a camera takes of a wheel in its arch: rays through a bent lens onto body, wheel, what lies behind them and the
 * floor; then blur, noise and the camera's own curve. It pauses every few hundredths of a second, for whoever has other things to do.
 */
export function* renderSteps(scene: WheelScene, shot: Shot, seed: number): Generator<void, Rendered> {
  const { widthPx, heightPx } = shot;
  const light = new Float32Array(widthPx * heightPx);
  const rough = roughness(scene.look.seed);
  for (let y = 0; y < heightPx; y += ROWS) {
    renderRows(scene, shot, rough, light, y);
    yield;
  }
  yield* blur(light, widthPx, heightPx, shot);
  return { widthPx, heightPx, shades: encoded(light, shot, seed) };
}

/** The light of some rows, from one on. */
function renderRows(scene: WheelScene, shot: Shot, rough: Rough, light: Float32Array, from: number): void {
  const { widthPx, heightPx } = shot;
  const eye = eyeOf(shot);
  const wheel = wheelPlane(scene, shot);
  for (let y = from; y < Math.min(from + ROWS, heightPx); y++)
    for (let x = 0; x < widthPx; x++) {
      const across = (x - widthPx / 2 - shot.axisOffPx[0]) / shot.focalPx;
      const down = (y - heightPx / 2 - shot.axisOffPx[1]) / shot.focalPx;
      const squared = across * across + down * down;
      const grow = 1 + squared * (shot.bend + shot.bend4 * squared);
      const u = across * grow;
      const v = down * grow;
      light[y * widthPx + x] = lightAlong(
        scene,
        shot,
        wheel,
        rough,
        eye.ahead[0] + u * eye.right[0] - v * eye.up[0],
        eye.ahead[1] + u * eye.right[1] - v * eye.up[1],
        eye.ahead[2] + u * eye.right[2] - v * eye.up[2],
      );
    }
}

/** The wheel's normal, the two directions in its plane, and where the lens is by them. */
interface WheelPlane {
  normal: Triple;
  along: Triple;
  up: Triple;
  lens: Triple;
}

function wheelPlane({ camberDeg, steerDeg }: WheelScene, shot: Shot): WheelPlane {
  const [lean, steer] = [camberDeg * RADIANS, steerDeg * RADIANS];
  // Camber is positive with the top outwards, so that the wheel faces down a little.
  const normal: Triple = [
    Math.sin(steer) * Math.cos(lean),
    -Math.sin(lean),
    Math.cos(steer) * Math.cos(lean),
  ];
  const along: Triple = [Math.cos(steer), 0, -Math.sin(steer)];
  const up: Triple = [Math.sin(steer) * Math.sin(lean), Math.cos(lean), Math.cos(steer) * Math.sin(lean)];
  const of = (way: Triple): number =>
    shot.lensAlongMm * way[0] + shot.lensUpMm * way[1] + shot.lensOutMm * way[2];
  return { normal, along, up, lens: [of(along), of(up), of(normal)] };
}

/** How deep behind the lip's plane things lie, mm. */
const SPOKES_IN_MM = 14;
const DISC_IN_MM = 85;
const SILL_MM = -150;

function lightAlong(
  scene: WheelScene,
  shot: Shot,
  wheel: WheelPlane,
  rough: Rough,
  dx: number,
  du: number,
  dn: number,
): number {
  const { look } = scene;
  if (dn > -0.05) return 0.4;
  const toBody = (scene.lipOutMm - shot.lensOutMm) / dn;
  const pxMm = toBody / shot.focalPx;
  const bodyX = shot.lensAlongMm + toBody * dx;
  const bodyU = shot.lensUpMm + toBody * du;
  const shadow = shadowAt(scene, bodyX, bodyU, pxMm);
  const covered = coveredBy(scene, bodyX, bodyU, pxMm);
  const floorU = -0.97 * scene.tyreRadiusMm;
  let behind = 0;
  const body = bodyCover(scene, bodyX, bodyU, pxMm);
  if (body < 1) {
    const floorAt = (floorU - shot.lensUpMm) / du;
    const floorOutMm = shot.lensOutMm + floorAt * dn;
    const onFloor = du < 0 && floorOutMm > -260;
    const back = onFloor
      ? look.floorLight *
        (0.75 + 0.25 * rough(shot.lensAlongMm + floorAt * dx, floorOutMm, 90)) *
        (0.15 + 0.85 * clamp((floorOutMm + 20) / 260))
      : look.gapLight * (0.6 + 0.8 * rough(bodyX, bodyU, 60));
    behind = wheelLight(scene, wheel, rough, dx, du, dn, pxMm, back);
  }
  let light = behind;
  if (body > 0) light = body * bodyLight(scene, rough, bodyX, bodyU, pxMm) + (1 - body) * behind;
  light *= shadow;
  return covered > 0 ? covered * 0.12 * (0.7 + 0.6 * rough(bodyX, bodyU, 30)) + (1 - covered) * light : light;
}

const edge = (apartMm: number, pxMm: number): number => clamp(0.5 + apartMm / pxMm);

function shadowAt({ look }: WheelScene, x: number, u: number, pxMm: number): number {
  if (look.shadowShare >= 1) return 1;
  const apart = (x - look.shadowAlongMm) * Math.cos(look.shadowTurn) + u * Math.sin(look.shadowTurn);
  return 1 - (1 - look.shadowShare) * edge(apart, pxMm + 12);
}

function coveredBy({ look, rimDiameterMm }: WheelScene, x: number, u: number, pxMm: number): number {
  if (look.coveredShare <= 0) return 0;
  const to = -0.62 * rimDiameterMm + 1.24 * rimDiameterMm * look.coveredShare + 18 * Math.sin(u / 70);
  return edge(to - x, pxMm) * edge(x + 0.9 * rimDiameterMm, pxMm);
}

function bodyCover(scene: WheelScene, x: number, u: number, pxMm: number): number {
  const { archRadiusMm, archAlongMm, archMm } = scene;
  const middleU = archMm - Math.sqrt(archRadiusMm ** 2 - archAlongMm ** 2);
  const outside = length(x - archAlongMm, u - middleU) - archRadiusMm;
  // Under the arch's middle its sides go straight down.
  const beside = u < middleU ? Math.abs(x - archAlongMm) - archRadiusMm : outside;
  return edge(beside, pxMm) * edge(u - SILL_MM, pxMm);
}

function bodyLight(scene: WheelScene, rough: Rough, x: number, u: number, pxMm: number): number {
  const { look, archRadiusMm, archAlongMm, archMm } = scene;
  const middleU = archMm - Math.sqrt(archRadiusMm ** 2 - archAlongMm ** 2);
  const outside =
    u < middleU
      ? Math.abs(x - archAlongMm) - archRadiusMm
      : length(x - archAlongMm, u - middleU) - archRadiusMm;
  let light = look.bodyLight * (0.75 + 0.35 * clamp((u + 100) / 700) + 0.12 * (rough(x, u, 240) - 0.5));
  light *= 1 + (look.edgeLight - 1) * edge(9 - outside, pxMm + 2);
  // A crease, and the gap of a door.
  light *= 1 + 0.25 * clamp(1 - ((u - archMm - 120 - 0.05 * x) / 18) ** 2);
  light *= 1 - 0.7 * edge(2.5 - Math.abs(x - 480), pxMm);
  if (look.sheet) {
    const { alongMm, upMm, turnDeg } = look.sheet;
    const cos = Math.cos(turnDeg * RADIANS);
    const sin = Math.sin(turnDeg * RADIANS);
    const sx = x - alongMm;
    const su = u - upMm;
    const shade = sheetShadeAt(cos * sx + sin * su, -sin * sx + cos * su, pxMm);
    if (shade !== null) return shade;
  }
  return light * (1 - 0.5 * look.dirt * clamp((300 - u) / 500) * rough(x, u, 45));
}

function wheelLight(
  scene: WheelScene,
  { normal, along, up, lens }: WheelPlane,
  rough: Rough,
  dx: number,
  du: number,
  dn: number,
  pxMm: number,
  back: number,
): number {
  const { look, tyreRadiusMm } = scene;
  const radius = scene.rimDiameterMm / 2;
  // For each mm behind the lip's plane the ray goes on so far along and up.
  const deeper = -1 / (dx * normal[0] + du * normal[1] + dn * normal[2]);
  const onX = deeper * (dx * along[0] + du * along[1] + dn * along[2]);
  const onU = deeper * (dx * up[0] + du * up[1] + dn * up[2]);
  const wx = lens[0] + lens[2] * onX;
  const wu = lens[1] + lens[2] * onU;
  const r = length(wx, wu);
  const tyre = edge(tyreRadiusMm - r, pxMm) * edge(wu + 0.97 * tyreRadiusMm, pxMm);
  if (tyre === 0) return back;
  const round = Math.atan2(wu, wx);
  const dust = look.dirt * (0.35 + 0.65 * rough(wx + 700, wu, 55));
  // The tyre's side: rounder towards its shoulder, a ring, letters, dust.
  const reach = (r - radius) / Math.max(tyreRadiusMm - radius, 1);
  let tyreLight = look.tyreLight * (0.75 + 0.6 * clamp(1 - ((reach - 0.35) / 0.5) ** 2));
  tyreLight += look.ringLight * edge(3 - Math.abs(r - radius - 22), pxMm);
  if (look.lettered && reach > 0.45 && reach < 0.62)
    tyreLight += 0.05 * clamp(4 * Math.sin(round * 46) * rough(round * 80, 5, 9) - 0.6);
  tyreLight += 0.13 * dust;
  tyreLight *= 1 - (1 - look.grooveShare) * edge(radius + look.grooveMm - r, pxMm);
  const light = tyre * tyreLight + (1 - tyre) * back;
  const scuff = scuffAt(look.scuffed, rough, round);
  const rim = edge(radius - 2.2 * scuff - r, pxMm);
  if (rim === 0) return light;
  const shine = 1 - look.shineLessShare * (0.5 - 0.5 * Math.cos(round - look.shineAt));
  const lip = look.lipLight * shine * (1 - 0.45 * scuff);
  const inner = radius - look.lipWidthMm;
  let rimLight = lip;
  const lipInner = edge(inner - r, pxMm);
  if (lipInner > 0)
    rimLight = lipInner * innerLight(scene, rough, wx, wu, onX, onU, pxMm, shine) + (1 - lipInner) * lip;
  rimLight = rimLight * (1 - 0.55 * dust) + 0.08 * dust;
  return rim * rimLight + (1 - rim) * light;
}

/** Where the lip is scuffed, 0 to 1, along its round. */
function scuffAt(share: number, rough: Rough, round: number): number {
  if (share <= 0) return 0;
  const here = rough(900 + 160 * Math.cos(round), 160 * Math.sin(round), 38);
  return clamp((here - (1 - share)) * 6) * (0.4 + 0.6 * rough(400 * round, 3, 7));
}

function innerLight(
  scene: WheelScene,
  rough: Rough,
  wx: number,
  wu: number,
  onX: number,
  onU: number,
  pxMm: number,
  shine: number,
): number {
  const { look } = scene;
  const radius = scene.rimDiameterMm / 2;
  const sx = wx + SPOKES_IN_MM * onX;
  const su = wu + SPOKES_IN_MM * onU;
  const r = length(sx, su);
  const round = Math.atan2(su, sx) - look.spokeTurn;
  const part = ((((round * look.spokes) / (2 * Math.PI)) % 1) + 1.5) % 1;
  const aside = Math.abs(part - 0.5) * ((2 * Math.PI) / look.spokes) * r;
  const half = look.spokeWidthMm * (0.7 + (0.5 * r) / radius);
  const hub = edge(0.2 * radius - r, pxMm);
  const barrel = edge(r - 0.9 * radius, pxMm);
  const spoke = Math.max(edge(half - aside, pxMm), hub, barrel);
  const face =
    look.spokeLight *
    shine *
    (0.8 + 0.3 * rough(sx, su, 120)) *
    (1 - 0.35 * edge(aside - 0.6 * half, pxMm + 3));
  if (spoke >= 1 && hub < 1) return barrel > 0.5 ? look.spokeLight * 0.6 * shine : face;
  const bx = wx + DISC_IN_MM * onX;
  const bu = wu + DISC_IN_MM * onU;
  const deep = length(bx, bu);
  const disc = edge(0.62 * radius - deep, pxMm);
  const inside =
    disc * look.discLight * (0.7 + 0.5 * Math.abs(Math.sin(Math.atan2(bu, bx) + 0.7))) +
    (1 - disc) * look.gapLight * 1.5;
  const bolt = boltAt(sx, su, radius, pxMm);
  return spoke * (face * (1 - 0.7 * bolt)) + (1 - spoke) * inside;
}

function boltAt(x: number, u: number, radius: number, pxMm: number): number {
  const round = Math.atan2(u, x);
  const step = (2 * Math.PI) / 5;
  const near = Math.round(round / step) * step;
  const ring = 0.24 * radius;
  return edge(8 - length(x - ring * Math.cos(near), u - ring * Math.sin(near)), pxMm);
}

/** Shades of light: exposure, noise of photons and of reading, and the camera's curve. */
function encoded(light: Float32Array, { exposure, noise, gamma }: Shot, seed: number): Uint8Array {
  const uniform = seededUniform(seed);
  const noises = Float32Array.from({ length: 1 << 16 }, () => standardNormal(uniform));
  const curve = Uint8Array.from({ length: 4097 }, (_, i) => Math.round(255 * (i / 4096) ** (1 / gamma)));
  const shades = new Uint8Array(light.length);
  // Of a middle grey, 0.2 of white, a shade is so much light.
  const perShade = (gamma * 0.2 ** (1 - 1 / gamma)) / 255;
  const base = (noise * perShade) ** 2;
  let at = Math.floor(uniform() * 65536);
  for (let i = 0; i < light.length; i++) {
    if ((i & 1023) === 0) at = Math.floor(uniform() * 65536);
    const seen = exposure * (light[i] as number);
    const spread = Math.sqrt(base * (0.25 + 3.75 * seen));
    const value = seen + spread * (noises[(at + i * 7) & 65535] as number);
    shades[i] = curve[value <= 0 ? 0 : value >= 1 ? 4096 : (4096 * value + 0.5) | 0] as number;
  }
  return shades;
}
