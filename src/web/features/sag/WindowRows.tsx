import { useLengthStyle, useSay } from '../../ui/settings.ts';
import { windowWords } from '#words/sagWindows.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import type { Json, SagLimits } from '#core/document/types.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { limitsOf, middleOf, schoolOf, schoolsAt } from '#core/sag/schools.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { cornerNumbers } from '../../ui/words.ts';
import { useOwnSchools } from './ownSchools.ts';
import { Select } from '../../ui/Select.tsx';
import { CornerRow, CornerTable, PartField } from '../sheet/CornerRow.tsx';
import { PathField } from '../../forms/fields.tsx';
import { KeepSchool } from './KeepSchool.tsx';

type Of = 'rider' | 'static';

const key = { rider: 'sagWindow', static: 'staticWindow' } as const;

/** What counts as right at each end: preset, then its figures, mm of wheel travel from fully extended. */
export function WindowRows() {
  return (
    <div data-fields>
      <CornerTable caption="Sag windows">
        {(['rider', 'static'] as const).map((of, k) => (
          <CornerRow
            key={of}
            label={of === 'rider' ? 'Rider on' : 'Static (no rider)'}
            help={of === 'rider' ? 'full gear, sitting as they ride' : 'the machine alone'}
          >
            {(id) => <OneWindow id={id} of={of} rank={100 + 100 * k} />}
          </CornerRow>
        ))}
        <CornerRow label="Aimed at" help="rider on; the middle of the window unless said">
          {(id) => (
            <PathField
              path={['corners', id, 'sagMm']}
              label={`Sag wanted, ${cornerNames[id]}`}
              order={300 + cornerNumbers[id]}
            />
          )}
        </CornerRow>
      </CornerTable>
      <p className="label text-second mt-1">Guidelines differ. A preset is a place to start.</p>
    </div>
  );
}

interface OneProps {
  id: CornerId;
  of: Of;
  rank: number;
}

function OneWindow({ id, of, rank }: OneProps) {
  const job = useThisJob();
  const { document } = job.record;
  const say = useSay(0);
  const { system } = useLengthStyle();
  const own = useOwnSchools();
  const machineClass = document.machine.class;
  const schools = [
    ...schoolsAt(document, id, of, system),
    ...own.filter((one) => one.of === of && one.on.includes(machineClass)),
  ];
  const window = document.corners[id][key[of]];
  const now = schoolOf(document, id, of, schools);
  const label = `${of === 'rider' ? 'Rider' : 'Static'} sag window, ${cornerNames[id]}`;
  return (
    <>
      <Select
        label={label}
        value={window === null ? '' : (now?.id ?? 'own')}
        options={[
          { value: '', words: 'none' },
          ...schools.map((one) => ({ value: one.id, words: windowWords(one, say).title })),
          ...(window !== null && now === null ? [{ value: 'own', words: 'own values' }] : []),
        ]}
        onChange={(to) => {
          const school = schools.find((one) => one.id === to);
          if (school) put(job, id, of, limitsOf(document, id, school));
          else if (to === '') put(job, id, of, null);
        }}
      />
      {window && (
        <div className="mt-1 grid grid-cols-2 gap-x-2">
          {(['fromMm', 'toMm'] as const).map((name, k) => (
            <PartField
              key={name}
              id={id}
              at={[key[of]]}
              name={name}
              label={`${of === 'rider' ? 'Rider' : 'Static'} sag ${k === 0 ? 'from' : 'to'}`}
              order={rank + 10 * k + cornerNumbers[id]}
              range={k === 0 ? { min: 0, max: window.toMm - 1 } : { min: window.fromMm + 1, max: 1000 }}
            />
          ))}
        </div>
      )}
      {now && <p className="label text-second mt-1">{windowWords(now, say).why}</p>}
      {window && !now && <KeepSchool of={of} where={label} window={window} machineClass={machineClass} />}
    </>
  );
}

/** Sets a window; what is aimed at with the rider on goes to its middle. */
function put(job: Job, id: CornerId, of: Of, window: SagLimits | null): void {
  const parts: [string[], Json][] = [[['corners', id, key[of]], window]];
  if (of === 'rider') parts.push([['corners', id, 'sagMm'], window && middleOf(window)]);
  job.actions.change(`${of === 'rider' ? 'Rider' : 'Static'} sag window, ${cornerNames[id]}`, ...parts);
}
