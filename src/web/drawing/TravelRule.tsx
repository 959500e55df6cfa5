import { lengthText } from '#core/units/formatLength.ts';
import { useLengthStyle } from '../app/settings.ts';
import { ruleWords, rulerTicks, type TravelRuleData } from './travelRule.ts';

interface Props {
  name: string;
  data: TravelRuleData;
  /** Which side of the machine it stands on: marks point inwards. */
  side: 'left' | 'right';
}

const HEIGHT = 240;
const TOP = 10;
const WIDTH = 86;
const SPINE = 36;

/** One upright ruler of wheel travel, full droop at the bottom, metal at the top, to scale. */
export function TravelRule({ name, data, side }: Props) {
  const style = useLengthStyle(0);
  const y = (mm: number) => TOP + (1 - Math.min(Math.max(mm / data.travelMm, -0.02), 1.02)) * HEIGHT;
  const ticks = rulerTicks(data.travelMm, style.system);
  const words = ruleWords(name, data, (mm) => lengthText(mm, style));
  const mirror = side === 'right';
  const id = `hatch-${name.replace(/\s/g, '-')}`;
  // Drawn for the left side; the right side mirrors the geometry but not the letters.
  const x = (value: number) => (mirror ? WIDTH - value : value);
  const anchor = (left: 'start' | 'end') => (mirror ? (left === 'start' ? 'end' : 'start') : left);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT + 30}`}
      width={WIDTH}
      height={HEIGHT + 30}
      role="img"
      aria-label={words}
      data-rule={name}
      className="shrink-0"
    >
      <defs>
        <pattern id={id} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V5" stroke="var(--short)" strokeWidth="1.6" />
        </pattern>
      </defs>
      <rect
        x={Math.min(x(SPINE), x(SPINE + 12))}
        y={y(data.travelMm)}
        width="12"
        height={Math.max(y(data.travelMm - data.stopMm) - y(data.travelMm), 0)}
        fill={`url(#${id})`}
      />
      <text
        x={x(SPINE + 16)}
        y={y(data.travelMm) + 10}
        textAnchor={anchor('start')}
        className="fill-second text-[11px]"
      >
        stop
      </text>
      <path
        d={`M${x(SPINE)} ${y(0)}V${y(data.travelMm)}`}
        stroke="var(--ink)"
        strokeWidth="1.5"
        strokeDasharray={data.zeroAssumed ? '3 3' : undefined}
      />
      {ticks.map(({ mm, label }) => (
        <g key={mm}>
          <path
            d={`M${x(SPINE)} ${y(mm)}H${x(SPINE - (label === null ? 5 : 10))}`}
            stroke={label === null ? 'var(--second)' : 'var(--ink)'}
            strokeWidth="1"
          />
          {label !== null && (
            <text
              x={x(SPINE - 13)}
              y={y(mm) + 4}
              textAnchor={anchor('end')}
              className="figures fill-second text-[11px]"
            >
              {label}
            </text>
          )}
        </g>
      ))}
      {data.targetMm !== null && (
        <Band y={y} x={x} around={data.targetMm} half={data.toleranceMm} look="tolerance" />
      )}
      {data.afterMm !== null && <Band y={y} x={x} around={data.afterMm} half={data.bandMm} look="after" />}
      {data.targetMm !== null && (
        <g className="slide" style={{ transform: `translateY(${y(data.targetMm)}px)` }}>
          <path
            d={pointer(x, SPINE + 28, 7)}
            fill="none"
            stroke="var(--action)"
            strokeWidth="1.8"
            data-mark="target"
          />
        </g>
      )}
      {data.nowMm !== null && (
        <g
          className="slide"
          data-mark="now"
          data-mm={data.nowMm.toFixed(2)}
          style={{ transform: `translateY(${y(data.nowMm)}px)` }}
        >
          <path d={pointer(x, SPINE + 14, 6)} fill="var(--ink)" />
        </g>
      )}
      <text x={x(SPINE)} y={HEIGHT + 26} textAnchor="middle" className="fill-second text-[11px]">
        {data.zeroAssumed ? 'droop, assumed' : 'full droop'}
      </text>
    </svg>
  );
}

/** A triangle that points at the spine from `at`. */
function pointer(x: (value: number) => number, at: number, size: number): string {
  return `M${x(at)} 0L${x(at + size * 1.9)} ${-size}V${size}Z`;
}

interface BandProps {
  y: (mm: number) => number;
  x: (value: number) => number;
  around: number;
  half: number;
  look: 'tolerance' | 'after';
}

/** Tolerance: an open box on the spine. Uncertainty after the plan: a wash beside it. */
function Band({ y, x, around, half, look }: BandProps) {
  const top = y(around + half);
  const height = Math.max(y(around - half) - top, 2);
  if (look === 'tolerance')
    return (
      <rect
        x={Math.min(x(SPINE), x(SPINE + 9))}
        y={top}
        width="9"
        height={height}
        fill="none"
        stroke="var(--action)"
        strokeWidth="1.2"
      />
    );
  return (
    <rect
      x={Math.min(x(SPINE + 1), x(SPINE + 25))}
      y={top}
      width="24"
      height={height}
      fill="var(--wash)"
      opacity="0.85"
    />
  );
}
