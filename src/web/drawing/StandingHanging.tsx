/** Where the tape goes to measure a ratio: hub to arch and damper from eye to eye, standing and hanging. */
export function StandingHanging({ leg = false }: { leg?: boolean }) {
  return (
    <svg
      viewBox="0 0 300 112"
      role="img"
      aria-label="Wheel standing and wheel hanging, each with the two lengths to read"
      className="my-2 w-full max-w-[340px]"
    >
      <One x={10} hangs={0} words="standing" leg={leg} />
      <One x={160} hangs={16} words="hanging" leg={leg} />
    </svg>
  );
}

function One({ x, hangs, words, leg }: { x: number; hangs: number; words: string; leg: boolean }) {
  const hub = 56 + hangs;
  const top = leg ? 8 : 16;
  return (
    <g fill="none" stroke="var(--ink)" strokeWidth="1.4">
      <path d={`M${x} 30q32 -34 66 0`} />
      <circle cx={x + 33} cy={hub} r="18" />
      {hangs === 0 && <path d={`M${x - 6} ${hub + 18}H${x + 122}`} />}
      <path d={`M${x + 33} ${hub}V14`} stroke="var(--action)" strokeWidth="2" />
      <path d={`M${x + 70} ${hub - 4}L${x + 84} ${top}`} stroke="var(--action)" strokeWidth="2" />
      <circle cx={x + 70} cy={hub - 4} r="2.5" fill="var(--action)" stroke="none" />
      <circle cx={x + 84} cy={top} r="2.5" fill="var(--action)" stroke="none" />
      <text x={x + 90} y={hub - 18} className="fill-second text-[11px]" stroke="none">
        damper
      </text>
      <text x={x} y="108" className="fill-second text-[11px]" stroke="none">
        {words}
      </text>
    </g>
  );
}
