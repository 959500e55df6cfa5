import { promptWords, sagAsked } from '#words/sagPrompts.ts';
import { JobContext, useThisJob } from '../jobStore/jobContext.ts';
import { Volume2, VolumeX } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { FactPlace } from '#core/document/factKinds.ts';
import { factAt } from '#core/document/facts.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { promptsOf, type SagPrompt } from '#core/sag/prompts.ts';
import { limits } from '#contract/limits.ts';
import { useNumberField } from '../forms/useNumberField.ts';
import { factKey } from '../jobStore/draftKeys.ts';
import { useJob } from '../jobStore/useJob.ts';
import { capital } from '../ui/words.ts';
import { GaugeLine } from '../features/gauge/GaugeLine.tsx';
import { useSpeech } from '../features/speech/useSpeech.ts';
import { Button } from '../ui/Button.tsx';
import { sagRound } from '../features/sag/sagRound.ts';

/** For the helper who holds the tape: one reading at a time, large, with keys for one thumb, said aloud where wished. */
export function TapePage() {
  const { id = '' } = useParams();
  const { job } = useJob(id);
  if (!job) return <main className="p-8 text-[28px]">Loading the job …</main>;
  const { document } = job.record;
  const [rider] = document.riders;
  return (
    <JobContext value={job}>
      <main className="flex min-h-screen flex-col p-6 max-md:p-4">
        <title>{`${document.name}, tape · Margin`}</title>
        <div className="flex items-center justify-between gap-4">
          <h1 className="text-[20px] font-semibold">{document.name}</h1>
          <Link
            to={`/jobs/${id}/sag`}
            className="border-ink/60 flex min-h-11 items-center border px-4 font-semibold"
          >
            Back to the bench
          </Link>
        </div>
        {rider ? (
          <Prompts prompts={promptsOf(document, rider.key)} />
        ) : (
          <p className="mt-12 text-[28px]">Say who rides it first, on the bench.</p>
        )}
      </main>
    </JobContext>
  );
}

function Prompts({ prompts }: { prompts: SagPrompt[] }) {
  const job = useThisJob();
  const round = sagRound(job);
  const place = ({ id, slot }: SagPrompt): FactPlace<'sag'> => ({ kind: 'sag', round, corner: id, slot });
  const has = (one: SagPrompt) => factAt(job.facts, place(one)) !== undefined;
  const firstOpen = prompts.findIndex((one) => !has(one));
  const [at, setAt] = useState(Math.max(firstOpen, 0));
  const prompt = prompts[at];
  if (!prompt) return null;
  const go = (by: number) => setAt(Math.min(Math.max(at + by, 0), prompts.length - 1));
  const done = prompts.filter(has).length;
  const keep = (mm: number | null) => {
    const label = `Sag, ${cornerNames[prompt.id]}`;
    if (mm === null) job.actions.clear(`${label} taken back`, place(prompt));
    else job.actions.record(label, { ...place(prompt), mm });
  };
  const onward = () => {
    const later = prompts.findIndex((one, k) => k > at && !has(one));
    setAt(later >= 0 ? later : Math.min(at + 1, prompts.length - 1));
  };
  return (
    <>
      <Entry
        key={`${prompt.id}${prompt.slot}`}
        place={place(prompt)}
        prompt={prompt}
        go={go}
        keep={keep}
        onward={onward}
      />
      <GaugeLine
        id={prompt.id}
        slot={prompt.slot}
        onTake={(mm) => {
          keep(mm);
          onward();
        }}
      />
      <p className="figures text-second text-center text-[20px]" data-testid="tape-progress">
        {done === prompts.length
          ? 'All read: give the tape back.'
          : `${at + 1} of ${prompts.length}, ${done} read`}
      </p>
    </>
  );
}

interface EntryProps {
  place: FactPlace<'sag'>;
  prompt: SagPrompt;
  go: (by: number) => void;
  keep: (mm: number | null) => void;
  /** To the next reading that is missing. */
  onward: () => void;
}

const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', '/'];

