import { lengthText } from '#core/units/formatLength.ts';
import { useLengthStyle } from '../ui/settings.ts';
import { rule, ruleFrame } from './ruleFrame.ts';
import { Bands, FixedParts, Marks } from './RuleParts.tsx';
import { ruleWords, type TravelRuleData } from './travelRule.ts';

interface Props {
  name: string;
  data: TravelRuleData;
  /** Which side of the machine it stands on: marks point inwards. */
  side: 'left' | 'right';
}

/** One upright ruler of wheel travel, full droop at the bottom, metal at the top, to scale. */
export function TravelRule({ name, data, side }: Props) {
  const style = useLengthStyle(0);
  const frame = ruleFrame(data.travelMm, side);
  const [width, height] = [rule.width, rule.height + 30];
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      role="img"
      aria-label={ruleWords(name, data, (mm) => lengthText(mm, style))}
      data-rule={name}
      className="pointer-events-none shrink-0"
    >
      <FixedParts
        name={name}
        side={side}
        system={style.system}
        travelMm={data.travelMm}
        stopMm={data.stopMm}
        zeroAssumed={data.zeroAssumed}
      />
      <Bands data={data} frame={frame} />
      <Marks data={data} frame={frame} />
    </svg>
  );
}
