import { Plain, SizeLength } from '../../ui/Figure.tsx';
import { Mass } from '../../ui/Measure.tsx';
import { Rate } from '../../ui/Rate.tsx';
import type { SceneFigure } from './scene.ts';

/** What follows from where the dials stand. */
export function SceneFigures({ figures }: { figures: readonly SceneFigure[] }) {
  return (
    <dl className="mt-3">
      {figures.map((figure) => (
        <div key={figure.words} className="flex items-baseline justify-between gap-4 py-1">
          <dt>{figure.words}</dt>
          <dd className="text-head font-bold">
            <Figure figure={figure} />
          </dd>
        </div>
      ))}
    </dl>
  );
}

function Figure({ figure: { value, unit, decimals } }: { figure: SceneFigure }) {
  // A nought with a minus before it is none.
  const shown = Math.abs(value) < 0.5 * 10 ** -decimals ? 0 : value;
  switch (unit) {
    case 'mm':
      return <SizeLength mm={shown} decimals={decimals} />;
    case 'kg':
      return <Mass kg={shown} decimals={decimals} />;
    case 'N/mm':
      return <Rate nPerMm={shown} />;
    case '%':
      return (
        <>
          <Plain value={shown} decimals={decimals} /> %
        </>
      );
    case '':
      return <Plain value={shown} decimals={decimals} />;
  }
}
