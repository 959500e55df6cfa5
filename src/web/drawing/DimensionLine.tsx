interface Props {
  fromMm: number;
  toMm: number;
  textMm: number;
  text: string;
  tone: string;
  /** 1 on the right, -1 on the left. */
  side: 1 | -1;
  /** Distance of the line from the middle, mm. */
  atMm: number;
  px: number;
}

/** A line between two places with ticks at its ends and its figure beside it. */
export function DimensionLine({ fromMm, toMm, textMm, text, tone, side, atMm, px }: Props) {
  const x = side * atMm;
  const tick = 4 * px;
  return (
    <g stroke={`var(--${tone})`} strokeWidth={px} fill="none">
      <path d={`M${x - tick} ${fromMm}H${x + tick}M${x - tick} ${toMm}H${x + tick}M${x} ${fromMm}V${toMm}`} />
      {Math.abs(textMm - (fromMm + toMm) / 2) > 2 * px && (
        <path d={`M${x} ${(fromMm + toMm) / 2}L${x + side * 6 * px} ${textMm}`} strokeWidth={0.6 * px} />
      )}
      <text
        x={x + side * 8 * px}
        y={textMm + 4 * px}
        textAnchor={side > 0 ? 'start' : 'end'}
        fill={`var(--${tone})`}
        stroke="none"
        className="figures"
      >
        {text}
      </text>
    </g>
  );
}
