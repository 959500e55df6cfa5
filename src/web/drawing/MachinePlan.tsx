import { contactPoint, cornerIds, type CornerId, type Footprint } from '#core/machine/body.ts';
import { classDefaults, type MachineClass } from '#core/machine/classes.ts';

interface Props {
  footprint: Footprint;
  /** mm to rise (+) or drop (−) per corner; null draws no arrow. */
  moves: Partial<Record<CornerId, number | null>>;
  width?: number;
  /** Drawn with the nose to the left, for a line of a list. */
  lying?: boolean;
}

const BODY: Record<
  MachineClass,
  {
    halfFront: number;
    halfMid: number;
    halfRear: number;
    nose: number;
    tail: number;
    cabin: [number, number];
  }
> = {
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

/** The machine seen from above, front up, wheels where they really are. */
export function MachinePlan({ footprint, moves, width = 190, lying = false }: Props) {
  const defaults = classDefaults[footprint.class];
  const base = footprint.wheelbaseMm ?? defaults.wheelbaseMm;
  const track = Math.max(
    footprint.trackFrontMm ?? defaults.trackMm.front,
    footprint.trackRearMm ?? defaults.trackMm.rear,
  );
  const body = BODY[footprint.class];
  const tyre = { length: base * 0.23, width: track * 0.13 };
  const [left, top] = [-track / 2 - tyre.width * 1.4, -base / 2 - base * body.nose - 40];
  const view = { w: track + tyre.width * 2.8, h: base * (1 + body.nose + body.tail) + 80 };
  return (
    <svg
      viewBox={lying ? `${top} ${left} ${view.h} ${view.w}` : `${left} ${top} ${view.w} ${view.h}`}
      width={width}
      role="img"
      aria-label={`${defaults.title} from above`}
      className="h-auto max-w-full"
      fill="none"
      stroke="var(--second)"
      strokeWidth={view.w / 150}
      strokeLinejoin="round"
    >
      <g transform={lying ? 'rotate(-90)' : undefined}>
        {cornerIds.map((id) => (
          <Arm key={id} id={id} footprint={footprint} half={body.halfMid * track * 0.62} base={base} />
        ))}
        <path d={outline(body, track, base)} fill="var(--sheet)" stroke="var(--ink)" />
        <path d={cabin(body, track, base)} />
        {footprint.class === 'truck' && (
          <rect x={-track * 0.36} y={base * 0.02} width={track * 0.72} height={base * 0.72} />
        )}
        {footprint.class === 'side-by-side' && (
          <path
            d={`M${-track * 0.3} ${-base * 0.1}H${track * 0.3}M${-track * 0.3} ${base * 0.22}H${track * 0.3}`}
            strokeDasharray="60 40"
          />
        )}
        {cornerIds.map((id) => (
          <Wheel key={id} id={id} footprint={footprint} tyre={tyre} move={moves[id] ?? null} lying={lying} />
        ))}
      </g>
    </svg>
  );
}

function outline(body: (typeof BODY)[MachineClass], track: number, base: number): string {
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

function cabin(body: (typeof BODY)[MachineClass], track: number, base: number): string {
  const [from, to] = body.cabin.map((share) => -base / 2 + share * base) as [number, number];
  const [narrow, wide] = [body.halfMid * track * 0.56, body.halfMid * track * 0.66];
  return `M${-narrow} ${from}C${-narrow * 0.5} ${from - base * 0.06} ${narrow * 0.5} ${from - base * 0.06} ${narrow} ${from}L${wide} ${to}H${-wide}Z`;
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
  tyre,
  move,
  lying,
}: {
  id: CornerId;
  footprint: Footprint;
  tyre: { length: number; width: number };
  move: number | null;
  /** Arrows would point along the machine: the wheel is filled instead. */
  lying: boolean;
}) {
  const { x, y } = contactPoint(footprint, id);
  const moving = move !== null && Math.abs(move) > 0.25;
  const up = (move ?? 0) > 0;
  const size = tyre.width * 0.62;
  return (
    <g transform={`translate(${-y} ${-x})`}>
      <rect
        x={-tyre.width / 2}
        y={-tyre.length / 2}
        width={tyre.width}
        height={tyre.length}
        rx={tyre.width * 0.16}
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
