import { markerSheet } from '#core/vision/markerSheet.ts';
import { Button } from '../ui/Button.tsx';
import { Length } from '../ui/Figure.tsx';

/** The sheet of marks, to be printed at its true size: five plain discs. */
export function MarksPage() {
  const { widthMm, heightMm, discs } = markerSheet;
  const wide = discs[1].alongMm - discs[0].alongMm;
  return (
    <main className="px-6 py-4 print:p-0">
      <title>Sheet of marks · Margin</title>
      <div className="mb-4 max-w-[62ch] print:hidden">
        <h1 className="text-head font-semibold">Sheet of marks</h1>
        <p className="mt-2">
          In a picture beside a wheel it says which way is up. Seen from several sides it tells a camera’s
          lens.
        </p>
        <ol className="mt-2 list-decimal pl-5">
          <li>Print it at its true size, on stiff paper, with no fitting to the page.</li>
          <li>
            Check with the tape: the middles of its upper two discs are <Length mm={wide} /> apart.
          </li>
          <li>Hang it by its upper edge so that it hangs free and plumb, the small disc on top.</li>
        </ol>
        <Button look="main" className="mt-3" onClick={() => window.print()}>
          Print the sheet
        </Button>
      </div>
      <svg
        viewBox={`${-widthMm / 2} ${-heightMm / 2} ${widthMm} ${heightMm}`}
        style={{ width: `${widthMm}mm`, height: `${heightMm}mm` }}
        className="border-rule max-w-none border bg-white print:border-0"
        role="img"
        aria-label="Four large discs in the corners of a rectangle, a small one between the upper two"
      >
        {discs.map(({ alongMm, upMm, diameterMm }) => (
          <circle key={`${alongMm}/${upMm}`} cx={alongMm} cy={-upMm} r={diameterMm / 2} fill="#000" />
        ))}
        <text x={0} y={heightMm / 2 - 12} textAnchor="middle" fontSize={5} fill="#555">
          Sheet of marks, {wide} mm between the upper two
        </text>
      </svg>
    </main>
  );
}
