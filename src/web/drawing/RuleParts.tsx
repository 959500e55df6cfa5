import { memo } from 'react';
import type { LengthSystem } from '#core/units/parseLength.ts';
import { rule, ruleFrame, type RuleFrame } from './ruleFrame.ts';
import { rulerTicks, type TravelRuleData } from './travelRule.ts';

interface PartProps {
  data: TravelRuleData;
  frame: RuleFrame;
}

const letters = 'fill-second text-[11px]';

interface FixedProps {
  name: string;
  side: 'left' | 'right';
  system: LengthSystem;
  travelMm: number;
  stopMm: number;
  zeroAssumed: boolean;
}

/** What of a rule stands still while values move: spine, ticks and the bump stop's share. */
export const FixedParts = memo(function FixedParts(props: FixedProps) {
  return (
    <>
      <StopZone {...props} />
      <Spine {...props} />
    </>
  );
});

/** The bump stop's share of the travel, hatched. */
function StopZone({ name, side, travelMm, stopMm }: FixedProps) {
  const frame = ruleFrame(travelMm, side);
  const id = `hatch-${name.replace(/\s/g, '-')}`;
  const top = frame.y(travelMm);
  const height = Math.max(frame.y(travelMm - stopMm) - top, 0);
  return (
    <>
      <pattern id={id} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V5" stroke="var(--short)" strokeWidth="1.6" />
      </pattern>
      <rect
        x={frame.left(rule.spine, rule.spine + 12)}
        y={top}
        width="12"
        height={height}
        fill={`url(#${id})`}
      />
      <text x={frame.x(rule.spine + 16)} y={top + 10} textAnchor={frame.anchor('start')} className={letters}>
        stop
      </text>
    </>
  );
}

/** The upright line with its ticks; broken where its zero is assumed. */
function Spine({ side, system, travelMm, zeroAssumed }: FixedProps) {
  const frame = ruleFrame(travelMm, side);
  return (
    <>
      <path
        d={`M${frame.x(rule.spine)} ${frame.y(0)}V${frame.y(travelMm)}`}
        stroke="var(--ink)"
        strokeWidth="1.5"
        strokeDasharray={zeroAssumed ? '3 3' : undefined}
      />
      {rulerTicks(travelMm, system).map(({ mm, label }) => (
        <g key={mm}>
          <path
            d={`M${frame.x(rule.spine)} ${frame.y(mm)}H${frame.x(rule.spine - (label === null ? 5 : 10))}`}
            stroke={label === null ? 'var(--second)' : 'var(--ink)'}
          />
          <text
            x={frame.x(rule.spine - 13)}
            y={frame.y(mm) + 4}
            textAnchor={frame.anchor('end')}
            className={`figures ${letters}`}
          >
            {label}
          </text>
        </g>
      ))}
      <text
        x={frame.x(zeroAssumed ? 4 : rule.spine)}
        y={rule.height + 26}
        textAnchor={zeroAssumed ? frame.anchor('start') : 'middle'}
        className={letters}
      >
        {zeroAssumed ? 'droop, assumed' : 'full droop'}
      </text>
    </>
  );
}

/** Tolerance: an open box on the spine. Uncertainty after the plan: a wash beside it. */
export function Bands({ data, frame }: PartProps) {
  const between = (around: number, half: number) => {
    const top = frame.y(around + half);
    return { y: top, height: Math.max(frame.y(around - half) - top, 2) };
  };
  return (
    <>
      {data.targetMm !== null && (
        <rect
          x={frame.left(rule.spine, rule.spine + 9)}
          width="9"
          {...between(data.targetMm, data.toleranceMm)}
          fill="none"
          stroke="var(--action)"
          strokeWidth="1.2"
        />
      )}
      {data.window && (
        <path
          d={`M${frame.x(rule.spine + 13)} ${frame.y(data.window.fromMm)}H${frame.x(rule.spine + 18)}V${frame.y(data.window.toMm)}H${frame.x(rule.spine + 13)}`}
          fill="none"
          stroke="var(--second)"
          strokeWidth="1.4"
          data-mark="window"
        />
      )}
      {data.afterMm !== null && (
        <rect
          x={frame.left(rule.spine + 1, rule.spine + 25)}
          width="24"
          {...between(data.afterMm, data.bandMm)}
          fill="var(--wash)"
          opacity="0.85"
        />
      )}
    </>
  );
}

/** Where it sits now (solid) and where it should sit (open). They slide as values change. */
export function Marks({ data, frame }: PartProps) {
  return (
    <>
      {data.targetMm !== null && (
        <g className="slide" style={{ transform: `translateY(${frame.y(data.targetMm)}px)` }}>
          <path
            d={pointer(frame, rule.spine + 28, 7)}
            fill="none"
            stroke="var(--action)"
            strokeWidth="1.8"
            data-mark="target"
          />
        </g>
      )}
      {data.nowMm !== null && (
        <g className="slide" style={{ transform: `translateY(${frame.y(data.nowMm)}px)` }}>
          <path d={pointer(frame, rule.spine + 14, 6)} fill="var(--ink)" data-mark="now" />
        </g>
      )}
    </>
  );
}

/** A triangle that points at the spine. */
function pointer({ x }: RuleFrame, at: number, size: number): string {
  return `M${x(at)} 0L${x(at + size * 1.9)} ${-size}V${size}Z`;
}
