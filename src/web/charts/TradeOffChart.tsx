import Plotly, { type PlotlyHTMLElement } from 'plotly.js-basic-dist-min';
import { useEffect, useRef } from 'react';
import { tolerances } from '#core/tolerances.ts';
import type { TradeOff } from '#core/scales/tradeOff.ts';
import { MM_PER_INCH } from '#core/units/formatLength.ts';
import { useSettings } from '../ui/settings.ts';

interface Props {
  trade: TradeOff;
  toleranceMm: number;
  /** Index of the point that is taken now. */
  taken: number;
  /** Where the machine stands now: share and furthest height, mm. */
  now: { share: number; heightOffMm: number };
  onPick: (index: number) => void;
}

/** The line between scales and heights: what each point leaves of both, with the corner where both are in tolerance. */
export function TradeOffChart({ trade, toleranceMm, taken, now, onPick }: Props) {
  const node = useRef<HTMLDivElement>(null);
  const system = useSettings((state) => state.system);
  const theme = useSettings((state) => state.theme);
  const pick = useRef(onPick);
  useEffect(() => {
    pick.current = onPick;
  });
  useEffect(() => {
    const target = node.current;
    if (!target) return;
    const tone = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
    const scale = system === 'mm' ? 1 : 1 / MM_PER_INCH;
    const { points } = trade;
    const traces = [
      {
        x: points.map(({ share }) => 100 * share),
        y: points.map(({ heightOffMm }) => heightOffMm * scale),
        name: 'plans',
        mode: 'lines+markers',
        line: { color: tone('--action'), width: 1.5 },
        marker: {
          symbol: points.map((_, k) => (k === taken ? 'diamond' : 'circle')),
          size: points.map((_, k) => (k === taken ? 13 : 8)),
          color: points.map((_, k) => (k === taken ? tone('--ink') : tone('--action'))),
        },
        hovertemplate: `%{x:.1f} %, furthest height %{y:.${system === 'mm' ? 1 : 3}f} ${system}<extra></extra>`,
      },
      {
        x: [100 * now.share],
        y: [now.heightOffMm * scale],
        name: 'as it stands',
        mode: 'markers',
        marker: { symbol: 'x-thin', size: 10, line: { color: tone('--second'), width: 2 } },
        hovertemplate: `now %{x:.1f} %, furthest height %{y:.${system === 'mm' ? 1 : 3}f} ${system}<extra></extra>`,
      },
    ];
    void Plotly.react(target, traces, layout({ tone, trade, toleranceMm: toleranceMm * scale, system }), {
      displayModeBar: false,
      responsive: true,
    });
    (target as unknown as PlotlyHTMLElement).on('plotly_click', ({ points: [point] }) => {
      if (point?.curveNumber === 0) pick.current(point.pointNumber);
    });
    return () => Plotly.purge(target);
  }, [trade, toleranceMm, taken, now.share, now.heightOffMm, system, theme]);
  return (
    <div
      ref={node}
      className="h-72 min-w-0"
      role="img"
      aria-label="Furthest height off its target against weight on the scales; the same in the table beside it"
    />
  );
}

interface LayoutOf {
  tone: (name: string) => string;
  trade: TradeOff;
  toleranceMm: number;
  system: string;
}

function layout({ tone, trade, toleranceMm, system }: LayoutOf): object {
  const line = tone('--second');
  const from = 100 * (trade.target - tolerances.crossShare);
  const to = 100 * (trade.target + tolerances.crossShare);
  return {
    margin: { l: 56, r: 12, t: 28, b: 44 },
    paper_bgcolor: 'transparent',
    plot_bgcolor: 'transparent',
    font: { family: 'Archivo Variable', size: 13, color: tone('--ink') },
    xaxis: {
      title: { text: trade.goal === 'front' ? 'right front of the front, %' : 'cross weight RF + LR, %' },
      gridcolor: tone('--rule'),
      linecolor: line,
      zeroline: false,
      fixedrange: true,
    },
    yaxis: {
      title: { text: `furthest height off, ${system}` },
      rangemode: 'tozero',
      gridcolor: tone('--rule'),
      zerolinecolor: line,
      fixedrange: true,
    },
    shapes: [
      {
        type: 'rect',
        x0: from,
        x1: to,
        y0: 0,
        y1: toleranceMm,
        fillcolor: tone('--wash'),
        line: { width: 1, color: tone('--action'), dash: 'dot' },
        layer: 'below',
      },
    ],
    legend: { orientation: 'h', y: 1.14 },
    hovermode: 'closest',
  };
}
