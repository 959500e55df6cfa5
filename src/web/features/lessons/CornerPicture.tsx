import type { LessonStand } from './lessonCorner.ts';

const GROUND = 286;
const HUB = { x: 120, y: 224 };
const TYRE = GROUND - HUB.y;
/** Where the damper stands on the arm. */
const FOOT = { x: 246, y: HUB.y + 10 };
const SPRING_PX = 0.46;
const RULE = { x: 372, top: 40, low: 262 };

interface Props {
  stand: LessonStand;
  /** A link that lowers the body, mm: the arch comes down by as much. */
  lowerMm?: number;
}

/** A corner from the side: wheel on the ground, damper and spring on its arm, the body over it, and how its travel is split. */
export function CornerPicture({ stand, lowerMm = 0 }: Props) {
  const { droopMm, bumpMm, bodyMm, springMm } = stand;
  const bodyY = HUB.y - 8 - (bodyMm - lowerMm) * 0.9;
  const collarY = FOOT.y - 8 - springMm * SPRING_PX;
  return (
    <svg
      viewBox="0 0 440 310"
      className="w-full max-w-[460px]"
      role="img"
      aria-label="A wheel, its spring, the body over it, and the split of its travel"
    >
      <line x1={0} x2={330} y1={GROUND} y2={GROUND} className="stroke-ink" strokeWidth={2} />
      <path
        d={`M8 ${bodyY} H${HUB.x - 84} A84 84 0 0 1 ${HUB.x + 84} ${bodyY} H322 V${bodyY - 128} Q322 ${bodyY - 148} 302 ${bodyY - 148} H28 Q8 ${bodyY - 148} 8 ${bodyY - 128} Z`}
        className="stroke-ink fill-sheet"
        strokeWidth={2}
      />
      <circle cx={HUB.x} cy={HUB.y} r={TYRE} className="stroke-ink fill-ground" strokeWidth={2} />
      <circle cx={HUB.x} cy={HUB.y} r={34} className="stroke-second fill-sheet" />
      <path
        d={`M${HUB.x} ${HUB.y} L${FOOT.x} ${FOOT.y} L306 ${FOOT.y - 6}`}
        className="stroke-ink fill-none"
        strokeWidth={5}
        strokeLinecap="round"
      />
      <circle cx={HUB.x} cy={HUB.y} r={6} className="fill-ink" />
      <line x1={FOOT.x} x2={FOOT.x} y1={FOOT.y} y2={bodyY - 126} className="stroke-second" strokeWidth={7} />
      <circle cx={FOOT.x} cy={bodyY - 126} r={6} className="fill-ink" />
      <Spring from={FOOT.y - 8} to={collarY} />
      <line
        x1={FOOT.x - 26}
        x2={FOOT.x + 26}
        y1={collarY}
        y2={collarY}
        className="stroke-ink"
        strokeWidth={5}
      />
      <TravelSplit droopMm={droopMm} bumpMm={bumpMm} />
    </svg>
  );
}

/** The travel from full droop to full bump: what is used from below, and the place it stands at. */
function TravelSplit({ droopMm, bumpMm }: Pick<LessonStand, 'droopMm' | 'bumpMm'>) {
  const total = droopMm + bumpMm;
  const y = (mm: number) => RULE.low - (mm / total) * (RULE.low - RULE.top);
  return (
    <>
      <rect x={RULE.x - 10} width={20} y={y(droopMm)} height={RULE.low - y(droopMm)} className="fill-wash" />
      <line x1={RULE.x} x2={RULE.x} y1={RULE.top} y2={RULE.low} className="stroke-ink" />
      {[RULE.top, RULE.low].map((end) => (
        <line
          key={end}
          x1={RULE.x - 10}
          x2={RULE.x + 10}
          y1={end}
          y2={end}
          className="stroke-ink"
          strokeWidth={2}
        />
      ))}
      <path d={`M${RULE.x + 4} ${y(droopMm)} l14 -7 v14 Z`} className="fill-action" />
      <text x={RULE.x} y={RULE.low + 20} textAnchor="middle" className="fill-second text-[13px]">
        full droop
      </text>
      <text x={RULE.x} y={RULE.top - 10} textAnchor="middle" className="fill-second text-[13px]">
        full bump
      </text>
    </>
  );
}

/** A coil between two heights. */
function Spring({ from, to }: { from: number; to: number }) {
  const turns = 6;
  const step = (from - to) / (2 * turns);
  const points = Array.from(
    { length: 2 * turns + 1 },
    (_, k) => `${FOOT.x + (k % 2 === 0 ? -20 : 20)},${from - k * step}`,
  );
  return (
    <polyline
      points={points.join(' ')}
      className="stroke-action fill-none"
      strokeWidth={4.5}
      strokeLinejoin="round"
    />
  );
}
