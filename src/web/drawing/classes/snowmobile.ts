import type { Outline, Picture } from './picture.ts';

export const snowmobile: Picture = { above: sled, side: null };

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
