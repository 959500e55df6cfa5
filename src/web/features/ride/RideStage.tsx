import { dayWords } from '#words/day.ts';
import { filledIn } from '#words/filledIn.ts';
import { useSay } from '../../ui/settings.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useState } from 'react';
import { browserStorage } from '../../api/keeping.ts';
import type { Entry } from '#core/document/types.ts';
import type { SymptomId } from '#core/kinds/seeTo.ts';
import { symptomWords, type SymptomWords } from '#words/symptoms.ts';
import { classDefaults, footingOf } from '#core/kinds/classes/index.ts';
import { limits } from '#contract/limits.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { roundWords } from '#words/fields.ts';
import { newStamp } from '../../jobStore/stamp.ts';
import { Button } from '../../ui/Button.tsx';
import { Bracket } from './Bracket.tsx';
import { Earlier } from './Earlier.tsx';
import { SledLadder } from './SledLadder.tsx';
import { SkidSettings } from './SkidSettings.tsx';
import { Footer, NextLink } from '../sheet/Footer.tsx';

/** Short notes from the road or the trail, what they may mean, and one thing to try at a time. */
export function RideStage() {
  const job = useThisJob();
  const [chosen, setChosen] = useState<SymptomId | null>(null);
  const symptoms = classDefaults[job.record.document.machine.class].symptoms;
  return (
    <div className="flex flex-1 flex-col">
      <div className="grid gap-x-8 gap-y-4 px-4 py-4 lg:grid-cols-2">
        <section aria-label="What was felt">
          <h2 className="text-head font-semibold">What was felt</h2>
          <NewNote />
          <Notes />
        </section>
        <section aria-label="What it may mean">
          <h2 className="text-head font-semibold">What it may mean</h2>
          <p className="label text-second">
            With heights and sag right. One change at a time, noted; back again when it did not help.
          </p>
          <div className="mt-2 flex flex-wrap gap-2">
            {symptoms.map((one) => (
              <button
                key={one}
                type="button"
                aria-pressed={chosen === one}
                onClick={() => setChosen(chosen === one ? null : one)}
                className={`min-h-9 border px-3 text-left ${chosen === one ? 'border-action text-action border-2 font-semibold' : 'border-second/60'}`}
              >
                {symptomWords[one].words}
              </button>
            ))}
          </div>
          {chosen && <Ladder symptom={symptomWords[chosen]} />}
          {footingOf(job.record.document.machine.class) === 'sleds' && <Balance />}
          <Bracket />
          <Earlier />
        </section>
      </div>
      <div className="flex-1" />
      <Footer>
        <p className="text-second">When it works, leave it.</p>
        <NextLink from="ride" />
      </Footer>
    </div>
  );
}

/** A sled's own ladders: what is changed for what it does, and where blocks, strap and dampers stand. */
function Balance() {
  return (
    <section aria-label="Balance" className="border-rule mt-5 border-t pt-3">
      <h3 className="font-semibold">Balance, step by step</h3>
      <SledLadder />
      <SkidSettings />
    </section>
  );
}

function record(job: Job, words: string): void {
  const { id } = newStamp();
  const place = { kind: 'note' as const, round: job.state.current, corner: null, slot: id.slice(0, 13) };
  job.actions.record(`Note: ${words}`.slice(0, 200), { ...place, words });
}

function Ladder({ symptom }: { symptom: SymptomWords }) {
  const job = useThisJob();
  const say = useSay(0);
  return (
    <ol className="mt-3 list-none">
      {symptom.try.map(({ words, why }, k) => (
        <li key={words} className="border-rule flex items-center gap-3 border-b py-2">
          <span className="figures text-second">{k + 1}</span>
          <p className="flex-1">
            <span className="font-medium">{filledIn(words, say)}</span>{' '}
            <span className="label text-second block">{why}</span>
          </p>
          <Button
            aria-label={`Tried: ${filledIn(words, say)}`}
            onClick={() => record(job, `${symptom.words}. Tried: ${filledIn(words, say)}`)}
          >
            Tried
          </Button>
        </li>
      ))}
    </ol>
  );
}

function NewNote() {
  const job = useThisJob();
  const key = `margin-note-${job.record.id}`;
  const [text, setText] = useState(() => browserStorage.getItem(key) ?? '');
  const keep = (next: string) => {
    setText(next);
    if (next) browserStorage.setItem(key, next);
    else browserStorage.removeItem(key);
  };
  const add = () => {
    const words = text.trim();
    if (!words) return;
    record(job, words);
    keep('');
  };
  return (
    <form
      className="mt-2 flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <label className="flex-1">
        <span className="label text-second">Note, where and at what speed</span>
        <textarea
          value={text}
          rows={2}
          maxLength={limits.noteLength}
          onChange={(event) => keep(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' || event.shiftKey) return;
            event.preventDefault();
            add();
          }}
          className="border-second/70 w-full resize-y border-b bg-transparent p-1"
        />
      </label>
      <Button type="submit" disabled={text.trim() === ''}>
        Add note
      </Button>
    </form>
  );
}

function Notes() {
  const job = useThisJob();
  const notes = job.facts.filter(({ fact }) => fact.kind === 'note').reverse();
  if (notes.length === 0) return <p className="text-second mt-3">No notes yet.</p>;
  return (
    <ul className="mt-3">
      {notes.map((entry) => (
        <Note key={entry.id} entry={entry} />
      ))}
    </ul>
  );
}

function Note({ entry: { fact, at } }: { entry: Extract<Entry, { type: 'fact' }> }) {
  const job = useThisJob();
  return (
    <li className="border-rule flex items-start gap-3 border-b py-2">
      <p className="flex-1 whitespace-pre-wrap">
        {fact.kind === 'note' && fact.words}
        <span className="label text-second block">
          {roundWords(fact.round)}, {dayWords(at)}
        </span>
      </p>
      <button
        type="button"
        onClick={() => job.actions.clear('Note taken back', fact)}
        className="text-action label min-h-8 font-semibold underline underline-offset-4 print:hidden"
      >
        take back
      </button>
    </li>
  );
}
