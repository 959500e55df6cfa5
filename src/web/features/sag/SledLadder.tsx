import { useThisJob } from '../../jobStore/jobContext.ts';
import { useState } from 'react';
import { isOf } from '#core/document/facts.ts';
import { nextRung, readStep, stepNote, type TriedStep, type Wish } from '#core/judgement/balance.ts';
import { rungWords } from '#words/balance.ts';
import { Button } from '../../ui/Button.tsx';

const wishes: { value: Wish; words: string }[] = [
  { value: 'more', words: 'The skis push: more pressure on them' },
  { value: 'less', words: 'Heavy steering, skis that should lift: less' },
];

const feels: TriedStep['felt'][] = ['better', 'no better', 'worse'];

/** The balance ladder as a dialogue: one step, a ride, how it felt, the next; every step stays on record. */
export function SledLadder() {
  const job = useThisJob();
  const notes = job.facts.map(({ fact }) => fact).filter(isOf('note'));
  const tried = notes.flatMap((fact) => readStep(fact.words) ?? []);
  const [wish, setWish] = useState<Wish>(tried.at(-1)?.wish ?? 'more');
  const next = nextRung(wish, tried);
  const told = next && rungWords[wish][next.rung];
  const tell = (felt: TriedStep['felt']) => {
    if (!next) return;
    const words = stepNote({ wish, rung: next.rung, felt });
    const place = {
      kind: 'note' as const,
      round: job.state.current,
      corner: null,
      slot: `n${notes.length + 1}`,
    };
    job.actions.record(`Balance: ${next.rung}, ${felt}`, { ...place, words });
  };
  const own = tried.filter((one) => one.wish === wish);
  return (
    <div>
      <div role="radiogroup" aria-label="What is wished" className="flex flex-wrap gap-x-6">
        {wishes.map(({ value, words }) => (
          <label key={value} className="flex min-h-9 cursor-pointer items-center gap-2">
            <input
              type="radio"
              name="wish"
              className="accent-action size-4"
              checked={wish === value}
              onChange={() => setWish(value)}
            />
            {words}
          </label>
        ))}
      </div>
      {own.length > 0 && (
        <ol className="label text-second mt-1">
          {own.map((one, k) => (
            <li key={k}>
              {k + 1}. {one.rung}: <b>{one.felt}</b>
            </li>
          ))}
        </ol>
      )}
      {next && told ? (
        <div className="mt-2" data-testid="balance-step" aria-live="polite">
          {next.back && <p className="text-tight">It got worse: put that step back first.</p>}
          <p className="text-[17px] font-semibold">
            {next.again ? 'Once more: ' : ''}
            {told.words}
          </p>
          <p className="label text-second">
            {told.why} Go on until {told.until}. Then ride the same stretch.
          </p>
          <div className="mt-2 flex gap-3">
            {feels.map((felt) => (
              <Button key={felt} onClick={() => tell(felt)}>
                It is {felt}
              </Button>
            ))}
          </div>
        </div>
      ) : (
        <p className="mt-2">
          That is the whole ladder. Look at the ski runners and the track’s tension, and read the sags again.
        </p>
      )}
    </div>
  );
}
