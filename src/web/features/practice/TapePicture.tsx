import type { PointerEvent } from 'react';
import type { TapePlacing } from '#core/gauge/heldTape.ts';

/** Both close views, px; and px for each mm. */
const SIZE = 232;
const SCALE = 4;
const MIDDLE = SIZE / 2;
/** Radius of the arch, mm: how its lip falls away from the top. */
const ARCH_MM = 390;
const TAPE_MM = 16;

interface Props {
  placing: TapePlacing;
  onPlace: (placing: Partial<TapePlacing>) => void;
  /** How far below the wheel's centre its cap sits, mm. */
  markMm: number;
  /** Whether it is read to an arch; else to a mark, from another. */
  arch: boolean;
}

/** Where in a close view the pointer is, mm from its middle, x to the right and z up. */
function placeIn(event: PointerEvent<SVGSVGElement>): { x: number; z: number } {
  const box = event.currentTarget.getBoundingClientRect();
  const mm = (px: number, size: number) => ((px / size) * SIZE - MIDDLE) / SCALE;
  return {
    x: Math.round(mm(event.clientX - box.left, box.width)),
    z: Math.round(-mm(event.clientY - box.top, box.height)),
  };
}

const isHeld = (event: PointerEvent) => event.buttons > 0;

function hold(event: PointerEvent<SVGSVGElement>): void {
  event.currentTarget.setPointerCapture(event.pointerId);
}

const view = 'border-rule bg-sheet w-full touch-none border select-none';

/** The end of the tape, close: the axle's nut in the middle of the wheel, and the cap that meets the eye. */
export function TapeEnd({ placing, onPlace, markMm, arch }: Props) {
  const put = (event: PointerEvent<SVGSVGElement>) => {
    const { x, z } = placeIn(event);
    onPlace({ endXMm: x, endZMm: z });
  };
  const [x, y] = [MIDDLE + SCALE * placing.endXMm, MIDDLE - SCALE * placing.endZMm];
  const half = (SCALE * TAPE_MM) / 2;
  return (
    <svg
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      className={`${view} cursor-crosshair`}
      aria-hidden
      onPointerDown={(event) => (hold(event), put(event))}
      onPointerMove={(event) => isHeld(event) && put(event)}
    >
      {arch ? (
        <>
          <circle
            cx={MIDDLE}
            cy={MIDDLE + SCALE * markMm}
            r={SCALE * 24}
            className="stroke-second fill-ground"
            strokeWidth={1.5}
          />
          <Nut />
        </>
      ) : (
        <>
          <line
            x1={0}
            x2={SIZE}
            y1={MIDDLE + SCALE * markMm}
            y2={MIDDLE + SCALE * markMm}
            className="stroke-second"
            strokeDasharray="3 5"
          />
          <line
            x1={MIDDLE - 60}
            x2={MIDDLE + 60}
            y1={MIDDLE}
            y2={MIDDLE}
            className="stroke-ink"
            strokeWidth={2}
          />
          <line
            x1={MIDDLE}
            x2={MIDDLE}
            y1={MIDDLE - 8}
            y2={MIDDLE + 8}
            className="stroke-ink"
            strokeWidth={2}
          />
        </>
      )}
      <rect
        x={x - half}
        y={-10}
        width={2 * half}
        height={y + 10}
        className="fill-wash stroke-action"
        fillOpacity={0.75}
      />
      <line x1={x - half - 4} x2={x + half + 4} y1={y} y2={y} className="stroke-action" strokeWidth={3} />
    </svg>
  );
}

/** The nut on the axle: six sides, a point in the middle. */
function Nut() {
  const corners = Array.from({ length: 6 }, (_, k) => {
    const at = (Math.PI / 3) * k;
    return `${MIDDLE + SCALE * 9 * Math.cos(at)},${MIDDLE + SCALE * 9 * Math.sin(at)}`;
  });
  return (
    <>
      <polygon points={corners.join(' ')} className="stroke-ink fill-sheet" strokeWidth={1.5} />
      <circle cx={MIDDLE} cy={MIDDLE} r={2.5} className="fill-ink" />
    </>
  );
}

/** Where the tape passes the lip, close. */
export function TapeTop({ placing, onPlace, arch }: Omit<Props, 'markMm'>) {
  const put = (event: PointerEvent<SVGSVGElement>) => onPlace({ topXMm: placeIn(event).x });
  const drop = (mm: number) => (arch ? ARCH_MM - Math.sqrt(ARCH_MM ** 2 - mm ** 2) : 0);
  const edge = [-30, -20, -10, 0, 10, 20, 30].map(
    (mm) => `${MIDDLE + SCALE * mm},${MIDDLE + SCALE * drop(mm)}`,
  );
  const x = MIDDLE + SCALE * placing.topXMm;
  const half = (SCALE * TAPE_MM) / 2;
  const eyeY = MIDDLE - placing.eyeMm * 0.35;
  return (
    <svg
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      className={`${view} cursor-ew-resize`}
      aria-hidden
      onPointerDown={(event) => (hold(event), put(event))}
      onPointerMove={(event) => isHeld(event) && put(event)}
    >
      <polygon points={`0,0 ${edge.map((one) => one).join(' ')} ${SIZE},0`} className="fill-ground" />
      <polyline points={edge.join(' ')} className="stroke-ink fill-none" strokeWidth={2.5} />
      <line x1={MIDDLE} x2={MIDDLE} y1={MIDDLE - 12} y2={MIDDLE - 2} className="stroke-ink" strokeWidth={2} />
      <rect
        x={x - half}
        y={-10}
        width={2 * half}
        height={SIZE + 20}
        className="fill-wash stroke-action"
        fillOpacity={0.75}
      />
      <line x1={SIZE - 22} y1={eyeY} x2={x} y2={MIDDLE} className="stroke-action" strokeDasharray="4 4" />
      <ellipse
        cx={SIZE - 16}
        cy={eyeY}
        rx={12}
        ry={7}
        className="stroke-action fill-sheet"
        strokeWidth={1.5}
      />
      <circle cx={SIZE - 16} cy={eyeY} r={3} className="fill-action" />
    </svg>
  );
}
