import { glossary } from '#words/glossary.ts';
import { stagesOf } from '#core/judgement/stages.ts';
import { Command } from 'cmdk';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useJobList, useJobRecord } from '../api/jobs.ts';
import { stageTitles } from '../features/sheet/stages.ts';
import { useDebounced } from '../ui/useDebounced.ts';
import { useSettings } from '../ui/settings.ts';

const item = 'data-[selected=true]:bg-wash flex min-h-9 cursor-pointer items-center px-3';
const heading =
  '[&_[cmdk-group-heading]]:label [&_[cmdk-group-heading]]:text-second [&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2';

/** Finds jobs, stages and commands by typing. */
export function CommandBar({ onClose, onUnits }: { onClose: () => void; onUnits: () => void }) {
  const navigate = useNavigate();
  const { id = '' } = useParams();
  const { record } = useJobRecord(id);
  const [find, setFind] = useState('');
  const sought = useDebounced(find);
  const listed = useJobList(sought).data?.pages.flatMap(({ jobs }) => jobs) ?? [];
  const archived = useJobList(sought, 'archived').data?.pages.flatMap(({ jobs }) => jobs) ?? [];
  const jobs = [
    ...listed.map((job) => ({ ...job, where: '' })),
    // What is out of the way is found by whoever looks for it by name.
    ...(sought ? archived.map((job) => ({ ...job, where: 'archived' })) : []),
  ];
  const go = (to: string) => () => {
    onClose();
    void navigate(to);
  };
  const act = (what: () => void) => () => {
    onClose();
    what();
  };
  return (
    <Command.Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      label="Find"
      overlayClassName="fixed inset-0 z-40 bg-black/40"
      contentClassName="bg-sheet border-ink fixed top-[12vh] left-1/2 z-50 w-[min(560px,calc(100vw-32px))] -translate-x-1/2 border"
    >
      <Command.Input
        value={find}
        onValueChange={setFind}
        placeholder="Job, stage, command or word"
        className="border-rule w-full border-b bg-transparent p-3 text-[17px] outline-none"
      />
      <Command.List className="max-h-[56vh] overflow-y-auto pb-2">
        <Command.Empty className="text-second p-3">No results.</Command.Empty>
        {id && record && (
          <Command.Group heading="This job" className={heading}>
            {stagesOf(record.document).map((stage) => (
              <Command.Item key={stage} className={item} onSelect={go(`/jobs/${id}/${stage}`)}>
                {stageTitles[stage]}
              </Command.Item>
            ))}
          </Command.Group>
        )}
        <Command.Group heading="Jobs" className={heading}>
          {jobs.map((job) => (
            <Command.Item
              key={job.id}
              value={`${job.name} ${job.title} ${job.id}`}
              className={item}
              onSelect={go(`/jobs/${job.id}/next`)}
            >
              <span className="mr-2 font-semibold">{job.name}</span>{' '}
              <span className="text-second">{[job.title, job.where].filter(Boolean).join(' · ')}</span>
            </Command.Item>
          ))}
        </Command.Group>
        <Commands id={id} go={go} act={act} onUnits={onUnits} />
        <HelpWords go={go} />
      </Command.List>
    </Command.Dialog>
  );
}

/** What a word means, by the word or by what else it is called. */
function HelpWords({ go }: Pick<CommandsProps, 'go'>) {
  return (
    <Command.Group heading="What it means" className={heading}>
      {glossary.map(({ id, term, also }) => (
        <Command.Item
          key={id}
          value={`help ${term} ${also.join(' ')}`}
          className={item}
          onSelect={go(`/help#${id}`)}
        >
          {term}
        </Command.Item>
      ))}
    </Command.Group>
  );
}

const pages = [
  ['/', 'Jobs'],
  ['/book', 'Logbook'],
  ['/sag', 'Sag bench'],
  ['/stack', 'Stack lab'],
  ['/kits', 'Kits'],
  ['/rack', 'Spring rack'],
  ['/rack/search', 'Find springs'],
  ['/practice', 'Practice'],
  ['/lessons', 'Lessons'],
  ['/settings', 'Settings: shop, devices, instruments'],
  ['/help', 'Help'],
  ['/help#printing', 'Print a sheet: how'],
] as const;
const denominators = [8, 16, 32] as const;

interface CommandsProps {
  id: string;
  go: (to: string) => () => void;
  act: (what: () => void) => () => void;
  onUnits: () => void;
}

/** Every page that is not a job's, and what changes how things are shown. */
function Commands({ id, go, act, onUnits }: CommandsProps) {
  const { system, setSystem, toggleTheme, setDenominator, denominator } = useSettings();
  const commands: [string, () => void][] = [
    ...pages.map(([to, title]): [string, () => void] => [title, go(to)]),
    ['Measuring sheet for a pen', go(id ? `/jobs/${id}/paper` : '/paper')],
    ['New setup', go('/new')],
    [
      system === 'mm' ? 'Work in inches' : 'Work in millimetres',
      act(() => setSystem(system === 'mm' ? 'in' : 'mm')),
    ],
    ...denominators
      .filter((one) => one !== denominator)
      .map((one): [string, () => void] => [`Inches to 1/${one}`, act(() => setDenominator(one))]),
    ['Units of each quantity', act(onUnits)],
    ['Day or night colours', act(toggleTheme)],
  ];
  return (
    <Command.Group heading="Commands" className={heading}>
      {commands.map(([title, select]) => (
        <Command.Item key={title} className={item} onSelect={select}>
          {title}
        </Command.Item>
      ))}
    </Command.Group>
  );
}
