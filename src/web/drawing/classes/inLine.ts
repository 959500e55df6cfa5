import type { Outline, Picture } from './picture.ts';

interface Rider {
  /** A flat floor in place of tank and knees. */
  scooter: boolean;
  /** Half the width of the handlebar, mm. */
  bar: number;
}

/** Two wheels in line. */
export function twoWheels(rider: Rider): Picture {
  return { above: (base) => inLine(rider, base), side: null };
}

/** Tank, seat and handlebar over two wheels in line; a scooter has its flat floor. */
function inLine({ scooter, bar }: Rider, base: number): Outline {
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
