import { useParams } from 'react-router';
import { ApiProblem } from '../api/client.ts';
import { useChallenge } from '../api/practice.ts';
import { ChallengeSheet } from '../features/practice/DayChallenge.tsx';
import { HeaderSlot } from '../ui/headerSlot.tsx';
import { FailurePage } from './FailurePage.tsx';

/** A machine that somebody gave on. */
export function ChallengePage() {
  const { id = '' } = useParams();
  const { data, error } = useChallenge(id);
  if (error instanceof ApiProblem) return <FailurePage notFound words={error.problem.title} />;
  return (
    <main className="mx-auto w-full max-w-[720px] flex-1 px-6 py-5 narrow:px-4">
      <title>Challenge · Margin</title>
      <HeaderSlot.Fill>
        <h1 className="font-semibold">Challenge</h1>
      </HeaderSlot.Fill>
      {error && <p role="alert">No connection to the server.</p>}
      {data && <ChallengeSheet challenge={data} />}
    </main>
  );
}
