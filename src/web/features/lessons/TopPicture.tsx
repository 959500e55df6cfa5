import { useSay, useTell } from '../../ui/settings.ts';

interface Props {
  /** Rise and weight at front left, front right, rear left and rear right. */
  riseMm: readonly number[];
  padKg?: readonly number[];
}

const PLACES = [
  [92, 52],
  [268, 52],
  [92, 218],
  [268, 218],
] as const;

/** A car from above, what each corner has risen by, and what it carries. */
export function TopPicture({ riseMm, padKg }: Props) {
  const say = useSay(1);
  const tell = useTell();
  return (
    <svg
      viewBox="0 0 360 280"
      className="w-full max-w-[400px]"
      role="img"
      aria-label="The four corners from above, with what each has risen by"
    >
      <rect
        x={110}
        y={20}
        width={140}
        height={240}
        rx={26}
        className="stroke-ink fill-sheet"
        strokeWidth={2}
      />
      <path d="M130 76 H230 L220 104 H140 Z" className="stroke-second fill-ground" />
      {PLACES.map(([x, y], i) => {
        const left = i % 2 === 0;
        const rise = riseMm[i] ?? 0;
        return (
          <g key={i}>
            <rect x={x - 12 + (left ? 10 : -10)} y={y - 28} width={24} height={56} className="fill-ink" />
            <text
              x={left ? x - 14 : x + 14}
              y={y}
              textAnchor={left ? 'end' : 'start'}
              className="fill-ink figures text-[19px] font-bold"
            >
              {`${rise > 0.05 ? '+' : ''}${say(Math.abs(rise) < 0.05 ? 0 : rise)}`}
            </text>
            {padKg && (
              <text
                x={left ? x - 14 : x + 14}
                y={y + 20}
                textAnchor={left ? 'end' : 'start'}
                className="fill-second figures text-[15px]"
              >
                {tell('mass', padKg[i] ?? 0)}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
