import { dayWords } from '#words/day.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Link } from 'react-router';
import { settingsOf } from '#core/book/settings.ts';
import { capital } from '../../ui/words.ts';
import { roundWords } from '#words/fields.ts';

/** The way back to every earlier setting of this machine: each opens beside the one it is in. */
export function Earlier() {
  const job = useThisJob();
  const { record } = job;
  const settings = settingsOf(record);
  const key = record.document.machine.id ?? record.id;
  const page = (round: number) => `${record.id}.${round}`;
  const now = settings.at(-1);
  if (!now || settings.length < 2) return null;
  return (
    <section aria-label="Earlier settings" className="border-rule mt-5 border-t pt-3 print:hidden">
      <h3 className="font-semibold">Back to an earlier setting</h3>
      <ul className="mt-1">
        {settings
          .slice(0, -1)
          .reverse()
          .map(({ round, at }) => (
            <li key={round} className="flex items-baseline gap-3 py-1">
              <Link
                className="text-action font-semibold underline underline-offset-4"
                to={`/book?${new URLSearchParams({ machine: key, from: page(now.round), to: page(round) })}`}
              >
                {capital(roundWords(round))}
              </Link>
              <span className="label text-second">{dayWords(at)}</span>
            </li>
          ))}
      </ul>
    </section>
  );
}
