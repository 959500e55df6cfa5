import { Plain, SizeLength } from '../../ui/Figure.tsx';
import { Distance, Mass } from '../../ui/Measure.tsx';
import { Rate } from '../../ui/Rate.tsx';
import type { Dial } from './scene.ts';

/** One thing to move, and where it stands. */
export function DialRow({
  dial,
  value,
  onMove,
}: {
  dial: Dial;
  value: number;
  onMove: (value: number) => void;
}) {
  return (
    <label className="border-rule grid min-h-11 grid-cols-[minmax(0,1fr)_90px] items-center gap-x-3 border-b py-1">
      <span className="label text-second col-span-2">{dial.words}</span>
      <input
        type="range"
        min={dial.low}
        max={dial.high}
        step={dial.step}
        value={value}
        onChange={(event) => onMove(Number(event.target.value))}
        className="accent-action min-w-0"
      />
      <span className="text-right font-semibold">
        <Shown dial={dial} value={value} />
      </span>
    </label>
  );
}

function Shown({ dial: { unit, step }, value }: { dial: Dial; value: number }) {
  const decimals = step < 0.1 ? 2 : step < 1 ? 1 : 0;
  switch (unit) {
    case 'mm':
      return <SizeLength mm={value} decimals={decimals} />;
    case 'kg':
      return <Mass kg={value} />;
    case 'km':
      return <Distance km={value} />;
    case 'N/mm':
      return <Rate nPerMm={value} />;
    case 'times':
      return (
        <>
          <Plain value={value} decimals={0} /> {value === 1 ? 'time' : 'times'}
        </>
      );
    case 'hand':
      return value < 0 ? 'pressed' : value > 0 ? 'lifted' : 'as found';
    case '':
      return <Plain value={value} decimals={decimals} />;
  }
}
