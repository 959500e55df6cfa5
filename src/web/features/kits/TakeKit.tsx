import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Axle } from '#core/kinds/corners.ts';
import type { Kit, KitEnd } from '#core/kits/kit.ts';
import { kitMemory, type KitMemory } from '#core/kits/memory.ts';
import { endsOf, startOf, takeKit, type KitEnds, type PutTogether } from '#core/kits/takeKit.ts';
import { isBySag } from '#core/planning/sagEnough.ts';
import { useKits } from '../../api/kits.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { Button } from '../../ui/Button.tsx';
import { Distance, Torque } from '../../ui/Measure.tsx';
import { Plain, SizeLength } from '../../ui/Figure.tsx';
import { Select } from '../../ui/Select.tsx';
import { capital } from '../../ui/words.ts';

const plainly: PutTogether = { option: null, moreMm: 0 };

/** A kit put into a job in one step: which of its ends, with which preload, as the sheet has it or as earlier jobs ended. */
export function TakeKit() {
  const job = useThisJob();
  const navigate = useNavigate();
  const { data } = useKits();
  const [chosen, setChosen] = useState('');
  const [ends, setEnds] = useState<KitEnds>({});
  const { document } = job.record;
  const own = (data?.kits ?? []).filter(
    ({ kit }) => kit.classes.length === 0 || kit.classes.includes(document.machine.class),
  );
  const kit = own.find(({ id }) => id === chosen);
  const all = kit ? endsOf(document, kit.kit) : [];
  const outcomes = (data?.outcomes ?? []).filter((one) => one.kit === chosen);
  const taught = all.flatMap((axle) => kitMemory(outcomes, document, axle) ?? []);
  if (own.length === 0)
    return (
      <p className="text-second">
        No kit for this kind of machine is kept.{' '}
        <Link to="/kits" className="text-action underline underline-offset-4">
          Keep a kit’s sheet
        </Link>
        .
      </p>
    );
  const choose = (id: string) => {
    const next = own.find((one) => one.id === id);
    setChosen(id);
    setEnds(Object.fromEntries((next ? endsOf(document, next.kit) : []).map((axle) => [axle, plainly])));
  };
  const begin = () => {
    if (!kit) return;
    const { state } = job;
    // Before anything is read the job begins with it.
    const begun = state.rounds.some(({ heights, sag }) => Object.keys({ ...heights, ...sag }).length > 0);
    const round = begun ? state.current + 1 : 0;
    putIn(job, kit.kit.name, takeKit(document, state, { kit, ends, round, taught }));
    if (begun)
      void navigate(`/jobs/${job.record.id}/${job.answer && isBySag(job.answer) ? 'sag' : 'measure'}`);
  };
  return (
    <div>
      <label className="block max-w-80">
        <span className="label text-second block">From a kit’s sheet</span>
        <Select
          label="From a kit’s sheet"
          look="w-full"
          value={chosen}
          options={[
            { value: '', words: 'choose a kit' },
            ...own.map((one) => ({ value: one.id, words: one.kit.name })),
          ]}
          onChange={choose}
        />
      </label>
      {kit && (
        <>
          <div className="mt-3 flex flex-wrap gap-x-10 gap-y-4">
            {all.map((axle) => (
              <End
                key={axle}
                axle={axle}
                end={kit.kit[axle] as KitEnd}
                chosen={ends[axle] ?? null}
                memory={taught.find((one) => one.axle === axle) ?? null}
                onChange={(put) => setEnds(put ? { ...ends, [axle]: put } : without(ends, axle))}
              />
            ))}
          </div>
          <Asks kit={kit} />
          <Button className="mt-3" disabled={Object.keys(ends).length === 0} onClick={begin}>
            It is in: measure it as it stands
          </Button>
        </>
      )}
    </div>
  );
}

/** Everything that a kit changes and says, in one step. */
function putIn({ actions }: Job, name: string, { changes, facts }: ReturnType<typeof takeKit>): void {
  actions.together(() => {
    if (changes.length > 0) actions.change(`${name}: what is in it`, ...changes);
    for (const fact of facts) actions.record(`${name} in`, fact);
  });
}

