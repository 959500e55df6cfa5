import { memo, useId, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Section } from '#core/lab/section.ts';
import { Coil } from './Coil.tsx';
import { DimensionLine } from './DimensionLine.tsx';
import { halves, spreadLabels } from './sectionFrame.ts';

/** What can be moved by hand in a section. */
export interface SectionHandle {
  label: string;
  /** Where it is, in words, for those who do not see it. */
  words: string;
  value: number;
  /** mm that it is moved down the drawing from where it was when the hand closed on it; `drag` names the one drag. */
  onMove: (byMm: number, drag: string | null) => void;
}

interface Props {
  name: string;
  section: Section;
  /** Size on the page, px. */
  height: number;
  width: number;
  say: (mm: number) => string;
  /** Caliper figure of the seat, where it is known. */
  collarMm: number | null;
  seat: SectionHandle | null;
  rings: (SectionHandle | null)[];
  /** mm that a dragged seat or ring snaps to. */
  snapMm: number;
  /** Small: figures without their words. */
  compact?: boolean;
}

/** The damper and its springs cut open, to scale: seat and rings can be dragged, or moved with the arrow keys. */
export const StackSection = memo(Drawing, looksAlike);

/** Handlers are left out: what a hand moves from is part of what is drawn. */
function looksAlike(before: Props, after: Props): boolean {
  const looks = ({ say, seat, rings, section, ...rest }: Props) =>
    JSON.stringify([rest, section, say(1), seat?.words, seat?.label, rings.map((ring) => ring?.label)]);
  return looks(before) === looks(after);
}

function Drawing(props: Props) {
  const { name, section, height, width, say, collarMm, seat, rings, snapMm, compact = false } = props;
  const svg = useRef<SVGSVGElement>(null);
  const hatch = `hatch${useId().replace(/\W/g, '')}`;
  const { fromMm, toMm, seatMm, perchMm, bodyEndMm, stop } = section;
  // Captions need room on both sides: a short, wide spring is drawn smaller.
  const px = Math.max((toMm - fromMm) / height, (halves.seat + 14) / (width / 2 - (compact ? 48 : 92)));
  const last = section.springs.length - 1;
  return (
    <svg
      ref={svg}
      viewBox={`${(-width * px) / 2} ${fromMm} ${width * px} ${height * px}`}
      height={height}
      width={width}
      role="group"
      aria-label={name}
      className="pointer-events-none max-w-full overflow-visible select-none"
      style={{ fontSize: 12 * px, fontFamily: 'Archivo Variable, sans-serif' }}
    >
      <pattern id={hatch} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V5" stroke="var(--short)" strokeWidth="1.6" />
      </pattern>
      <g fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.3 * px}>
        <path d={`M0 ${perchMm}V${perchMm + 20}`} strokeWidth={9} stroke="var(--second)" />
        <path d={`M0 ${bodyEndMm - 4}V${perchMm}`} strokeWidth={14} />
        <path d={`M0 ${bodyEndMm - 4}V${perchMm}`} strokeWidth={14 - 2.6 * px} stroke="var(--sheet)" />
        {stop && (
          <rect x={-17} width={34} y={stop.topMm} height={perchMm - stop.topMm} fill={`url(#${hatch})`} />
        )}
        <path d={body(fromMm + 30, bodyEndMm)} />
        <Thread fromMm={seatMm - 55} toMm={Math.min(seatMm + 60, bodyEndMm - 4)} px={px} />
        <circle cx="0" cy={fromMm + 18} r="13" />
        <circle cx="0" cy={fromMm + 18} r="5" />
        <circle cx="0" cy={toMm - 14 + perchMm} r="13" />
        <circle cx="0" cy={toMm - 14 + perchMm} r="5" />
      </g>
      {section.springs.map((spring, i) => (
        <Coil key={i} spring={spring} px={px} />
      ))}
      <g fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.3 * px}>
        <rect x={-halves.seat} width={2 * halves.seat} y={perchMm} height={7} />
        {section.springs.slice(0, last).map(({ toMm: at }, i) => (
          <rect
            key={i}
            x={-halves.slider}
            width={2 * halves.slider}
            y={at - 2.5}
            height={5}
            fill="var(--ink)"
          />
        ))}
      </g>
      {section.rings.map(({ after, atMm }, j) => (
        <Handle key={after} svg={svg} handle={rings[j] ?? null} snapMm={snapMm}>
          <rect x={-halves.ring} width={2 * halves.ring} y={atMm - 9} height={9} rx={1} />
          <path d={`M${-halves.ring + 6} ${atMm - 9}V${atMm}M${halves.ring - 6} ${atMm - 9}V${atMm}`} />
        </Handle>
      ))}
      <Handle svg={svg} handle={seat} snapMm={snapMm}>
        <rect x={-32} width={64} y={seatMm - 17} height={7} rx={1} />
        <rect x={-halves.seat} width={2 * halves.seat} y={seatMm - 8} height={8} rx={1} />
      </Handle>
      <Dimensions section={section} px={px} say={say} collarMm={collarMm} compact={compact} />
    </svg>
  );
}

