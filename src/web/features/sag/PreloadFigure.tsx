import { Rate } from '../../ui/Rate.tsx';
import type { Answer } from '#core/planning/answerShape.ts';
import { Fragment, useState } from 'react';
import { MORE_KG, preloadTold } from '#core/sag/preloadTold.ts';
import { CornerModel } from '#core/machine/corner.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { GRAVITY } from '#core/machine/solver.ts';
import type { SagEnd } from '#core/sag/bench.ts';
import { restTravel } from '#core/machine/rest.ts';
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
      <div className="label max-w-[340px] min-w-[240px] flex-1">
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
          The curve slides, it does not tilt. Only another spring changes how far the rider’s weight moves it
          from where it stands alone.
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

/** What the rider has of it, before and after: what stays, and what does not. */
function BeforeAfter({ as, wound, loads }: CurveProps) {
  const tell = useTell();
  const [before, after] = [preloadTold(as, loads), preloadTold(wound, loads)];
  const weight = tell('mass', MORE_KG);
  const lengths: [string, keyof typeof before, string][] = [
    ['spring closed, rider on', 'closedMm', 'stays: the same load'],
    ['droop left for holes, rider on', 'riderSagMm', 'this is what changes'],
    ['nobody on', 'staticSagMm', ''],
    [`${weight} more, rider on: sinks by`, 'moreSinksMm', 'stays: no stiffer'],
    [`pushed by hand with ${weight}, nobody on`, 'pushSinksMm', 'feels harder when it tops out'],
  ];
  const higherMm = before.riderSagMm - after.riderSagMm;
  return (
    <>
      <dl className="mt-2 grid grid-cols-[1fr_auto_auto] gap-x-3" data-testid="preload-told">
        {lengths.map(([words, key, why]) => (
          <Fragment key={key}>
            <dt className="text-second">
              {words}
              {why && <span className="block text-[13px] leading-4">{why}</span>}
            </dt>
            <dd>
              <Length mm={before[key]} bare /> →
            </dd>
            <dd className="font-semibold">
              <Length mm={after[key]} />
            </dd>
          </Fragment>
        ))}
        <dt className="text-second">wheel rate, rider on</dt>
        <dd>
          <Rate nPerMm={before.rateNPerMm} /> →
        </dd>
        <dd className="font-semibold">
          <Rate nPerMm={after.rateNPerMm} />
        </dd>
      </dl>
      {Math.abs(higherMm) > SEEN_MM && (
        <p className="mt-1 font-semibold">
          It stands <Length mm={Math.abs(higherMm)} /> {higherMm > 0 ? 'higher' : 'lower'}, and no{' '}
          {higherMm > 0 ? 'firmer' : 'softer'}.
        </p>
      )}
    </>
  );
}

/** mm. Less is not worth a line. */
const SEEN_MM = 0.5;
