import { classDefaults } from '#core/kinds/classes/index.ts';
import { factAt } from '#core/document/facts.ts';
import { prepWords } from '#words/practice.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';

/** What may be let go before heights are read, where the machine has it. Each takes its minutes, found or not. */
export function SeenTo() {
  const { record, facts, actions } = useThisJob();
  const offered = (['bars', 'bushes'] as const).filter((id) =>
    classDefaults[record.document.machine.class].prep.includes(id),
  );
  if (offered.length === 0) return null;
  return (
    <div className="flex flex-wrap gap-x-5">
      {offered.map((slot) => {
        const place = { kind: 'prep' as const, round: 0, corner: null, slot };
        const done = factAt(facts, place) !== undefined;
        const words = prepWords[slot];
        return (
          <label key={slot} className="flex min-h-9 cursor-pointer items-center gap-1.5">
            <input
              type="checkbox"
              className="accent-action size-4"
              checked={done}
              onChange={() =>
                done
                  ? actions.clear(`${words} taken back`, place)
                  : actions.record(words, { ...place, how: 'done' })
              }
            />
            {words}
          </label>
        );
      })}
    </div>
  );
}
