import { useNavigate } from 'react-router';
import { classDefaults } from '#core/kinds/classes/index.ts';
import type { Challenge } from '#contract/practice.ts';
import { levelWords, wayWords } from '#words/practice.ts';
import { faultOf } from '../../api/faultOf.ts';
import { useBeginPractice, useChallenge } from '../../api/practice.ts';
import { Button } from '../../ui/Button.tsx';
import { Fault } from '../../ui/Fault.tsx';
import { capital } from '../../ui/words.ts';

/** The challenge of the day: one machine for everybody in the shop. */
export function DayChallenge() {
  const { data, isError } = useChallenge(null);
  return (
    <section aria-label="Challenge of the day">
      <h2 className="border-rule text-head border-b pb-1 font-semibold">Challenge of the day</h2>
      {isError && <p role="alert">It cannot be loaded: no connection to the server.</p>}
      {data && <ChallengeSheet challenge={data} />}
    </section>
  );
}

/** A challenge: what it is, its table, and the way in. */
export function ChallengeSheet({ challenge }: { challenge: Challenge }) {
  const navigate = useNavigate();
  const begin = useBeginPractice();
  const { id, level, machineClass, table } = challenge;
  const take = () =>
    begin.mutate(
      { id: crypto.randomUUID(), challengeId: id },
      { onSuccess: (practice) => void navigate(`/practice/${practice.id}`) },
    );
  return (
    <>
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <p>
          <b>
            {capital(classDefaults[machineClass].title)}, {levelWords[level].title.toLowerCase()}.
          </b>{' '}
          The same machine for everybody.
        </p>
        <Button onClick={take} disabled={begin.isPending}>
          Take it on
        </Button>
      </div>
      <Fault words={begin.error && faultOf(begin.error)} />
      {table.length === 0 ? (
        <p className="text-second mt-1">Nobody has it in yet.</p>
      ) : (
        <table className="mt-2 w-full text-left">
          <thead className="label text-second">
            <tr>
              <th className="pr-4 font-normal">Who</th>
              <th className="pr-4 font-normal">How</th>
              <th className="pr-4 text-right font-normal">Rounds</th>
              <th className="text-right font-normal">Minutes</th>
            </tr>
          </thead>
          <tbody>
            {table.map(({ who, way, rounds, minutes }) => (
              <tr key={who + way} className="border-rule border-t">
                <td className="py-1 pr-4">{who || 'Nobody in particular'}</td>
                <td className="pr-4">{wayWords[way].title.toLowerCase()}</td>
                <td className="figures pr-4 text-right">{rounds}</td>
                <td className="figures text-right">{minutes}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}
