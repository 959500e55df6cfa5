import type { CSSProperties } from 'react';
import type { MachineClass } from '#core/kinds/classes/index.ts';
import { sideProfile } from './sideProfile.ts';

/** Arches are this much wider than their tyres. */
const ARCH = 1.1;

/** Words in the drawing: on a phone they keep a size that can be read, where the drawing shrinks. */
const WORDS = 'figures [font-size:var(--words)] narrow:[font-size:calc(1.6*var(--words))]';

/** One state of the machine in the side view: heights over the ground, mm. */
export interface SideState {
  /** Arch lip over each axle. */
  frontArchMm: number;
  rearArchMm: number;
}

interface SidePointView {
  name: string;
  xMm: number;
  beforeMm: number;
  afterMm: number;
  short: boolean;
}

interface Props {
  machineClass: MachineClass;
  wheelbaseMm: number;
  radiusMm: { front: number; rear: number };
  before: SideState;
  after: SideState;
  points: readonly SidePointView[];
  /** Ramp angles to draw, degrees; null where none. */
  approachDeg: number | null;
  departureDeg: number | null;
  /** mm in the reader's words. */
  say: (mm: number) => string;
}

/**
 * The machine from the side, nose to the left, to scale: as it was before the work in a fine broken line, as it will stand in ink,
 * on its ground line, with its low points and the ramps that just pass.
 */
export function SideView(props: Props) {
  const { machineClass, wheelbaseMm, radiusMm, before, after, points, approachDeg, departureDeg, say } =
    props;
  const half = wheelbaseMm / 2;
  const profile = sideProfile(machineClass, wheelbaseMm);
  const [nose, tail] = [profile.nose, profile.tail];
  const top = profile.topMm + Math.max(before.frontArchMm, after.frontArchMm, before.rearArchMm);
  const view = { x: -half - nose - 180, w: wheelbaseMm + nose + tail + 360 };
  const font = view.w / 62;
  const above = top + font;
  return (
    <svg
      viewBox={`${view.x} ${-above} ${view.w} ${above + 4.6 * font}`}
      className="h-auto w-full"
      role="img"
      aria-label="The machine from the side, before and after"
      data-testid="side-view"
      fill="none"
      strokeLinejoin="round"
      style={{ '--words': `${font}px` } as CSSProperties}
    >
      <line x1={view.x} x2={view.x + view.w} y1={0} y2={0} stroke="var(--ink)" strokeWidth={font / 6} />
      <g stroke="var(--second)" strokeWidth={font / 7} strokeDasharray={`${font} ${font * 0.7}`}>
        <path d={bodyPath(props, before)} data-side="before" />
      </g>
      <g stroke="var(--ink)" strokeWidth={font / 5}>
        <path d={bodyPath(props, after)} data-side="after" fill="var(--sheet)" />
        {profile.glass.map((path) => (
          <path key={path} d={path} transform={tilt(props, after)} stroke="var(--rule)" />
        ))}
        {(['front', 'rear'] as const).map((axle) => (
          <g key={axle} transform={`translate(${axle === 'front' ? -half : half} ${-radiusMm[axle]})`}>
            <circle r={radiusMm[axle]} fill="var(--sheet)" />
            <circle r={radiusMm[axle] * 0.6} stroke="var(--second)" strokeWidth={font / 8} />
          </g>
        ))}
      </g>
      <Ramp x={-half} sign={-1} deg={approachDeg} radiusMm={radiusMm.front} long={nose + 140} font={font} />
      <Ramp x={half} sign={1} deg={departureDeg} radiusMm={radiusMm.rear} long={tail + 140} font={font} />
      {(['front', 'rear'] as const).map((axle) => {
        const x = axle === 'front' ? -half : half;
        const [was, is] =
          axle === 'front' ? [before.frontArchMm, after.frontArchMm] : [before.rearArchMm, after.rearArchMm];
        return (
          <text
            key={axle}
            x={x}
            y={-radiusMm[axle] + font * 0.4}
            className={WORDS}
            textAnchor="middle"
            fill="var(--ink)"
          >
            {is >= was ? '+' : '−'}
            {say(Math.abs(is - was))}
          </text>
        );
      })}
      {points.map(({ name, xMm, afterMm, short }, k) => (
        <g key={name + String(k)} fill={short ? 'var(--short)' : 'var(--ink)'}>
          <path d={`M${-xMm} ${-afterMm}l${font * 0.5} ${-font * 0.9}h${-font}Z`} />
          <line x1={-xMm} x2={-xMm} y1={-afterMm} y2={0} stroke="var(--rule)" strokeWidth={font / 8} />
          <text
            x={Math.min(Math.max(-xMm, view.x + font / 2), view.x + view.w - font / 2)}
            y={font * (1.9 + 2.1 * (k % 2))}
            className={WORDS}
            textAnchor={xMm > half ? 'start' : xMm < -half ? 'end' : 'middle'}
          >
            {name} {say(afterMm)}
          </text>
        </g>
      ))}
    </svg>
  );
}

/** Body in its own frame (y up from the arch line) set on its two arch heights. */
function bodyPath({ machineClass, wheelbaseMm, radiusMm }: Props, state: SideState): string {
  const half = wheelbaseMm / 2;
  const { frontArchMm, rearArchMm } = state;
  const lift = (x: number) => {
    const share = (half - x) / wheelbaseMm;
    return share * frontArchMm + (1 - share) * rearArchMm;
  };
  return sideProfile(machineClass, wheelbaseMm)
    .body({ front: radiusMm.front * ARCH, rear: radiusMm.rear * ARCH })
    .map(([command, x, y, ...more]) =>
      command === 'A'
        ? `A${more[0] ?? 0} ${more[0] ?? 0} 0 0 0 ${x} ${-(y + lift(x))}`
        : `${command}${x} ${-(y + lift(x))}`,
    )
    .join('')
    .concat('Z');
}

function tilt({ wheelbaseMm }: Props, { frontArchMm, rearArchMm }: SideState): string {
  const slope = (Math.atan2(frontArchMm - rearArchMm, wheelbaseMm) * 180) / Math.PI;
  return `translate(0 ${-(frontArchMm + rearArchMm) / 2}) rotate(${slope})`;
}

interface RampProps {
  x: number;
  sign: 1 | -1;
  deg: number | null;
  radiusMm: number;
  long: number;
  font: number;
}

function Ramp({ x, sign, deg, radiusMm, long, font }: RampProps) {
  if (deg === null || deg > 80) return null;
  const angle = (deg * Math.PI) / 180;
  // The plane that touches the tyre meets the level ground R tan(a / 2) from under its axle.
  const foot = radiusMm * Math.tan(angle / 2);
  const rise = (long - foot) * Math.tan(angle);
  return (
    <g>
      <path
        d={`M${x + sign * foot} 0L${x + sign * long} ${-rise}`}
        stroke="var(--action)"
        strokeWidth={font / 7}
      />
      <text
        x={x + sign * long}
        y={-rise - font * 0.5}
        className={WORDS}
        textAnchor={sign < 0 ? 'start' : 'end'}
        fill="var(--action)"
      >
        {deg.toFixed(1)}°
      </text>
    </g>
  );
}
