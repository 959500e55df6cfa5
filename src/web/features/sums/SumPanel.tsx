import type { SumUnit } from '#core/calculation/part.ts';
import { springWay } from '#words/instruction.ts';
import { useEffect, useRef } from 'react';
import type { Source } from '#core/estimate/corner.ts';
import { inReadersUnit, type MeasureName } from '#core/units/measure.ts';
import { useUnitsOf } from '../../ui/settings.ts';
import { SizeLength, Plain, Turns } from '../../ui/Figure.tsx';
import { useSum } from './sumContext.ts';

/** Where a figure is from, in a word. */
export const sourceWords: Record<Source, string> = {
  measured: 'measured',
  sheet: 'given',
  assumed: 'assumed',
  learnt: 'learnt',
  computed: 'computed',
  told: 'as told',
};

function Measured({ name, value }: { name: MeasureName; value: number }) {
  const system = useUnitsOf(name);
  const shown = inReadersUnit(name, value, system);
  return (
    <span className="figures">
      <Plain value={shown.value} decimals={name === 'force' ? 0 : 1} /> <small>{shown.unit}</small>
    </span>
  );
}

/** A figure in its unit, as the reader has units. */
export function SumValue({ value, unit }: { value: number; unit: SumUnit }) {
  if (unit === 'force' || unit === 'rate' || unit === 'mass' || unit === 'pressure')
    return <Measured name={unit} value={value} />;
  if (unit === 'percent') return <span className="figures">{(100 * value).toFixed(1)} %</span>;
  if (unit === 'length') return <SizeLength mm={value} decimals={2} />;
  if (unit === 'turns')
    return (
      <span className="whitespace-normal">
        <Turns turns={value} /> {value === 0 ? '' : springWay(value)}
      </span>
    );
  if (unit === 'share') return <span className="figures">{Math.round(value * 100)} %</span>;
  if (unit === 'angle')
    return (
      <>
        <Plain value={value} decimals={1} />°
      </>
    );
  if (unit === 'gain')
    return (
      <span className="figures whitespace-normal">
        <Plain value={value} decimals={3} /> mm per mm
      </span>
    );
  if (unit === 'hertz' || unit === 'joule')
    return (
      <span className="figures">
        <Plain value={value} decimals={unit === 'hertz' ? 2 : 1} />{' '}
        <small>{unit === 'hertz' ? 'Hz' : 'J'}</small>
      </span>
    );
  return <Plain value={value} decimals={unit === 'count' ? 0 : 3} />;
}

/** The open sum, written into the margin: formula, what went in and from where, what came out. */
export function SumPanel() {
  const { sum, close } = useSum();
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), [sum]);
  if (!sum) return null;
  return (
    <section
      aria-label={`Calculation: ${sum.title}`}
      className="bg-sheet border-rule mb-4 border p-3 max-lg:fixed max-lg:inset-x-0 max-lg:bottom-0 max-lg:z-30 max-lg:mb-0 max-lg:max-h-[60vh] max-lg:overflow-y-auto"
      onKeyDown={(event) => event.key === 'Escape' && close()}
    >
      <div className="flex items-baseline justify-between gap-2">
        <h3 ref={heading} tabIndex={-1} className="font-semibold outline-none">
          {sum.title}
        </h3>
        <button
          type="button"
          onClick={close}
          className="text-action label min-h-6 font-semibold underline underline-offset-4"
        >
          close
        </button>
      </div>
      <p className="label text-second mt-1">{sum.words}</p>
      <p className="mt-2 font-medium italic">{sum.formula}</p>
      <table className="label mt-2 w-full">
        <thead className="sr-only">
          <tr>
            <th>symbol</th>
            <th>meaning and source</th>
            <th>value</th>
          </tr>
        </thead>
        <tbody>
          {sum.inputs.map((input) => (
            <tr key={input.symbol} className="border-rule border-t align-baseline">
              <td className="py-0.5 pr-2 whitespace-nowrap italic">{input.symbol}</td>
              <td className="text-second py-0.5 pr-2">
                {input.name}
                <span className={input.source === 'assumed' ? 'text-tight' : ''}>
                  {' '}
                  · {sourceWords[input.source]}
                </span>
              </td>
              <td className="py-0.5 text-right whitespace-nowrap">
                <SumValue value={input.value} unit={input.unit} />
              </td>
            </tr>
          ))}
          <tr className="border-ink border-t-2 align-baseline font-semibold">
            <td className="pt-1" />
            <td className="pt-1">result</td>
            <td className="pt-1 text-right whitespace-nowrap">
              <SumValue value={sum.result.value} unit={sum.result.unit} />
            </td>
          </tr>
          {sum.left && (
            <tr className="border-rule text-second border-t align-baseline">
              <td className="pr-2 italic" />
              <td className="py-0.5 pr-2">
                {sum.left.symbol}: {sum.left.name}
              </td>
              <td className="py-0.5 text-right whitespace-nowrap">
                <SumValue value={sum.left.value} unit={sum.left.unit} />
              </td>
            </tr>
          )}
        </tbody>
      </table>
      {sum.note && <p className="label text-second mt-2">{sum.note}</p>}
    </section>
  );
}
