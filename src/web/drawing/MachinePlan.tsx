import { contactPoint, type Footprint } from '#core/machine/body.ts';
import { cornersOf, footingOf } from '#core/kinds/classes/index.ts';
import { sideOf, type CornerId } from '#core/kinds/corners.ts';
import { classDefaults } from '#core/kinds/classes/index.ts';
import { classPictures } from './classes/index.ts';

interface Props {
  footprint: Footprint;
  /** mm to rise (+) or drop (−) per corner; null draws no arrow. */
  moves: Partial<Record<CornerId, number | null>>;
  width?: number;
  /** Drawn with the nose to the left, for a line of a list. */
  lying?: boolean;
}

/** The machine seen from above, front up, wheels where they really are. */
export function MachinePlan({ footprint, moves, width = 190, lying = false }: Props) {
  const defaults = classDefaults[footprint.class];
  const base = footprint.wheelbaseMm ?? defaults.wheelbaseMm;
  const track = Math.max(
    footprint.trackFrontMm ?? defaults.trackMm.front,
    footprint.trackRearMm ?? defaults.trackMm.rear,
  );
  const outline = classPictures[footprint.class].above(base, track);
  const foot = footOf(footprint, base, track);
  const margin = foot.width * 1.4;
  const [left, top] = [-outline.width / 2 - margin, -base / 2 - base * outline.nose - 40];
  const view = { w: outline.width + 2 * margin, h: base * (1 + outline.nose + outline.tail) + 80 };
  const corners = cornersOf(footprint.class);
  return (
    <svg
      viewBox={lying ? `${top} ${left} ${view.h} ${view.w}` : `${left} ${top} ${view.w} ${view.h}`}
      width={width}
      role="img"
      aria-label={`${defaults.title} from above`}
      className="pointer-events-none h-auto max-w-full"
      fill="none"
      stroke="var(--second)"
      strokeWidth={(lying ? view.h : view.w) / (lying ? 230 : 150)}
      strokeLinejoin="round"
    >
      <g transform={lying ? 'rotate(-90)' : undefined}>
        {outline.armMm !== null &&
          corners
            .filter((id) => sideOf(id) !== 0)
            .map((id) => (
              <Arm key={id} id={id} footprint={footprint} half={outline.armMm ?? 0} base={base} />
            ))}
        {footingOf(footprint.class) === 'bikes' && <Feet {...{ corners, footprint, foot, moves, lying }} />}
        <path d={outline.body} fill="var(--sheet)" stroke="var(--ink)" />
        {outline.details.map((d) => (
          <path key={d} d={d} />
        ))}
        {footingOf(footprint.class) !== 'bikes' && <Feet {...{ corners, footprint, foot, moves, lying }} />}
      </g>
    </svg>
  );
}

/** A skid's arm is a bar across the tunnel; a swing arm's one damper stands between its wheels, which the outline has. */
const onCentreLine: Partial<Record<CornerId, Foot>> = {
  FA: { length: 90, width: 330 },
  RA: { length: 90, width: 330 },
  RM: { length: 190, width: 90 },
};

interface Foot {
  length: number;
  width: number;
}

/** Size of what stands on the ground: wheels by the machine's size, skis long and narrow. */
function footOf(footprint: Footprint, base: number, track: number): Foot {
  const footing = footingOf(footprint.class);
  if (footing === 'bikes') return { length: base * 0.42, width: 130 };
  if (footing === 'sleds') return { length: base * 0.6, width: 130 };
  return { length: base * 0.23, width: track * 0.13 };
}

function Feet({
  corners,
  footprint,
  foot,
  moves,
  lying,
}: {
  corners: readonly CornerId[];
  footprint: Footprint;
  foot: Foot;
  moves: Props['moves'];
  lying: boolean;
}) {
  return corners.map((id) => (
    <Wheel key={id} id={id} footprint={footprint} foot={foot} move={moves[id] ?? null} lying={lying} />
  ));
}

function Arm({
  id,
  footprint,
  half,
  base,
}: {
  id: CornerId;
  footprint: Footprint;
  half: number;
  base: number;
}) {
  const { x, y } = contactPoint(footprint, id);
  const inner = (y > 0 ? -1 : 1) * half;
  return (
    <path
      d={`M${-y} ${-x - 30}L${inner} ${-x - base * 0.05}M${-y} ${-x + 30}L${inner} ${-x + base * 0.05}`}
    />
  );
}

function Wheel({
  id,
  footprint,
  foot,
  move,
  lying,
}: {
  id: CornerId;
  footprint: Footprint;
  foot: Foot;
  move: number | null;
  /** Arrows would point along the machine: the wheel is filled instead. */
  lying: boolean;
}) {
  const { x, y } = contactPoint(footprint, id);
  const moving = move !== null && Math.abs(move) > 0.25;
  const up = (move ?? 0) > 0;
  const { length, width } = onCentreLine[id] ?? foot;
  const size = foot.width * 0.62;
  return (
    <g transform={`translate(${-y} ${-x})`}>
      <rect
        x={-width / 2}
        y={-length / 2}
        width={width}
        height={length}
        rx={Math.min(width, length) * 0.3}
        fill={lying && moving ? 'var(--action)' : 'var(--sheet)'}
        stroke="var(--ink)"
      />
      {moving && !lying && (
        <path
          d={
            up
              ? `M0 ${-size}L${size * 0.55} 0H${-size * 0.55}Z M0 0V${size}`
              : `M0 ${size}L${size * 0.55} 0H${-size * 0.55}Z M0 0V${-size}`
          }
          fill="var(--action)"
          stroke="var(--action)"
          data-move={up ? 'up' : 'down'}
        />
      )}
    </g>
  );
}