function without(ends: KitEnds, axle: Axle): KitEnds {
  return Object.fromEntries(Object.entries(ends).filter(([key]) => key !== axle));
}

/** What the sheet asks for before it is read. */
function Asks({ kit: { kit } }: { kit: Kit }) {
  return (
    <p className="text-second mt-3">
      {kit.driveInKm !== null && (
        <>
          The sheet has it driven <Distance km={kit.driveInKm} /> before it is read.{' '}
        </>
      )}
      {kit.load !== '' && <>Its heights are meant with {kit.load}. </>}
      {kit.torques.map(({ what, nm }) => (
        <span key={what} className="mr-3 inline-block">
          {what}: <Torque nm={nm} />
        </span>
      ))}
    </p>
  );
}

interface EndProps {
  axle: Axle;
  end: KitEnd;
  chosen: PutTogether | null;
  memory: KitMemory | null;
  onChange: (put: PutTogether | null) => void;
}

/** One end: whether it goes in, with which preload, and where its seat starts. */
function End({ axle, end, chosen, memory, onChange }: EndProps) {
  const starts = [...new Set([0, Math.round(memory?.needed?.mean ?? 0)])];
  const put = chosen ?? plainly;
  return (
    <fieldset className="min-w-64">
      <legend className="font-semibold">
        <label className="flex min-h-9 cursor-pointer items-center gap-1.5">
          <input
            type="checkbox"
            checked={chosen !== null}
            onChange={() => onChange(chosen ? null : plainly)}
            className="accent-action size-4"
          />
          {capital(axle)}
        </label>
      </legend>
      {chosen && end.options.length > 0 && (
        <label className="block">
          <span className="label text-second block">Preload</span>
          <Select
            label={`Preload, ${axle}`}
            value={put.option ?? ''}
            options={[
              { value: '', words: 'as the sheet has it' },
              ...end.options.map(({ name }) => ({ value: name, words: name })),
            ]}
            onChange={(option) => onChange({ ...put, option: option || null })}
          />
        </label>
      )}
      {chosen &&
        starts.map((moreMm) => {
          const atMm = startOf(end, { ...put, moreMm });
          return (
            <label key={moreMm} className="flex min-h-9 cursor-pointer items-center gap-1.5">
              <input
                type="radio"
                name={`start-${axle}`}
                checked={put.moreMm === moreMm}
                onChange={() => onChange({ ...put, moreMm })}
                className="accent-action size-4"
              />
              <span>
                Seat {atMm === null ? 'as it comes' : <>at <SizeLength mm={atMm} /></>}:{' '}
                {moreMm === 0 ? 'as the sheet has it' : <FromJobs memory={memory} />}
              </span>
            </label>
          ); // oxfmt-ignore
        })}
      {end.ringMm !== null && (
        <p className="text-second">
          Ring at <SizeLength mm={end.ringMm} />
          {end.ringFrom && ` from ${end.ringFrom}`}
        </p>
      )}
      {memory?.ratio && (
        <p className="text-second">
          Damper per wheel ≈ <Plain value={memory.ratio.ratio} decimals={2} /> ±{' '}
          <Plain value={memory.ratio.ratio * memory.ratio.sd} decimals={2} />, from {memory.ratio.count}{' '}
          {memory.ratio.count === 1 ? 'job' : 'jobs'}
        </p>
      )}
    </fieldset>
  );
}

/** "from 4 earlier jobs: 7 mm more ± 2". */
function FromJobs({ memory }: { memory: KitMemory | null }) {
  if (!memory?.needed) return null;
  const { mean, sd, count } = memory.needed;
  return (
    <>
      from {count} earlier {count === 1 ? 'job' : 'jobs'}: ≈{' '}
      <SizeLength mm={Math.abs(Math.round(mean))} decimals={0} /> {mean < 0 ? 'less' : 'more'} ±{' '}
      <SizeLength mm={sd} decimals={0} />
    </>
  );
}
