import { Rate } from '../../ui/Rate.tsx';
import type { Answer } from '#core/planning/answerShape.ts';
import { useState } from 'react';
import { CornerModel } from '#core/machine/corner.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { GRAVITY } from '#core/machine/solver.ts';
import type { SagEnd } from '#core/sag/bench.ts';
import { restTravel } from '#core/lab/setup.ts';
import { useLengthStyle, useTell } from '../../ui/settings.ts';
import { lengthText } from '#core/units/formatLength.ts';
import { Length } from '../../ui/Figure.tsx';
import { Select } from '../../ui/Select.tsx';

const WIDTH = 420;
const HEIGHT = 230;
const LEFT = 46;
const BOTTOM = 30;

/**
 * Force at the wheel over its travel, with the rider's own weight as a level line. Winding the seat slides the curve up
 * without tilting it: both sags change alike, and how steep it is stays as it was.
 */
export function PreloadFigure({ answer, ends }: { answer: Answer; ends: readonly SagEnd[] }) {
  const style = useLengthStyle(1);
  const [id, setId] = useState(ends.at(-1)?.id ?? 'RW');
  const [more, setMore] = useState(0);
  const end = ends.find((one) => one.id === id) ?? ends[0];
  if (!end) return null;
  const { solver } = answer.predictAt(answer.now).outcome;
  const here = solver.corners[answer.machine.corners.indexOf(end.id)] as CornerModel;
  const setting = answer.predictAt(answer.now).outcome.settings[answer.machine.corners.indexOf(end.id)];
  const model = (by: number) =>
    new CornerModel(here.description, {
      ...(setting as NonNullable<typeof setting>),
      seatBy: here.seatBy + by,
    });
  const [as, wound] = [model(0), model(more)];
  const [alone, ridden] = [end.alone.kg * GRAVITY, end.ridden.kg * GRAVITY];
  return (
    <div className="flex flex-wrap items-start gap-x-8 gap-y-3">
      <ForceCurve
        as={as}
        wound={wound}
        loads={{ alone, ridden }}
        travelMm={end.travelMm}
        name={`Force at the wheel over travel: ${lengthText(more, style)} more preload takes rider sag from ${lengthText(restTravel(as, ridden), style)} to ${lengthText(restTravel(wound, ridden), style)}`}
      />
      <div className="label max-w-[300px] flex-1">
        {ends.length > 1 && (
          <Select
            label="Which end"
            value={end.id}
            options={ends.map((one) => ({ value: one.id, words: cornerNames[one.id] }))}
            onChange={(to) => setId(to as typeof id)}
          />
        )}
        <label className="mt-3 block">
          Preload, from where it stands:{' '}
          <b>
            {more >= 0 ? '+' : '−'}
            <Length mm={Math.abs(more)} />
          </b>
          <input
            type="range"
            min={-15}
            max={15}
            step={0.5}
            value={more}
            onChange={(event) => setMore(Number(event.target.value))}
            className="accent-action mt-1 w-full"
          />
        </label>
        <BeforeAfter as={as} wound={wound} loads={{ alone, ridden }} />
        <p className="text-second mt-2">
          The curve slides, it does not tilt: the machine rides higher and no firmer. Only another spring
          changes how far the rider’s weight moves it from where it stands alone.
        </p>
      </div>
    </div>
  );
}

interface CurveProps {
  /** The corner as it stands, and as it would be wound. */
  as: CornerModel;
  wound: CornerModel;
  /** What its springs carry, N. */
  loads: { alone: number; ridden: number };
}

function ForceCurve({
  as,
  wound,
  loads: { alone, ridden },
  travelMm,
  name,
}: CurveProps & { travelMm: number; name: string }) {
  const tell = useTell();
  const top = ridden * 1.6;
  const x = (mm: number) => LEFT + (mm / travelMm) * (WIDTH - LEFT - 8);
  const y = (n: number) => HEIGHT - BOTTOM - (Math.min(n, top) / top) * (HEIGHT - BOTTOM - 10);
  const path = (one: CornerModel) =>
    Array.from({ length: 41 }, (_, k) => {
      const z = (travelMm * k) / 40;
      one.evaluate(z);
      return one.forceN <= top ? `${k === 0 ? 'M' : 'L'}${x(z).toFixed(1)} ${y(one.forceN).toFixed(1)}` : '';
    }).join('');
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width={WIDTH}
      height={HEIGHT}
      role="img"
      aria-label={name}
      className="max-w-full"
      fill="none"
      stroke="currentColor"
      fontSize="12"
    >
      <path d={`M${LEFT} 8V${HEIGHT - BOTTOM}H${WIDTH - 4}`} className="stroke-ink" />
      {[alone, ridden].map((n) => (
        <g key={n}>
          <path d={`M${LEFT} ${y(n)}H${WIDTH - 8}`} className="stroke-rule" />
          <text x={LEFT - 4} y={y(n) + 4} textAnchor="end" stroke="none" fill="currentColor">
            {tell('mass', Math.round(n / GRAVITY))}
          </text>
        </g>
      ))}
      <path d={path(as)} strokeWidth="1.6" strokeDasharray="5 3" />
      <path d={path(wound)} strokeWidth="2.4" className="stroke-action" />
      {[alone, ridden].map((n) => (
        <circle key={n} cx={x(restTravel(wound, n))} cy={y(n)} r="4" className="fill-action" stroke="none" />
      ))}
      <text x={WIDTH - 8} y={HEIGHT - 8} textAnchor="end" stroke="none" fill="currentColor">
        wheel travel used
      </text>
    </svg>
  );
}

/** Both sags and the wheel rate, before and after. */
function BeforeAfter({ as, wound, loads: { alone, ridden } }: CurveProps) {
  const rate = (one: CornerModel) => {
    one.evaluate(restTravel(one, ridden));
    return one.rateNPerMm;
  };
  return (
    <dl className="mt-2 grid grid-cols-[1fr_auto_auto] gap-x-3">
      <dt className="text-second">rider on</dt>
      <dd>
        <Length mm={restTravel(as, ridden)} decimals={0} bare /> →
      </dd>
      <dd className="font-semibold">
        <Length mm={restTravel(wound, ridden)} decimals={0} />
      </dd>
      <dt className="text-second">nobody on</dt>
      <dd>
        <Length mm={restTravel(as, alone)} decimals={0} bare /> →
      </dd>
      <dd className="font-semibold">
        <Length mm={restTravel(wound, alone)} decimals={0} />
      </dd>
      <dt className="text-second">wheel rate there</dt>
      <dd>
        <Rate nPerMm={rate(as)} /> →
      </dd>
      <dd className="font-semibold">
        <Rate nPerMm={rate(wound)} />
      </dd>
    </dl>
  );
}
