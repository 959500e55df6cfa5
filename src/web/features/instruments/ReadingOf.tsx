import type { Watched } from '#core/gauge/watch.ts';
import { Plain, SizeLength } from '../../ui/Figure.tsx';
import { Mass } from '../../ui/Measure.tsx';
import { useTell } from '../../ui/settings.ts';

/** What one reads, in the reader's units, and whether it stands. */
export function ReadingOf({ one }: { one: Watched }) {
  return (
    <p>
      <span className="text-second">{one.name}</span>{' '}
      <b className="text-head">
        <Value one={one} />
      </b>{' '}
      <span className={one.steady ? 'label' : 'label text-tight'}>
        {one.silent ? 'silent' : one.steady ? 'steady' : 'moving'}
      </span>
    </p>
  );
}

function Value({ one: { kind, value } }: { one: Watched }) {
  const tell = useTell();
  switch (kind) {
    case 'length':
      return <SizeLength mm={value} decimals={2} />;
    case 'mass':
      return <Mass kg={value} decimals={1} />;
    case 'pressure':
      return tell('pressure', value);
    case 'angle':
      return (
        <>
          <Plain value={value} decimals={2} />°
        </>
      );
  }
}
