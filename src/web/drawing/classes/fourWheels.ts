import type { Outline } from './picture.ts';

/** Half widths as shares of the track, reach and cabin as shares of the wheelbase. */
interface FourWheeled {
  halfFront: number;
  halfMid: number;
  halfRear: number;
  nose: number;
  tail: number;
  cabin: [number, number];
}

/** A body between four wheels, seen from above, with finer lines of its own. */
export function fourWheels(
  body: FourWheeled,
  lines: (base: number, track: number) => string[] = () => [],
): (base: number, track: number) => Outline {
  return (base, track) => ({
    body: shell(body, track, base),
    details: [cabin(body, track, base), ...lines(base, track)],
    nose: body.nose,
    tail: body.tail,
    width: track,
    armMm: body.halfMid * track * 0.62,
  });
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
