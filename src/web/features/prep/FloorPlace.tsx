import { limits } from '#contract/limits.ts';
import type { Json } from '#core/document/types.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { useFloors } from '../../api/floors.ts';
import { TextField } from '../../forms/TextField.tsx';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Select } from '../../ui/Select.tsx';

/** Where on the shop's floor it stands: named, so that the next job there need not level it again. */
export function FloorPlace() {
  const { record, actions } = useThisJob();
  const { data: places = [] } = useFloors();
  const { document } = record;
  const take = (name: string) => {
    const place = places.find((one) => one.name === name);
    if (!place) return;
    actions.change(
      `Stands on ${name}`,
      [['floorPlace'], name],
      ...cornersIn(document).map((id): [string[], Json] => [
        ['corners', id, 'floorMm'],
        place.floorMm[id] ?? null,
      ]),
    );
  };
  return (
    <div className="mt-1 flex flex-wrap items-end gap-x-4">
      <div className="w-56">
        <TextField
          label="Where on the floor"
          value={document.floorPlace}
          draftKey={pathKey(record.id, ['floorPlace'])}
          maxLength={limits.nameLength}
          placeholder="not named"
          onCommit={(name) => actions.change('Place on the floor named', [['floorPlace'], name])}
        />
      </div>
      {places.length > 0 && (
        <label>
          <span className="label text-second block">As an earlier job stood</span>
          <Select
            label="As an earlier job stood"
            look="pr-2"
            value=""
            options={[
              { value: '', words: 'choose its place' },
              ...places.map(({ name }) => ({ value: name, words: name })),
            ]}
            onChange={take}
          />
        </label>
      )}
    </div>
  );
}
