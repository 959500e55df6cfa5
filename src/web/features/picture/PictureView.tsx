import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Place, PictureRead } from '#core/vision/readPicture.ts';
import { bodySeenAt } from '#core/vision/bodyPoint.ts';
import { placeOn } from '#core/vision/ellipse.ts';
import type { Scene } from '#core/vision/wheelModel.ts';
import type { Shot } from './shot.ts';
import { frameOf, type Frame } from './frame.ts';
import type { Handle } from './handles.ts';

interface Props {
  shot: Shot;
  read: PictureRead | null;
  handles: readonly Handle[];
  onMove: (handle: Handle, to: Place) => void;
  /** Where the point lay last time, on the body as it is seen here. */
  ghost: { alongMm: number; upMm: number } | null;
  /** What a tap in the picture places next; null while it places nothing. */
  placing: string | null;
  onPlace: (at: Place) => void;
  whole: boolean;
}

/** The picture with what was found in it; everything can be dragged, or moved with the arrow keys, under a close view. */
export function PictureView({ shot, read, handles, onMove, ghost, placing, onPlace, whole }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<string | null>(null);
  const frame = whole ? { x: 0, y: 0, width: shot.widthPx, height: shot.heightPx } : frameOf(shot, read);
  const unit = frame.width / 700;
  const placeAt = (event: PointerEvent): Place | null => {
    const matrix = svg.current?.getScreenCTM();
    if (!matrix) return null;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return [clamp(x, shot.widthPx), clamp(y, shot.heightPx)];
  };
  const grip = handles.find(({ name }) => name === held);
  return (
    <div className="relative">
      <svg
        ref={svg}
        viewBox={`${frame.x} ${frame.y} ${frame.width} ${frame.height}`}
        className={`block bg-[#10211b] max-h-[70vh] w-full touch-none ${placing ? 'cursor-crosshair' : ''}`}
        role="img"
        aria-label="The picture, with what was found in it"
        onPointerMove={(event) => {
          const at = grip && placeAt(event);
          if (grip && at) onMove(grip, at);
        }}
        onPointerUp={() => setHeld(null)}
        onPointerCancel={() => setHeld(null)}
        onClick={(event) => {
          const at = placing !== null && placeAt(event as unknown as PointerEvent);
          if (at) onPlace(at);
        }}
      >
        <image href={shot.url} width={shot.widthPx} height={shot.heightPx} />
        {read?.outline && <Outline outline={read.outline} unit={unit} />}
        {read?.sheet && <Sheet read={read} unit={unit} />}
        {read?.scene && <Upright scene={read.scene} point={read.point} unit={unit} />}
        {read?.scene && ghost && <Ghost scene={read.scene} ghost={ghost} unit={unit} />}
        {handles.map((handle) => (
          <Grip
            key={handle.name}
            handle={handle}
            unit={unit}
            hold={() => setHeld(handle.name)}
            move={(to) => onMove(handle, to)}
          />
        ))}
      </svg>
      {grip && <Close shot={shot} at={grip.at} frame={frame} />}
    </div>
  );
}

const clamp = (value: number, most: number) => Math.min(Math.max(value, 0), most - 1);

/** A line that is seen on any ground: light with a dark edge. */
function Line({ d, unit, dashed = false }: { d: string; unit: number; dashed?: boolean }) {
  const dash = dashed ? `${6 * unit} ${5 * unit}` : undefined;
  return (
    <g fill="none" pointerEvents="none" strokeDasharray={dash}>
      <path d={d} stroke="#10211b" strokeOpacity={0.75} strokeWidth={4.5 * unit} />
      <path d={d} stroke="#f4f1e2" strokeWidth={2 * unit} />
    </g>
  );
}

function Outline({ outline, unit }: { outline: NonNullable<PictureRead['outline']>; unit: number }) {
  const places = Array.from({ length: 96 }, (_, k) => placeOn(outline, (k * Math.PI) / 48));
  return <Line d={`M${places.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`} unit={unit} />;
}

/** The sheet's discs, and the way between the marks that they are the scale of. */
function Sheet({ read: { sheet, point, other }, unit }: { read: PictureRead; unit: number }) {
  return (
    <>
      {sheet?.map(({ x, y }, k) => (
        <Line
          key={k}
          d={`M${x - 7 * unit} ${y}h${14 * unit}M${x} ${y - 7 * unit}v${14 * unit}`}
          unit={unit}
        />
      ))}
      {point && other && <Line d={`M${point[0]} ${point[1]}L${other[0]} ${other[1]}`} unit={unit} dashed />}
    </>
  );
}

