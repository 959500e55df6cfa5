import type { Watched } from '#core/gauge/watch.ts';

const twoPlaces = (value: number) => Math.abs(value).toFixed(2);

/** What is wrong with one; silent where nothing is. */
export function InstrumentState({ one }: { one: Watched }) {
  const said = [
    one.silent && 'Nothing has come from it for a while: it cannot be used until it is back.',
    one.batteryLow && 'Its battery is nearly empty.',
    one.noise !== null && `It shakes by ${twoPlaces(one.noise)}: hold it still, or look at its plug.`,
    one.unitChanged && `It sends ${one.unitChanged.to} now, and sent ${one.unitChanged.from} before.`,
    one.drift !== null &&
      Math.abs(one.drift) >= 0.005 &&
      `Its zero has gone by ${twoPlaces(one.drift)} since it was set.`,
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
