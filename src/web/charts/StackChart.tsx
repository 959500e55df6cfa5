import { markWords } from '#words/stackEvents.ts';
import Plotly from 'plotly.js-basic-dist-min';
import { useEffect, useRef, useState, useMemo } from 'react';
import { labCurve, labMarks } from '#core/lab/curve.ts';
import type { Bench } from '#core/lab/setup.ts';
import { MM_PER_INCH } from '#core/units/formatLength.ts';
import { inReadersUnit } from '#core/units/measure.ts';
import { useSettings, useUnitsOf } from '../ui/settings.ts';
import { useDebounced } from '../ui/useDebounced.ts';
import { axesOf, LiveCurves, type Axes, type Systems } from './LiveCurves.tsx';

const DASHES = ['solid', 'dash', 'dot', 'dashdot'];
const SYMBOLS: Record<string, string> = {
  case: 'circle',
  ring: 'diamond',
  tender: 'triangle-up-open',
  bind: 'x',
  stop: 'square',
  end: 'line-ns-open',
};

interface Props {
  benches: Bench[];
  current: number;
}

/** Milliseconds of quiet before the chart is drawn anew: drawing it takes several frames. */
const REST = 160;

/**
 * Force, wheel rate and natural frequency against wheel travel, up to four setups over each other, with their marks. While
 * a hand moves something the chosen setup's curves are drawn over the chart in every frame; the chart itself follows.
 */
export function StackChart({ benches, current }: Props) {
  const node = useRef<HTMLDivElement>(null);
  const [axes, setAxes] = useState<Axes | null>(null);
  const length = useSettings((state) => state.system);
  const [force, rate] = [useUnitsOf('force'), useUnitsOf('rate')];
  const systems = useMemo(() => ({ length, force, rate }), [length, force, rate]);
  const theme = useSettings((state) => state.theme);
  const drawn = useDebounced(benches, REST);
  useEffect(() => {
    const target = node.current;
    if (!target) return;
    const tone = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
    const traces = drawn.flatMap((bench, k) => tracesOf(bench, k, k === current, systems, tone));
    void Plotly.react(target, traces, layout(tone, systems), {
      displayModeBar: false,
      responsive: true,
    }).then(() => setAxes(axesOf(target)));
  }, [drawn, current, systems, theme]);
  useEffect(() => {
    const target = node.current;
    return () => {
      if (target) Plotly.purge(target);
    };
  }, []);
  const live = drawn === benches ? null : (benches[current] ?? null);
  return (
    <div className="relative">
      <div
        ref={node}
        className="h-[520px] w-full"
        role="img"
        aria-label="Wheel force, wheel rate and natural frequency against wheel travel"
      />
      {live && axes && <LiveCurves bench={live} axes={axes} systems={systems} />}
    </div>
  );
}

function tracesOf(
  bench: Bench,
  k: number,
  chosen: boolean,
  systems: Systems,
  tone: (name: string) => string,
): object[] {
  const curve = labCurve(bench);
  const marks = labMarks(bench);
  const length = (mm: number) => (systems.length === 'mm' ? mm : mm / MM_PER_INCH);
  const x = curve.travelMm.map(length);
  const newton = inReadersUnit('force', 1, systems.force).value;
  const rateUnit = inReadersUnit('rate', 1, systems.rate).value;
  const line = {
    color: chosen ? tone('--action') : tone('--ink'),
    dash: DASHES[k],
    width: chosen ? 2.2 : 1.3,
  };
  const shared = { x, name: bench.setup.name, legendgroup: String(k), mode: 'lines', line };
  return [
    { ...shared, y: curve.forceN.map((n) => n * newton) },
    {
      ...shared,
      y: curve.rateNPerMm.map((rate) => rate * rateUnit),
      yaxis: 'y2',
      showlegend: false,
    },
    { ...shared, y: curve.frequencyHz, yaxis: 'y3', showlegend: false },
    {
      x: marks.map(({ travelMm }) => length(travelMm)),
      y: marks.map(({ forceN }) => forceN * newton),
      text: marks.map(markWords),
      hovertemplate: '%{text}<extra></extra>',
      mode: chosen ? 'markers+text' : 'markers',
      // Neighbours in the travel are written on either side of the curve.
      textposition: marks.map((_, i) => (i % 2 === 0 ? 'top left' : 'bottom right')),
      textfont: { size: 12 },
      cliponaxis: false,
      showlegend: false,
      legendgroup: String(k),
      marker: {
        symbol: marks.map(({ kind }) => SYMBOLS[kind]),
        size: 8,
        color: marks.map(({ kind }) => (kind === 'bind' ? tone('--short') : line.color)),
      },
    },
  ];
}

function layout(tone: (name: string) => string, systems: Systems): object {
  const axis = {
    gridcolor: tone('--rule'),
    zeroline: false,
    linecolor: tone('--second'),
    rangemode: 'tozero',
  };
  const rows = (text: string, domain: readonly number[]) => ({
    ...axis,
    title: { text, standoff: 8, font: { size: 13 } },
    domain,
  });
  return {
    margin: { l: 64, r: 12, t: 8, b: 40 },
    paper_bgcolor: 'transparent',
    plot_bgcolor: 'transparent',
    font: { family: 'Archivo Variable', size: 13, color: tone('--ink') },
    xaxis: {
      ...axis,
      title: { text: `wheel travel from full droop, ${systems.length}`, font: { size: 13 } },
      anchor: 'y3',
    },
    yaxis: rows(`force, ${inReadersUnit('force', 0, systems.force).unit}`, [0.58, 1]),
    yaxis2: rows(`wheel rate, ${inReadersUnit('rate', 0, systems.rate).unit}`, [0.29, 0.53]),
    yaxis3: rows('frequency, Hz', [0, 0.24]),
    legend: { orientation: 'h', y: 1.08 },
    hovermode: 'x unified',
  };
}
