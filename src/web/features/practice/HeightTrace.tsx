import type { OpenedCorner } from '#contract/practice.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { useSay } from '../../ui/settings.ts';
import { capital } from '../../ui/words.ts';

const WIDTH = 132;
const HEIGHT = 150;
const TOP = 10;
const BOTTOM = 22;
const LEFT = 10;

interface Props {
  corner: CornerId;
  targetMm: number;
  toleranceMm: number;
  rounds: readonly (OpenedCorner | null)[];
}

/** One corner through its rounds beside the ruler of its height: true height full, as read hollow, the target's band behind. */
export function HeightTrace({ corner, targetMm, toleranceMm, rounds }: Props) {
  const say = useSay(1);
  const all = [targetMm - toleranceMm, targetMm + toleranceMm];
  for (const one of rounds) if (one) all.push(one.trueMm, ...(one.readMm === null ? [] : [one.readMm]));
  const [low, high] = [Math.min(...all) - 3, Math.max(...all) + 3];
  const y = (mm: number) => TOP + ((high - mm) / (high - low)) * (HEIGHT - TOP - BOTTOM);
  const x = (k: number) => LEFT + 14 + (k * (WIDTH - LEFT - 30)) / Math.max(rounds.length - 1, 1);
  const seen = rounds.flatMap((one, k) => (one ? [`${x(k)},${y(one.trueMm)}`] : []));
  const name = capital(cornerNames[corner]);
  const words = rounds.flatMap((one, k) => (one ? [`round ${k}: truly ${say(one.trueMm)}`] : []));
  return (
    <figure>
      <figcaption className="label">{name}</figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width={WIDTH}
        height={HEIGHT}
        role="img"
        aria-label={`${name}, wanted ${say(targetMm)}; ${words.join('; ')}`}
      >
        <line x1={LEFT} x2={LEFT} y1={TOP} y2={HEIGHT - BOTTOM} className="stroke-ink" />
        <rect
          x={LEFT}
          width={WIDTH - LEFT}
          y={y(targetMm + toleranceMm)}
          height={y(targetMm - toleranceMm) - y(targetMm + toleranceMm)}
          className="fill-wash"
        />
        <line
          x1={LEFT}
          x2={WIDTH}
          y1={y(targetMm)}
          y2={y(targetMm)}
          className="stroke-action"
          strokeDasharray="5 3"
        />
        <polyline points={seen.join(' ')} className="stroke-ink fill-none" strokeWidth={1.5} />
        {rounds.map(
          (one, k) =>
            one && (
              <g key={k}>
                {one.readMm !== null && (
                  <circle
                    cx={x(k)}
                    cy={y(one.readMm)}
                    r={5}
                    className="stroke-second fill-none"
                    strokeWidth={1.5}
                  />
                )}
                <circle cx={x(k)} cy={y(one.trueMm)} r={3} className="fill-ink" />
                <text x={x(k)} y={HEIGHT - 6} textAnchor="middle" className="fill-second text-[13px]">
                  {k}
                </text>
              </g>
            ),
        )}
      </svg>
    </figure>
  );
}
