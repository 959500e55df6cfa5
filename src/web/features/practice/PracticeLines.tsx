import { Link } from 'react-router';
import type { Practice, PracticeTry } from '#contract/practice.ts';
import { dayWords } from '#words/day.ts';
import { wayWords } from '#words/practice.ts';
import { usePractices } from '../../api/practice.ts';
import { Button } from '../../ui/Button.tsx';
import { capital } from '../../ui/words.ts';
import { practiceName } from './practiceName.ts';

/** What was practised, the newest first. */
export function PracticeLines() {
  const { data, isPending, isError, refetch } = usePractices();
  if (isPending) return <p className="text-second mt-6">Loading …</p>;
  if (isError)
    return (
      <div className="mt-6">
        <p role="alert">What was practised cannot be loaded: no connection to the server.</p>
        <Button className="mt-2" onClick={() => void refetch()}>
          Try again
        </Button>
      </div>
    );
  if (data.practices.length === 0) return null;
  return (
    <section aria-label="Practised" className="mt-6">
      <h2 className="border-rule text-head border-b pb-1 font-semibold">Practised</h2>
      <ul>
        {data.practices.map((practice) => (
          <Line key={practice.id} practice={practice} />
        ))}
      </ul>
    </section>
  );
}

function Line({ practice }: { practice: Practice }) {
  const { id, startedAt, tries, truth } = practice;
  return (
    <li className="border-rule flex min-h-11 flex-wrap items-center gap-x-6 border-b py-1">
      <Link to={`/practice/${id}`} className="text-action font-semibold underline underline-offset-4">
        {capital(practiceName(practice).replace('Practice: ', ''))}
      </Link>
      <span className="text-second">{dayWords(startedAt)}</span>
      {tries.map((one) => (
        <span key={one.jobId}>
          {wayWords[one.way].title.toLowerCase()}: <TryFigures one={one} />
        </span>
      ))}
      {truth && <span className="text-second">truth open</span>}
    </li>
  );
}

/** Rounds and minutes of a try, and whether it landed. */
export function TryFigures({ one }: { one: PracticeTry }) {
  return (
    <span className="figures">
      {one.rounds} {one.rounds === 1 ? 'round' : 'rounds'}, {one.minutes} min
      {one.ended && (one.landed?.now ? ', in' : ', not in')}
      {!one.ended && ', not ended'}
    </span>
  );
}
