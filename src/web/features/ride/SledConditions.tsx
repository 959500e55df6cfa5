import { isOf } from '#core/document/facts.ts';
import { sledConditions, type SledCondition } from '#words/balance.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';

/** What shifts a sled's sag without anything being turned: ticked it is noted with the readings. */
export function SledConditions() {
  const job = useThisJob();
  const round = job.state.current;
  const notes = job.facts.map(({ fact }) => fact).filter(isOf('note'));
  const put = (id: SledCondition, on: boolean) => {
    const { title, shifts } = sledConditions[id];
    const place = { kind: 'note' as const, round, corner: null, slot: id };
    if (on) job.actions.record(title, { ...place, words: `${title}: ${shifts}.` });
    else job.actions.clear(`${title} taken back`, place);
  };
  return (
    <ul>
      {(Object.keys(sledConditions) as SledCondition[]).map((id) => {
        const { title, shifts, todo } = sledConditions[id];
        const on = notes.some((fact) => fact.slot === id && fact.round === round);
        return (
          <li key={id} className="border-rule border-b py-2">
            <label className="flex cursor-pointer items-start gap-2">
              <input
                type="checkbox"
                className="accent-action mt-1 size-4"
                checked={on}
                onChange={(event) => put(id, event.target.checked)}
              />
              <span>
                <b>{title}</b> {shifts}. <span className={on ? '' : 'text-second'}>{todo}</span>
              </span>
            </label>
          </li>
        );
      })}
    </ul>
  );
}