function Entry({ place, prompt, go, keep, onward }: EntryProps) {
  const job = useThisJob();
  const { say, speaks, on, toggle } = useSpeech();
  const told = promptWords(job.record.document, prompt);
  const here = job.state.rounds[place.round]?.sag[prompt.id] ?? { extended: [], states: {} };
  const field = useNumberField({
    draftKey: factKey(job.record.id, place),
    label: told.say,
    value: factAt(job.facts, place)?.fact.mm ?? null,
    quantity: 'length',
    range: limits.heightMm,
    onCommit: keep,
    question: (mm) => sagAsked(job.record.document, { ...prompt, mm }, here),
  });
  useEffect(() => say(`${told.say} ${told.where}`), [told.say, told.where, say]);
  const next = () => field.state.kind !== 'empty' && field.commit() && onward();
  const { state } = field;
  const refused = state.kind === 'refused';
  const tone = refused ? 'text-short' : state.kind === 'questioned' ? 'text-tight' : 'text-second';
  return (
    <section
      aria-label={told.say}
      className="flex flex-1 items-center gap-10 max-lg:flex-col max-lg:items-stretch max-lg:justify-center max-lg:gap-4"
    >
      <div className="min-w-0 flex-1">
        <p className="text-[32px] leading-tight font-semibold max-md:text-[24px]" aria-live="polite">
          {capital(told.say)}
        </p>
        <p className="text-second mt-1 text-[18px]">{capital(told.where)}.</p>
        <label className="mt-4 block">
          <span className="sr-only">Reads</span>
          <input
            autoFocus
            inputMode="none"
            autoComplete="off"
            value={field.text}
            onChange={(event) => field.type(event.target.value)}
            onFocus={(event) => event.target.select()}
            onKeyDown={(event) => {
              if (event.key === 'Enter') next();
              if (event.key === 'Escape') field.cancel();
            }}
            aria-invalid={refused}
            className="border-ink figures w-full max-w-[480px] border-b-2 bg-transparent text-[96px] leading-none font-bold outline-none max-md:text-[64px]"
          />
        </label>
        <p className={`mt-2 min-h-7 text-[18px] ${tone}`} aria-live="polite">
          {state.kind === 'empty' ? `in ${field.unit}, or with its unit` : state.words}
        </p>
        <div className="mt-3 flex flex-wrap gap-3">
          <Button
            look="main"
            className="min-h-20 px-10 text-[28px]"
            disabled={refused || state.kind === 'empty'}
            onClick={next}
          >
            Next
          </Button>
          <Button className="min-h-20 px-6 text-[20px]" onClick={() => go(-1)}>
            Back
          </Button>
          <Button className="min-h-20 px-6 text-[20px]" onClick={() => go(1)}>
            Leave out
          </Button>
          {speaks && (
            <Button
              className="flex min-h-20 items-center gap-2 px-6 text-[20px]"
              aria-pressed={on}
              onClick={toggle}
            >
              {on ? <Volume2 size={24} aria-hidden /> : <VolumeX size={24} aria-hidden />}
              {on ? 'Says it' : 'Silent'}
            </Button>
          )}
        </div>
      </div>
      <Keypad type={(key) => field.type(field.text + key)} back={() => field.type(field.text.slice(0, -1))} />
    </section>
  );
}

/** Keys for one thumb. */
function Keypad({ type, back }: { type: (key: string) => void; back: () => void }) {
  const look = 'border-ink/60 min-h-[72px] border max-md:min-h-14';
  return (
    <div
      className="grid w-[300px] shrink-0 grid-cols-3 gap-2 self-center max-md:w-full"
      role="group"
      aria-label="Keys"
    >
      {KEYS.map((key) => (
        <button
          key={key}
          type="button"
          onClick={() => type(key)}
          className={`${look} text-[30px] font-semibold`}
        >
          {key}
        </button>
      ))}
      <button type="button" onClick={() => type(' ')} className={`${look} text-[18px]`}>
        space
      </button>
      <button type="button" onClick={back} className={`${look} col-span-2 text-[18px]`}>
        take back
      </button>
    </div>
  );
}
