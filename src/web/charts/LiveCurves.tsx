import { labCurve } from '#core/lab/curve.ts';
import type { Bench } from '#core/lab/setup.ts';
import { MM_PER_INCH } from '#core/units/formatLength.ts';
import { inReadersUnit, type UnitsOf } from '#core/units/measure.ts';
import type { LengthSystem } from '#core/units/parseLength.ts';

/** Where an axis lies in the chart, px, and what it spans. */
interface Axis {
  _offset: number;
  _length: number;
  range: [number, number];
}

/** The chart's axes: travel below, then force, wheel rate and frequency. */
export type Axes = Record<'xaxis' | 'yaxis' | 'yaxis2' | 'yaxis3', Axis>;

/** Reads where the axes of a drawn chart lie; null before it is drawn. */
export function axesOf(target: HTMLElement): Axes | null {
  const { _fullLayout: layout } = target as HTMLElement & { _fullLayout?: Axes };
  if (!layout) return null;
  const read = ({ _offset, _length, range }: Axis): Axis => ({
    _offset,
    _length,
    range: [range[0], range[1]],
  });
  const { xaxis, yaxis, yaxis2, yaxis3 } = layout;
  return { xaxis: read(xaxis), yaxis: read(yaxis), yaxis2: read(yaxis2), yaxis3: read(yaxis3) };
}

/** The system of each axis. */
export interface Systems {
  length: LengthSystem;
  force: UnitsOf<'force'>;
  rate: UnitsOf<'rate'>;
}

interface Props {
  bench: Bench;
  axes: Axes;
  systems: Systems;
}

/** One setup's three curves over the chart, on its axes. */
export function LiveCurves({ bench, axes, systems }: Props) {
  const curve = labCurve(bench);
  const perMm = systems.length === 'mm' ? 1 : 1 / MM_PER_INCH;
  const place = ({ _offset, _length, range }: Axis, value: number) =>
    _offset + ((value - range[0]) / (range[1] - range[0])) * _length;
  const line = (axis: Axis, values: number[], unit: number) =>
    values
      .map((value, i) => {
        const y = axis._offset + axis._length - (place(axis, value * unit) - axis._offset);
        return `${i === 0 ? 'M' : 'L'}${place(axes.xaxis, (curve.travelMm[i] ?? 0) * perMm).toFixed(1)} ${y.toFixed(1)}`;
      })
      .join('');
  return (
    <svg aria-hidden className="pointer-events-none absolute inset-0 size-full overflow-hidden" fill="none">
      {[
        line(axes.yaxis, curve.forceN, inReadersUnit('force', 1, systems.force).value),
        line(axes.yaxis2, curve.rateNPerMm, inReadersUnit('rate', 1, systems.rate).value),
        line(axes.yaxis3, curve.frequencyHz, 1),
      ].map((d, i) => (
        <path key={i} d={d} stroke="var(--tight)" strokeWidth="2" data-live />
      ))}
    </svg>
  );
}
