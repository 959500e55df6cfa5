/** Where the two lengths on an arm are read: from its pivot to where the damper stands on it, and to the middle of the wheel. */
export function ArmLengths() {
  return (
    <svg
      viewBox="0 0 300 92"
      role="img"
      aria-label="An arm from its pivot to the wheel, with the damper standing on it"
      className="my-2 w-full max-w-[340px]"
    >
      <g fill="none" stroke="var(--ink)" strokeWidth="1.4">
        <circle cx="40" cy="50" r="4" />
        <path d="M44 50H200" strokeWidth="3" />
        <circle cx="230" cy="50" r="24" />
        <path d="M200 50h30" strokeWidth="3" />
        <path d="M130 48L112 6" stroke="var(--second)" strokeWidth="5" />
        <circle cx="130" cy="50" r="3" fill="var(--ink)" />
      </g>
      <g fill="none" stroke="var(--action)" strokeWidth="1.6">
        <path d="M40 66H130M40 62v8M130 62v8" />
        <path d="M40 82H230M40 78v8M230 78v8" />
      </g>
      <g className="fill-second text-[11px]">
        <text x="62" y="62">
          to the damper
        </text>
        <text x="140" y="78">
          to the wheel
        </text>
      </g>
    </svg>
  );
}
