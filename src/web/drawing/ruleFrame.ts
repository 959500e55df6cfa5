/** Size of a travel rule on the screen, px. */
export const rule = { height: 240, top: 10, width: 86, spine: 36 } as const;

/** How one rule's millimetres and distances become screen places. Drawn for the left; the right side is mirrored. */
export interface RuleFrame {
  /** Height on the screen of a wheel travel in mm; kept within the drawing. */
  y: (mm: number) => number;
  /** A distance from the outer edge, mirrored on the right side. */
  x: (px: number) => number;
  /** Which end of a text lies at its place. Letters are never mirrored. */
  anchor: (onTheLeft: 'start' | 'end') => 'start' | 'end';
  /** Left edge of something between two distances. */
  left: (fromPx: number, toPx: number) => number;
}

/** The frame of a rule for this much wheel travel. */
export function ruleFrame(travelMm: number, side: 'left' | 'right'): RuleFrame {
  const mirror = side === 'right';
  const x = (px: number) => (mirror ? rule.width - px : px);
  return {
    y: (mm) => rule.top + (1 - Math.min(Math.max(mm / travelMm, -0.02), 1.02)) * rule.height,
    x,
    anchor: (end) => (mirror ? (end === 'start' ? 'end' : 'start') : end),
    left: (fromPx, toPx) => Math.min(x(fromPx), x(toPx)),
  };
}
