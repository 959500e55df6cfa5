import { useThisJob } from '../../jobStore/jobContext.ts';
import { Link } from 'react-router';
import type { JobDocument, Json } from '#core/document/types.ts';
import { balanceOf, takenPads } from '#core/scales/balance.ts';
import { Plain } from '../../ui/Figure.tsx';
import { PathField } from '../../forms/fields.tsx';

type Goal = 'none' | 'cross' | 'front' | 'before';

/** Which goal a job has, told by the cross weight it had before, as a share. */
function goalOf({ frontEqual, crossTarget }: JobDocument, before: number | null): Goal {
  if (frontEqual) return 'front';
  if (crossTarget === null) return 'none';
  return crossTarget === before ? 'before' : 'cross';
}

function optionsFor(rounded: number | null): readonly { value: Goal; words: string; help: string }[] {
  return [
    { value: 'none', words: 'Heights alone', help: 'weight falls as it will' },
    { value: 'cross', words: 'Cross weight', help: 'RF + LR over all four' },
    { value: 'front', words: 'Equal front wheels', help: 'braking straight' },
    {
      value: 'before',
      words: rounded === null ? 'As it was before the work' : `As before: ${(100 * rounded).toFixed(1)} %`,
      help: rounded === null ? 'needs pads at the baseline' : 'its own split, put back',
    },
  ];
}

/** What is wanted of the scales beside the heights. */
export function ScalesGoal() {
  const job = useThisJob();
  const { document } = job.record;
  const before =
    balanceOf(takenPads(job.record.document, job.state.rounds[0]?.pads ?? {}))?.cross.value ?? null;
  const rounded = before === null ? null : Math.round(1000 * before) / 1000;
  const goal = goalOf(document, rounded);
  const choose = (next: Goal) => {
    const to: Record<Goal, [number | null, boolean]> = {
      none: [null, false],
      cross: [0.5, false],
      front: [null, true],
      before: [rounded, false],
    };
    const [target, equal] = to[next];
    job.actions.change(
      'Weight goal',
      [['crossTarget'], target as Json],
      [['frontEqual'], equal],
      [['crossWeight'], null],
    );
  };
  return (
    <fieldset data-fields className="relative">
      <legend className="sr-only">Weight goal</legend>
      <div className="flex flex-wrap items-start gap-x-6 gap-y-2">
        {optionsFor(rounded).map(({ value, words, help }) => (
          <label key={value} className="flex min-h-9 cursor-pointer items-start gap-2">
            <input
              type="radio"
              name="scales-goal"
              className="accent-action mt-1 size-4"
              checked={goal === value}
              disabled={value === 'before' && rounded === null}
              onChange={() => choose(value)}
            />
            <span>
              {words}
              <span className="label text-second block">{help}</span>
            </span>
          </label>
        ))}
        {goal === 'cross' && (
          <div className="w-32">
            <PathField path={['crossTarget']} label="Cross weight wanted" showLabel order={3200} />
          </div>
        )}
      </div>
      <p className="label text-second mt-1">
        For the load case the targets are for
        {document.cases[1] ? `, “${document.cases[1]}”` : ''}: enter the driver and all else aboard under
        Intake.{' '}
        <Link to={`/jobs/${job.record.id}/intake`} className="text-action underline underline-offset-4">
          Heights, drop and rake are wanted there too
        </Link>
        .
        {document.crossTarget !== null && (
          <>
            {' '}
            Within <Plain value={0.2} decimals={1} /> % counts as there.
          </>
        )}
      </p>
    </fieldset>
  );
}
