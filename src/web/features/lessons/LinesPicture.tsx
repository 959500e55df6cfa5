interface Props {
  y: (x: number) => number;
  range: readonly [number, number];
  most: number;
  least?: number;
  /** What goes up over what goes along. */
  words: string;
  /** Where it is looked at. */
  mark?: number;
  band?: readonly [number, number];
}

const WIDTH = 420;
const HEIGHT = 250;
const LEFT = 14;
const BOTTOM = 30;
const POINTS = 120;

/** One line over another quantity, with the place that is looked at. */
export function LinesPicture({ y, range: [from, to], most, least = 0, words, mark, band }: Props) {
  const px = (x: number) => LEFT + ((x - from) / (to - from)) * (WIDTH - LEFT - 10);
  const py = (value: number) => 10 + ((most - value) / (most - least)) * (HEIGHT - 10 - BOTTOM);
  const points = Array.from({ length: POINTS + 1 }, (_, k) => from + ((to - from) * k) / POINTS);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full max-w-[460px]" role="img" aria-label={words}>
      {band && (
        <rect
          x={LEFT}
          width={WIDTH - LEFT - 10}
          y={py(band[1])}
          height={py(band[0]) - py(band[1])}
          className="fill-wash"
        />
      )}
      <line x1={LEFT} x2={LEFT} y1={10} y2={HEIGHT - BOTTOM} className="stroke-ink" />
      <line
        x1={LEFT}
        x2={WIDTH - 10}
        y1={py(Math.max(least, 0))}
        y2={py(Math.max(least, 0))}
        className="stroke-ink"
      />
      {least < 0 && <line x1={LEFT} x2={WIDTH - 10} y1={py(0)} y2={py(0)} className="stroke-ink" />}
      <polyline
        points={points.map((x) => `${px(x)},${py(y(x))}`).join(' ')}
        className="stroke-action fill-none"
        strokeWidth={2.5}
      />
      {mark !== undefined && (
        <>
          <line
            x1={px(mark)}
            x2={px(mark)}
            y1={10}
            y2={HEIGHT - BOTTOM}
            className="stroke-second"
            strokeDasharray="4 4"
          />
          <circle cx={px(mark)} cy={py(y(mark))} r={5} className="fill-action" />
        </>
      )}
      <text x={LEFT} y={HEIGHT - 8} className="fill-second text-[13px]">
        {words}
      </text>
    </svg>
  );
}
