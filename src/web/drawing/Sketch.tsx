import type { ReactNode } from 'react';

interface Props {
  /** Size of the paper, in its own units. */
  paper: readonly [width: number, height: number];
  /** How high it stands on the page: px, or any length that CSS knows. */
  height: number | string;
  pen?: number;
  children: ReactNode;
}

/** A small line drawing in the page's ink. It says nothing by itself: words stand beside it. */
export function Sketch({ paper: [wide, high], height, pen = 1.5, children }: Props) {
  const tall = typeof height === 'number' ? `${height}px` : height;
  return (
    <svg
      viewBox={`0 0 ${wide} ${high}`}
      style={{ height: tall, width: `calc(${tall} * ${wide} / ${high})` }}
      className="shrink-0"
      aria-hidden
      fill="none"
      stroke="var(--ink)"
      strokeWidth={pen}
      strokeLinejoin="round"
      strokeLinecap="round"
    >
      {children}
    </svg>
  );
}

interface CoilProps {
  x: number;
  top: number;
  bottom: number;
  turns?: number;
  half?: number;
}

/** A coil seen from the side, wound `turns` times between two heights. */
export function SketchedCoil({ x, top, bottom, turns = 5, half = 9 }: CoilProps) {
  const step = (bottom - top) / (2 * turns);
  const points = Array.from(
    { length: 2 * turns + 1 },
    (_, k) => `${x + (k % 2 === 0 ? -half : half)} ${top + k * step}`,
  );
  return <path d={`M${points.join('L')}`} stroke="var(--second)" />;
}