/** The hub, and the true vertical from it to the point. */
function Upright({ scene, point, unit }: { scene: Scene; point: Place | null; unit: number }) {
  const { hub, camera } = scene;
  const x = camera.widthPx / 2 + camera.focalPx * (hub[0] / hub[2] + (camera.axis?.[0] ?? 0));
  const y = camera.heightPx / 2 + camera.focalPx * (hub[1] / hub[2] + (camera.axis?.[1] ?? 0));
  const arm = 7 * unit;
  return (
    <>
      <Line d={`M${x - arm} ${y}h${2 * arm}M${x} ${y - arm}v${2 * arm}`} unit={unit} />
      {point && <Line d={`M${x} ${y}L${point[0]} ${point[1]}`} unit={unit} dashed />}
    </>
  );
}

/** Where the same point would be, had nothing moved since. */
function Ghost({
  scene,
  ghost,
  unit,
}: {
  scene: Scene;
  ghost: { alongMm: number; upMm: number };
  unit: number;
}) {
  const [x, y] = bodySeenAt(scene, ghost);
  return (
    <g opacity={0.85} data-testid="ghost">
      <Line d={`M${x - 26 * unit} ${y}h${52 * unit}`} unit={unit} dashed />
      <text
        x={x + 30 * unit}
        y={y + 5 * unit}
        fontSize={14 * unit}
        fill="#f4f1e2"
        stroke="#10211b"
        strokeWidth={3 * unit}
        paintOrder="stroke"
      >
        last time
      </text>
    </g>
  );
}

interface GripProps {
  handle: Handle;
  unit: number;
  hold: () => void;
  move: (to: Place) => void;
}

function Grip({ handle: { name, at, kind }, unit, hold, move }: GripProps) {
  const [x, y] = at;
  const size = kind === 'rim' ? 9 * unit : 13 * unit;
  const onKeyDown = (event: KeyboardEvent) => {
    const by = (event.shiftKey ? 10 : 1) * Math.max(unit, 0.5);
    const ways: Record<string, [number, number]> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by],
      ArrowDown: [0, by],
    };
    const way = ways[event.key];
    if (!way) return;
    event.preventDefault();
    move([x + way[0], y + way[1]]);
  };
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${name}: drag it, or move it with the arrow keys`}
      className="cursor-grab focus-visible:outline-2"
      onKeyDown={onKeyDown}
      onPointerDown={(event) => {
        event.currentTarget.ownerSVGElement?.setPointerCapture(event.pointerId);
        event.preventDefault();
        hold();
      }}
      onClick={(event) => event.stopPropagation()}
    >
      <circle cx={x} cy={y} r={Math.max(size, 22 * unit)} fill="transparent" />
      <circle
        cx={x}
        cy={y}
        r={size}
        fill="none"
        stroke="#10211b"
        strokeOpacity={0.75}
        strokeWidth={5 * unit}
      />
      <circle cx={x} cy={y} r={size} fill="none" stroke="#f4f1e2" strokeWidth={2.4 * unit} />
      {kind !== 'rim' && (
        <Line d={`M${x - 2.2 * size} ${y}h${1.4 * size}M${x + 0.8 * size} ${y}h${1.4 * size}`} unit={unit} />
      )}
    </g>
  );
}

/** What lies under the finger, four times as large, in the corner away from it. */
function Close({ shot, at, frame }: { shot: Shot; at: Place; frame: Frame }) {
  const size = frame.width / 14;
  const [x, y] = at;
  const right = x < frame.x + frame.width / 2;
  return (
    <svg
      viewBox={`${x - size / 2} ${y - size / 2} ${size} ${size}`}
      className={`border-sheet bg-ink pointer-events-none absolute top-2 size-44 border-2 max-md:size-32 ${right ? 'right-2' : 'left-2'}`}
      aria-hidden
    >
      <image
        href={shot.url}
        width={shot.widthPx}
        height={shot.heightPx}
        style={{ imageRendering: 'pixelated' }}
      />
      <path
        d={`M${x - size / 2} ${y}h${size * 0.42}M${x + size * 0.08} ${y}h${size * 0.42}M${x} ${y - size / 2}v${size * 0.42}M${x} ${y + size * 0.08}v${size * 0.42}`}
        stroke="#f4f1e2"
        strokeWidth={size / 120}
      />
    </svg>
  );
}
