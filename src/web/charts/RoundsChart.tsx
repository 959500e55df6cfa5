import { useThisJob } from '../jobStore/jobContext.ts';
import Plotly from 'plotly.js-basic-dist-min';
import { useEffect, useRef } from 'react';
import { cornerNames } from '#core/kinds/corners.ts';
import { MM_PER_INCH } from '#core/units/formatLength.ts';
import { useSettings } from '../ui/settings.ts';
import { capital } from '../ui/words.ts';
import { roundWords } from '#words/fields.ts';

const DASHES = ['solid', 'dash', 'dot', 'dashdot'];
const SYMBOLS = ['circle', 'square', 'diamond', 'triangle-up'];

/** How far each corner was from its target, round by round, with the tolerance as a band. */
export function RoundsChart() {
  const job = useThisJob();
  const node = useRef<HTMLDivElement>(null);
  const system = useSettings((state) => state.system);
  const theme = useSettings((state) => state.theme);
  const { answer } = job;
  useEffect(() => {
    const target = node.current;
    if (!target || !answer) return;
    target.scrollIntoView({ block: 'nearest' });
    const tone = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
    const scale = system === 'mm' ? 1 : 1 / MM_PER_INCH;
    const rounds = answer.posterior.heightsByRound;
    const names = rounds.map((_, round) => capital(roundWords(round)));
    const traces = answer.corners.flatMap((corner, i) => {
      const wanted = corner.spec.targetMm;
      if (wanted === null) return [];
      return [
        {
          x: names,
          y: rounds.map((heights) => ((heights[i] ?? 0) - wanted) * scale),
          name: capital(cornerNames[corner.id]),
          mode: 'lines+markers',
          line: { color: i % 2 === 0 ? tone('--ink') : tone('--action'), dash: DASHES[i], width: 1.5 },
          marker: { symbol: SYMBOLS[i], size: 8 },
        },
      ];
    });
    const band = answer.tolerance.value * scale;
    void Plotly.react(target, traces, layout(tone, band, system), {
      displayModeBar: false,
      responsive: true,
    });
    return () => Plotly.purge(target);
  }, [answer, system, theme]);
  return (
    <div
      ref={node}
      className="mx-4 h-64"
      role="img"
      aria-label="Distance from target at each corner, round by round"
    />
  );
}

function layout(tone: (name: string) => string, band: number, system: string): object {
  const line = { color: tone('--second') };
  return {
    margin: { l: 56, r: 8, t: 12, b: 28 },
    paper_bgcolor: 'transparent',
    plot_bgcolor: 'transparent',
    font: { family: 'Archivo Variable', size: 13, color: tone('--ink') },
    xaxis: { type: 'category', showgrid: false, linecolor: line.color, fixedrange: true },
    yaxis: {
      title: { text: `off target, ${system}` },
      zerolinecolor: tone('--action'),
      gridcolor: tone('--rule'),
      fixedrange: true,
    },
    shapes: [
      {
        type: 'rect',
        xref: 'paper',
        x0: 0,
        x1: 1,
        y0: -band,
        y1: band,
        fillcolor: tone('--wash'),
        opacity: 0.6,
        line: { width: 0 },
        layer: 'below',
      },
    ],
    legend: { orientation: 'h', y: 1.12 },
  };
}
