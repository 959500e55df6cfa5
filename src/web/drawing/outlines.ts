import type { MachineClass } from '#core/machine/classes.ts';

/** How a class is drawn from above, front up, in mm from the middle of the wheelbase: as SVG path data. */
export interface Outline {
  /** What the springs carry. */
  body: string;
  /** Seats, glass, bed: finer lines on it. */
  details: string[];
  /** How far the body reaches beyond the axles, as shares of the wheelbase. */
  nose: number;
  tail: number;
  /** Least width of the picture, mm. */
  width: number;
  /** Half of what the arms reach in to, mm; null where there are no arms. */
  armMm: number | null;
}

interface FourWheeled {
  halfFront: number;
  halfMid: number;
  halfRear: number;
  nose: number;
  tail: number;
  cabin: [number, number];
}

const fourWheeled: Partial<Record<MachineClass, FourWheeled>> = {
  car: { halfFront: 0.4, halfMid: 0.47, halfRear: 0.43, nose: 0.3, tail: 0.32, cabin: [0.16, 0.66] },
  truck: { halfFront: 0.44, halfMid: 0.48, halfRear: 0.47, nose: 0.24, tail: 0.34, cabin: [0.12, 0.46] },
  'side-by-side': {
    halfFront: 0.2,
    halfMid: 0.36,
    halfRear: 0.28,
    nose: 0.16,
    tail: 0.14,
    cabin: [0.22, 0.68],
  },
};

/** The outline of a class on a wheelbase and track in mm. */
export function outlineOf(machineClass: MachineClass, base: number, track: number): Outline {
  const four = fourWheeled[machineClass];
  if (four) return fourWheels(machineClass, four, base, track);
  return machineClass === 'snowmobile' ? sled(base, track) : twoWheels(machineClass, base);
}

function fourWheels(machineClass: MachineClass, body: FourWheeled, base: number, track: number): Outline {
  const t = track;
  return {
    body: shell(body, t, base),
    details: [
      cabin(body, t, base),
      ...(machineClass === 'truck'
        ? [`M${-t * 0.36} ${base * 0.02}h${t * 0.72}v${base * 0.72}h${-t * 0.72}Z`]
        : []),
      ...(machineClass === 'side-by-side'
        ? [`M${-t * 0.3} ${-base * 0.1}H${t * 0.3}`, `M${-t * 0.3} ${base * 0.22}H${t * 0.3}`]
        : []),
    ],
    nose: body.nose,
    tail: body.tail,
    width: t,
    armMm: body.halfMid * t * 0.62,
  };
}

function shell(body: FourWheeled, track: number, base: number): string {
  const [f, m, r] = [body.halfFront * track * 0.8, body.halfMid * track * 0.8, body.halfRear * track * 0.8];
  const [front, rear] = [-base / 2 - base * body.nose, base / 2 + base * body.tail];
  return [
    `M0 ${front}`,
    `C${f * 0.8} ${front} ${f} ${front + base * 0.05} ${f} ${front + base * 0.14}`,
    `C${m} ${-base * 0.2} ${m} ${base * 0.1} ${r} ${rear - base * 0.12}`,
    `C${r} ${rear - base * 0.03} ${r * 0.8} ${rear} 0 ${rear}`,
    `C${-r * 0.8} ${rear} ${-r} ${rear - base * 0.03} ${-r} ${rear - base * 0.12}`,
    `C${-m} ${base * 0.1} ${-m} ${-base * 0.2} ${-f} ${front + base * 0.14}`,
    `C${-f} ${front + base * 0.05} ${-f * 0.8} ${front} 0 ${front}Z`,
  ].join('');
}

function cabin(body: FourWheeled, track: number, base: number): string {
  const [from, to] = body.cabin.map((share) => -base / 2 + share * base) as [number, number];
  const [narrow, wide] = [body.halfMid * track * 0.56, body.halfMid * track * 0.66];
  return `M${-narrow} ${from}C${-narrow * 0.5} ${from - base * 0.06} ${narrow * 0.5} ${from - base * 0.06} ${narrow} ${from}L${wide} ${to}H${-wide}Z`;
}

/** Cowl between the skis, tunnel and flap behind, the seat on it. */
function sled(base: number, track: number): Outline {
  const [cowl, tunnel] = [track * 0.34, track * 0.2];
  const front = -base * 0.62;
  const rear = base * 0.86;
  return {
    body: [
      `M0 ${front}C${cowl * 0.7} ${front} ${cowl} ${front + base * 0.12} ${cowl} ${-base * 0.28}`,
      `L${cowl * 0.9} ${base * 0.02}L${tunnel} ${base * 0.12}V${rear}H${-tunnel}V${base * 0.12}`,
      `L${-cowl * 0.9} ${base * 0.02}L${-cowl} ${-base * 0.28}`,
      `C${-cowl} ${front + base * 0.12} ${-cowl * 0.7} ${front} 0 ${front}Z`,
    ].join(''),
    details: [
      `M${-tunnel * 0.7} ${base * 0.05}V${base * 0.55}Q0 ${base * 0.62} ${tunnel * 0.7} ${base * 0.55}V${base * 0.05}`,
      `M${-track * 0.3} ${-base * 0.02}Q0 ${-base * 0.12} ${track * 0.3} ${-base * 0.02}`,
    ],
    nose: 0.34,
    tail: 0.38,
    width: track,
    armMm: cowl * 0.8,
  };
}

/** Tank, seat and handlebar over two wheels in line; a scooter has its flat floor. */
function twoWheels(machineClass: MachineClass, base: number): Outline {
  const scooter = machineClass === 'scooter';
  const bar = machineClass === 'dual-purpose' ? 400 : 340;
  const [tank, waist] = scooter ? [150, 190] : [150, 95];
  const [front, rear] = [-base * (scooter ? 0.42 : 0.3), base * 0.66];
  return {
    body: [
      `M0 ${front}C${tank} ${front} ${tank} ${-base * 0.16} ${tank} ${-base * 0.08}`,
      `C${tank} ${base * 0.04} ${waist} ${base * 0.06} ${waist} ${base * 0.14}`,
      `C${waist + 30} ${base * 0.3} ${waist + 20} ${base * 0.5} 0 ${rear}`,
      `C${-waist - 20} ${base * 0.5} ${-waist - 30} ${base * 0.3} ${-waist} ${base * 0.14}`,
      `C${-waist} ${base * 0.06} ${-tank} ${base * 0.04} ${-tank} ${-base * 0.08}`,
      `C${-tank} ${-base * 0.16} ${-tank} ${front} 0 ${front}Z`,
    ].join(''),
    details: [
      `M${-bar} ${-base * 0.26}Q${-bar * 0.5} ${-base * 0.34} 0 ${-base * 0.34}T${bar} ${-base * 0.26}`,
      scooter
        ? `M${-tank * 0.8} ${-base * 0.2}H${tank * 0.8}M${-tank * 0.8} ${base * 0.05}H${tank * 0.8}`
        : `M${-waist * 0.8} ${base * 0.16}Q0 ${base * 0.08} ${waist * 0.8} ${base * 0.16}`,
    ],
    nose: 0.24,
    tail: 0.26,
    width: 2 * bar,
    armMm: null,
  };
}
