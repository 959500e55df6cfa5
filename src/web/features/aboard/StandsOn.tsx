import { factAt } from '#core/document/facts.ts';
import { roundWords } from '#words/fields.ts';
import { useFloors } from '../../api/floors.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Select } from '../../ui/Select.tsx';

/** Where on the floor a later round is read, where the shop has named its places; as in the round before, until somebody says. */
export function StandsOn({ round }: { round: number }) {
  const { record, state, facts, actions } = useThisJob();
  const { data: places = [] } = useFloors();
  const { floorPlace } = record.document;
  const said = factAt(facts, { kind: 'floor', round, corner: null, slot: 'place' })?.fact.place;
  const now = said ?? state.rounds[Math.min(round, state.current)]?.floor?.place ?? floorPlace;
  const names = [...new Set([...places.map(({ name }) => name), now])].filter((name) => name !== '');
  if (round === 0 || names.length < 2 || state.locked) return null;
  const move = (name: string) => {
    const place = places.find((one) => one.name === name);
    if (!place) return;
    const fact = { kind: 'floor' as const, round, corner: null, slot: 'place' };
    actions.record(`Stands on ${name}, ${roundWords(round)}`, {
      ...fact,
      place: name,
      floorMm: place.floorMm,
    });
  };
  return (
    <label className="flex items-center gap-2">
      <span className="font-semibold">Stands on:</span>
      <Select
        label="Stands on"
        look="pr-2"
        value={now}
        options={[
          ...(now === '' ? [{ value: '', words: 'as before' }] : []),
          ...names.map((name) => ({ value: name, words: name })),
        ]}
        onChange={move}
      />
    </label>
  );
}
