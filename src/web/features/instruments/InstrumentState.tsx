import type { Watched } from '#core/gauge/watch.ts';
import { MM_PER_INCH } from '#core/units/formatLength.ts';
import { useSettings, useTell } from '../../ui/settings.ts';

/** How far it is off, in the reader's units. */
function useAmount({ kind }: Watched): (value: number) => string {
  const tell = useTell();
  const system = useSettings((state) => state.system);
  return (value) => {
    const size = Math.abs(value);
    // A caliper's hundredths: finer than lengths are shown elsewhere.
    if (kind === 'length')
      return system === 'mm' ? `${size.toFixed(2)} mm` : `${(size / MM_PER_INCH).toFixed(3)} in`;
    return kind === 'angle' ? `${size.toFixed(2)}°` : tell(kind, size);
  };
}

/** What is wrong with one; silent where nothing is. */
export function InstrumentState({ one }: { one: Watched }) {
  const amount = useAmount(one);
  const said = [
    one.silent && 'Nothing has come from it for a while: it cannot be used until it is back.',
    one.batteryLow && 'Its battery is nearly empty.',
    one.noise !== null && `It shakes by ${amount(one.noise)}: hold it still, or look at its plug.`,
    one.unitChanged && `It sends ${one.unitChanged.to} now, and sent ${one.unitChanged.from} before.`,
    one.drift !== null &&
      Math.abs(one.drift) >= 0.005 &&
      `Its zero has gone by ${amount(one.drift)} since it was set.`,
  ].filter((words) => typeof words === 'string');
  if (said.length === 0) return null;
  return (
    <ul className="text-tight w-full">
      {said.map((words) => (
        <li key={words}>{words}</li>
      ))}
    </ul>
  );
}