/** The damper's body: open at its lower end, where the shaft comes out. */
function body(fromMm: number, endMm: number): string {
  return `M-19 ${fromMm}H19V${endMm}H-19Z`;
}

function Thread({ fromMm, toMm, px }: { fromMm: number; toMm: number; px: number }) {
  const turns = Math.max(Math.floor((toMm - fromMm) / 4), 0);
  const d = Array.from({ length: turns }, (_, i) => `M-21 ${fromMm + 4 * i}L21 ${fromMm + 4 * i + 3}`).join(
    '',
  );
  return <path d={d} strokeWidth={0.7 * px} stroke="var(--second)" />;
}

interface HandleProps {
  svg: React.RefObject<SVGSVGElement | null>;
  handle: SectionHandle | null;
  snapMm: number;
  children: React.ReactNode;
}

/** A part that a hand can move: dragged, it snaps; by key, half a millimetre, five with Shift. */
function Handle({ svg, handle, snapMm, children }: HandleProps) {
  const from = useRef<{ y: number; drag: string; onMove: NonNullable<typeof handle>['onMove'] } | null>(null);
  if (!handle) return <g {...looks.still}>{children}</g>;
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
    event.preventDefault();
    handle.onMove((event.key === 'ArrowDown' ? 1 : -1) * (event.shiftKey ? 5 : 0.5), null);
  };
  const onPointerMove = (event: PointerEvent) => {
    const scale = svg.current?.getScreenCTM()?.d;
    if (!from.current || !scale) return;
    const { y, drag, onMove } = from.current;
    onMove(Math.round((event.clientY - y) / scale / snapMm) * snapMm, drag);
  };
  return (
    <g
      {...looks.moved}
      role="slider"
      tabIndex={0}
      aria-orientation="vertical"
      aria-label={handle.label}
      aria-valuenow={handle.value}
      aria-valuetext={handle.words}
      className="pointer-events-auto cursor-ns-resize touch-none outline-none focus-visible:[stroke-width:4px]"
      onKeyDown={onKeyDown}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        // What was then is what a drag is counted from.
        from.current = { y: event.clientY, drag: `drag ${event.timeStamp}`, onMove: handle.onMove };
      }}
      onPointerMove={onPointerMove}
      onPointerUp={() => (from.current = null)}
      onPointerCancel={() => (from.current = null)}
    >
      {children}
    </g>
  );
}

const looks = {
  still: { fill: 'var(--sheet)', stroke: 'var(--ink)', strokeWidth: 1.5, vectorEffect: 'non-scaling-stroke' },
  moved: { fill: 'var(--wash)', stroke: 'var(--action)', strokeWidth: 2 },
} as const;

/** Names are cut to what stands beside a drawing. */
const short = (name: string) => (name.length > 12 ? `${name.slice(0, 11)}…` : name);

/** Where a caliper would go: lengths of springs and gap on the right, seat, ring and stop on the left. */
function Dimensions({
  section,
  px,
  say,
  collarMm,
  compact,
}: Pick<Props, 'section' | 'say' | 'collarMm'> & { px: number; compact: boolean }) {
  const words = (word: string, mm: number) => (compact ? say(mm) : `${word} ${say(mm)}`);
  const { springs, rings, seatMm, stop, bodyEndMm } = section;
  const right = [
    ...springs.map(({ fromMm, toMm, name, closed, tender }) => ({
      fromMm,
      toMm,
      text: words(short(name), toMm - fromMm),
      tone: closed !== null && closed > 0.9999 && !tender ? 'short' : 'ink',
    })),
    ...(stop && stop.gapMm > 0.05 && !compact
      ? [{ fromMm: bodyEndMm, toMm: stop.topMm, text: `stop ${say(stop.gapMm)}`, tone: 'ink', near: true }]
      : []),
  ];
  const left = [
    ...rings.map(({ atMm, gapMm }) => ({
      fromMm: atMm,
      toMm: atMm + gapMm,
      text: words('gap', Math.max(gapMm, 0)),
      tone: gapMm < 0.05 ? 'tight' : 'ink',
    })),
    ...rings.map(({ atMm }) => ({
      fromMm: seatMm,
      toMm: atMm,
      text: words('ring', atMm - seatMm),
      tone: 'ink',
    })),
    ...(collarMm === null
      ? []
      : [{ fromMm: seatMm, toMm: seatMm, text: words('seat reads', collarMm), tone: 'action' }]),
    ...((springs[0]?.fromMm ?? seatMm) - seatMm > 0.05
      ? [
          {
            fromMm: seatMm,
            toMm: springs[0]?.fromMm ?? seatMm,
            text: `loose ${say((springs[0]?.fromMm ?? seatMm) - seatMm)}`,
            tone: 'short',
          },
        ]
      : []),
  ];
  return (
    <>
      {spreadLabels(right, 15 * px).map((line, i) => (
        <DimensionLine key={i} {...line} side={1} px={px} atMm={halves.seat + 10} />
      ))}
      {spreadLabels(left, 15 * px).map((line, i) => (
        <DimensionLine key={i} {...line} side={-1} px={px} atMm={halves.seat + 10 + 8 * (i % 2)} />
      ))}
    </>
  );
}
