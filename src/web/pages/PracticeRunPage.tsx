import { useParams } from 'react-router';
import { levelWords } from '#words/practice.ts';
import { ApiProblem } from '../api/client.ts';
import { usePractice } from '../api/practice.ts';
import { practiceName } from '../features/practice/practiceName.ts';
import { Compared } from '../features/practice/Compared.tsx';
import { Truth } from '../features/practice/Truth.tsx';
import { Tries } from '../features/practice/Tries.tsx';
import { Wish } from '../features/practice/Wish.tsx';
import { Button } from '../ui/Button.tsx';
import { HeaderSlot } from '../ui/headerSlot.tsx';
import { FailurePage } from './FailurePage.tsx';

/** One machine to practise on: what is wanted, the tries, and the truth once it is open. */
export function PracticeRunPage() {
  const { id = '' } = useParams();
  const { data: practice, error, isPending, refetch } = usePractice(id);
  if (error instanceof ApiProblem) return <FailurePage notFound words={error.problem.title} />;
  if (!practice)
    return (
      <main className="p-6">
        {isPending ? (
          <p className="text-second">Loading …</p>
        ) : (
          <>
            <p role="alert">No connection to the server.</p>
            <Button className="mt-3" onClick={() => void refetch()}>
              Try again
            </Button>
          </>
        )}
      </main>
    );
  return (
    <main className="mx-auto w-full max-w-[1232px] flex-1 px-6 py-5 narrow:px-4">
      <title>Practice · Margin</title>
      <HeaderSlot.Fill>
        <h1 className="font-semibold">{practiceName(practice)}</h1>
      </HeaderSlot.Fill>
      <p className="text-second">
        {practice.copyOf === null
          ? levelWords[practice.level].words
          : 'A copy of its machine as it stands, with what was learnt of it as its truth.'}
      </p>
      <Wish practice={practice} />
      <Tries practice={practice} />
      {practice.truth && <Truth practice={practice} truth={practice.truth} />}
      {practice.truth && <Compared practice={practice} />}
    </main>
  );
}
