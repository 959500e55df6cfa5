import { useThisJob } from '../../jobStore/jobContext.ts';
import { useState } from 'react';
import { isOf } from '#core/document/facts.ts';
import {
  ladders,
  nextRung,
  readStep,
  stepNote,
  type Felt,
  type TriedStep,
  type Wish,
} from '#core/judgement/balance.ts';
import { rungWords, wishWords } from '#words/balance.ts';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Select.tsx';

const wishes = Object.keys(ladders) as Wish[];

/** A ladder as a dialogue: one change, a ride, how it felt, keep it or go back; every step stays on record. */
export function SledLadder() {
  const job = useThisJob();
  const notes = job.facts.map(({ fact }) => fact).filter(isOf('note'));
  const tried = notes.flatMap((fact) => readStep(fact.words) ?? []);
  const [wish, setWish] = useState<Wish>(tried.at(-1)?.wish ?? 'more');
  const stands = nextRung(wish, tried);
  const own = tried.filter((one) => one.wish === wish);
  const tell = (felt: Felt) => {
    if (stands.at !== 'step') return;
    const words = stepNote({ wish, rung: stands.rung, felt });
    const place = {
      kind: 'note' as const,
      round: job.state.current,
      corner: null,
      slot: `n${notes.length + 1}`,
    };
    job.actions.record(`Balance: ${rungWords[stands.rung].words} It is ${felt}.`.slice(0, 200), {
      ...place,
      words,
    });
  };
  return (
    <div>
      <Select
        label="What it does"
        value={wish}
        options={wishes.map((value) => ({ value, words: wishWords[value] }))}
        onChange={(value) => setWish(value as Wish)}
      />
      {own.length > 0 && <Tried steps={own} />}
      <div className="mt-2" data-testid="balance-step" aria-live="polite">
        {'back' in stands && stands.back && (
          <p className="text-tight font-semibold">First go back: {rungWords[stands.back].back}</p>
        )}
        {stands.at === 'step' ? (
          <>
            <p className="text-[17px] font-semibold">
              {stands.again ? 'Once more: ' : ''}
              {rungWords[stands.rung].words}
            </p>
            <p className="label text-second">
              {rungWords[stands.rung].why} Go on until {rungWords[stands.rung].until}. Then ride the same
              stretch.
            </p>
            <div className="mt-2 flex flex-wrap gap-3">
              <Button look="main" onClick={() => tell('right')}>
                It is right: keep it
              </Button>
              <Button onClick={() => tell('better')}>Better: keep it, go on</Button>
              <Button onClick={() => tell('no better')}>No better</Button>
              <Button onClick={() => tell('worse')}>Worse</Button>
            </div>
          </>
        ) : stands.at === 'right' ? (
          <p className="font-semibold">It is right. Leave it.</p>
        ) : (
          <p>That is the whole ladder. Look at runners and track tension, and read the sags again.</p>
        )}
      </div>
    </div>
  );
}

function Tried({ steps }: { steps: readonly TriedStep[] }) {
  return (
    <ol className="label text-second mt-2">
      {steps.map((one, k) => (
        <li key={k}>
          {k + 1}. {one.rung in rungWords ? rungWords[one.rung as keyof typeof rungWords].words : one.rung}{' '}
          <b>{one.felt}</b>
        </li>
      ))}
    </ol>
  );
}
