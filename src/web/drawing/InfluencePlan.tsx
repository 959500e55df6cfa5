import { contactPoint, type Footprint } from '#core/machine/body.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { classDefaults } from '#core/kinds/classes/index.ts';
import { classPictures } from './classes/index.ts';

/** What one turn does at one wheel, already in the reader's words. */
interface InfluenceAt {
  id: CornerId;
  /** Signed, mm: up is positive. Only its sign and size are drawn. */
  heightMm: number;
  /** As it reads: "+2.1 mm", "−4.3 kg". */
  height: string;
  weight: string;
}

interface Props {
  footprint: Footprint;
  seat: CornerId;
  title: string;
  corners: readonly InfluenceAt[];
  /** mm that the longest arrow of all stands for, so that plans side by side compare. */
  mostMm: number;
}

const WIDTH = 190;
const HEIGHT = 232;
/** Where the four wheels stand in the drawing. */
const X = { left: 52, right: WIDTH - 52 };
const Y = { front: 62, rear: HEIGHT - 62 };
const LONGEST = 34;

/**
 * The machine from above with what one turn of one seat does at each wheel: an arrow up or down to scale, its height and its
 * weight in signed numbers. The wheel whose seat is turned is filled.
 */
export function InfluencePlan({ footprint, seat, title, corners, mostMm }: Props) {
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="h-auto w-full max-w-[230px]"
      role="img"
      aria-label={`${title}: ${corners.map(({ id, height, weight }) => `${id} ${height}, ${weight}`).join('; ')}`}
      data-influence={seat}
    >
      <Body footprint={footprint} />
      {corners.map((at) => (
        <Wheel key={at.id} at={at} own={at.id === seat} mostMm={mostMm} footprint={footprint} />
      ))}
    </svg>
  );
}

function Body({ footprint }: { footprint: Footprint }) {
  const defaults = classDefaults[footprint.class];
  const base = footprint.wheelbaseMm ?? defaults.wheelbaseMm;
  const outline = classPictures[footprint.class].above(base, defaults.trackMm.front);
  const scale = (Y.rear - Y.front) / base;
  return (
    <g
      transform={`translate(${WIDTH / 2} ${HEIGHT / 2}) scale(${scale})`}
      fill="none"
      stroke="var(--rule)"
      strokeWidth={1.5 / scale}
    >
      <path d={outline.body} />
    </g>
  );
}

function Wheel({
  at,
  own,
  mostMm,
  footprint,
}: {
  at: InfluenceAt;
  own: boolean;
  mostMm: number;
  footprint: Footprint;
}) {
  const { x, y } = contactPoint(footprint, at.id);
  const left = y > 0;
  const cx = left ? X.left : X.right;
  const cy = x > 0 ? Y.front : Y.rear;
  const long = Math.max((Math.abs(at.heightMm) / Math.max(mostMm, 1e-9)) * LONGEST, 3);
  const sign = at.heightMm >= 0 ? -1 : 1;
  const tip = cy + sign * long;
  const numbers = { x: left ? cx - 14 : cx + 14, anchor: left ? ('end' as const) : ('start' as const) };
  return (
    <g>
      <rect
        x={cx - 8}
        y={cy - 15}
        width={16}
        height={30}
        rx={4}
        fill={own ? 'var(--action)' : 'var(--sheet)'}
        stroke={own ? 'var(--action)' : 'var(--second)'}
      />
      {/* Inside of the wheel, where there is room for it. */}
      <g
        transform={`translate(${left ? 18 : -18} 0)`}
        stroke="var(--ink)"
        fill="var(--ink)"
        data-arrow={at.heightMm >= 0 ? 'up' : 'down'}
      >
        <path d={`M${cx} ${cy}V${tip}`} strokeWidth={2} />
        <path d={`M${cx - 4} ${tip}L${cx + 4} ${tip}L${cx} ${tip + sign * 7}Z`} stroke="none" />
      </g>
      <g className="figures" fontSize={13} textAnchor={numbers.anchor} fill="var(--ink)">
        <text x={left ? 2 : WIDTH - 2} y={cy - 24} textAnchor={left ? 'start' : 'end'} fontWeight={650}>
          {at.height}
        </text>
        <text x={left ? 2 : WIDTH - 2} y={cy + 34} textAnchor={left ? 'start' : 'end'} fill="var(--second)">
          {at.weight}
        </text>
      </g>
    </g>
  );
}
