import { useLengthStyle } from '../../ui/settings.ts';

const WIDTH = 300;
const HEIGHT = 110;
const PX_PER_MM = 5;
const MM_PER_INCH = 25.4;

/** The tape close at the lip: whoever reads it says what it shows. Millimetres, or sixteenths where the reader has inches. */
export function Loupe({ mm }: { mm: number }) {
  const { system } = useLengthStyle(1);
  const marks = system === 'in' ? inchMarks(mm) : mmMarks(mm);
  const half = HEIGHT / 2;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="border-rule bg-sheet w-full max-w-[330px] border"
      role="img"
      aria-label={`The lip stands at ${said(mm, system)}`}
    >
      <rect x={WIDTH / 2 - 60} y={0} width={120} height={HEIGHT} className="fill-wash" />
      {marks.map(({ at, long, words }) => {
        const y = half - (at - mm) * PX_PER_MM;
        return (
          <g key={at}>
            <line
              x1={WIDTH / 2 - 60}
              x2={WIDTH / 2 - 60 + long}
              y1={y}
              y2={y}
              className="stroke-ink"
              strokeWidth={1}
            />
            {words && (
              <text x={WIDTH / 2 + 4} y={y + 5} className="fill-ink text-[15px] font-semibold">
                {words}
              </text>
            )}
          </g>
        );
      })}
      <rect x={0} y={0} width={WIDTH / 2 - 60} height={half} className="fill-second" fillOpacity={0.25} />
      <line x1={0} x2={WIDTH} y1={half} y2={half} className="stroke-action" strokeWidth={1.5} />
    </svg>
  );
}

interface Mark {
  at: number;
  long: number;
  words: string;
}

const AROUND_MM = 14;

function mmMarks(mm: number): Mark[] {
  const first = Math.ceil(mm - AROUND_MM);
  return Array.from({ length: 2 * AROUND_MM }, (_, k) => {
    const at = first + k;
    const long = at % 10 === 0 ? 52 : at % 5 === 0 ? 38 : 26;
    return { at, long, words: at % 5 === 0 ? `${at}` : '' };
  });
}

function inchMarks(mm: number): Mark[] {
  const step = MM_PER_INCH / 16;
  const first = Math.ceil((mm - AROUND_MM) / step);
  return Array.from({ length: Math.floor((2 * AROUND_MM) / step) }, (_, k) => {
    const n = first + k;
    const long = n % 16 === 0 ? 60 : n % 8 === 0 ? 48 : n % 4 === 0 ? 38 : n % 2 === 0 ? 30 : 22;
    const words =
      n % 16 === 0
        ? `${n / 16}`
        : n % 4 === 0
          ? `${Math.floor(n / 16)} ${{ 4: '1/4', 8: '1/2', 12: '3/4' }[n % 16] ?? ''}`
          : '';
    return { at: n * step, long, words };
  });
}

const said = (mm: number, system: string) =>
  system === 'in' ? `${(Math.round((mm / MM_PER_INCH) * 16) / 16).toFixed(4)} in` : `${mm.toFixed(1)} mm`;
