import { blankFact, factAt } from '#core/job/facts.ts';
import type { Json } from '#core/job/types.ts';
import { ringStandings, type RingStanding } from '#core/judge/cornerVerdict.ts';
import { ringSchools } from '#core/judge/ringSchools.ts';
import { cornerNames, type CornerId } from '#core/machine/body.ts';
import { isOffItsGap, type RingAnswer } from '#core/plan/cornerAnswer.ts';
import { limits } from '#contract/limits.ts';
import { pathKey } from '../../features/job/draftKeys.ts';
import type { Job } from '../../features/job/useJob.ts';
import { capital, cornerNumbers } from '../../features/job/words.ts';
import { RingMove } from '../../features/job/MoveWords.tsx';
import { Button } from '../../ui/Button.tsx';
import { Length } from '../../ui/Figure.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { Footer, NextLink } from './Footer.tsx';

/** Crossover rings once the heights are in: where each is to stand, and the block that proves it. */
export function RingsStage({ job }: { job: Job }) {
  const { answer } = job;
  const ringed = answer?.corners.filter(({ rings }) => rings.length > 0) ?? [];
  if (!answer || ringed.length === 0)
    return (
      <div className="p-6">
        <p>
          {answer
            ? 'No crossover rings are fitted, as far as intake says.'
            : 'Rings are set once the heights are read.'}
        </p>
        <div className="mt-4 flex">
          <NextLink job={job} from="rings" />
        </div>
      </div>
    );
  return (
    <div className="flex flex-1 flex-col">
      <div className="px-4 pt-4">
        <h2 className="text-head font-semibold">Rings follow the seats, then they are set</h2>
        <p className="text-second mt-1 max-w-[70ch]">
          At ride height, weight on the wheels: slider to ring. Cut a block of that length; it just goes in. A
          smaller gap brings the final rate earlier: more resistance to bottoming, less comfort.
        </p>
        <Schools />
      </div>
      <div data-fields className="relative mt-3 overflow-x-auto px-4">
        <table className="w-full min-w-[640px]">
          <thead className="label text-second text-left">
            <tr>
              <th className="py-1 font-normal">ring</th>
              <th className="px-3 py-1 font-normal">gap wanted</th>
              <th className="px-3 py-1 font-normal">share of bump</th>
              <th className="px-3 py-1 font-normal">do</th>
              <th className="px-3 py-1 font-normal">proof</th>
            </tr>
          </thead>
          <tbody>
            {ringed.flatMap(({ id, rings }) => {
              const standing = ringStandings(answer, id);
              return rings.map((ring, k) => (
                <RingRow
                  key={id + String(k)}
                  job={job}
                  id={id}
                  k={k}
                  ring={ring}
                  standing={standing[k] ?? null}
                />
              ));
            })}
          </tbody>
        </table>
      </div>
      <div className="flex-1" />
      <Footer>
        <p className="text-second">Change a ring by about 10 mm at a time, ride, and note it.</p>
        <NextLink job={job} from="rings" />
      </Footer>
    </div>
  );
}

function Schools() {
  return (
    <ul className="label text-second mt-2">
      {ringSchools.map(({ id, title, why }) => (
        <li key={id}>
          <b className="text-ink">{capital(title)}</b>: {why}.
        </li>
      ))}
    </ul>
  );
}

interface RowProps {
  job: Job;
  id: CornerId;
  k: number;
  ring: RingAnswer;
  standing: RingStanding | null;
}

function RingRow({ job, id, k, ring, standing }: RowProps) {
  const { rings } = job.record.document.corners[id];
  const where = `ring ${ring.after + 1}, ${cornerNames[id]}`;
  const path = ['corners', id, 'rings'];
  const setGap = (gapMm: number | null) =>
    job.actions.change(`Gap wanted, ${where}`, [
      path,
      rings.map((one, j) => (j === k ? { ...one, gapMm } : one)) as unknown as Json,
    ]);
  const key = `${pathKey(job.record.id, path)}.${k}`;
  return (
    <tr className="border-rule relative border-t align-top" data-ring={`${id}-${k}`}>
      <td className="py-2 font-medium">
        {capital(cornerNames[id])}
        <span className="label text-second block font-normal">
          ring {ring.after + 1}, {ring.follows ? 'goes with the seat' : 'stays on the body'}
        </span>
      </td>
      <td className="w-36 px-3 py-1">
        <NumberField
          label={`Gap wanted, ${where}`}
          order={10 + 10 * k + cornerNumbers[id]}
          draftKey={`${key}.gap`}
          quantity="length"
          decimals={1}
          range={limits.gapMm}
          value={ring.wantedMm}
          placeholder="as it stands"
          onCommit={setGap}
        />
      </td>
      <td className="w-32 px-3 py-1">
        {standing && (
          <NumberField
            label={`Share of bump, ${where}`}
            order={110 + 10 * k + cornerNumbers[id]}
            draftKey={`${key}.share`}
            quantity="share"
            decimals={2}
            range={limits.share}
            value={ring.wantedMm === null ? null : standing.share}
            placeholder={String(Math.round(100 * standing.share))}
            onCommit={(share) => setGap(share === null ? null : Math.round(2 * standing.gapFor(share)) / 2)}
          />
        )}
      </td>
      <td className="px-3 py-2">
        <Work job={job} id={id} ring={ring} k={k} where={where} />
        {standing && (
          <span className="label text-second block">
            {standing.share > 1 ? (
              'never reached in the bump travel left'
            ) : (
              <>
                takes over <Length mm={standing.wheelMm} decimals={0} /> up at the wheel
              </>
            )}
          </span>
        )}
      </td>
      <td className="px-3 py-2">
        <Block job={job} id={id} k={k} gapMm={ring.wantedMm ?? ring.gapMm} where={where} />
      </td>
    </tr>
  );
}

/** What is left to move; done, it is a fact of this round. */
function Work({ job, id, ring, k, where }: Omit<RowProps, 'standing'> & { where: string }) {
  const place = { kind: 'ring' as const, round: job.state.current, corner: id, slot: String(k) };
  const before = factAt(job.facts, place)?.fact.valueMm ?? 0;
  if (!isOffItsGap(ring))
    return (
      <span className="font-semibold">{ring.wantedMm === null ? 'leave' : <span>✓ at its gap</span>}</span>
    );
  return (
    <span className="flex flex-wrap items-center gap-2">
      <span className="text-action font-semibold">
        <RingMove slider={ring.after} moveMm={ring.moveMm} />
      </span>
      {!job.state.turning && !job.state.locked && (
        <Button
          aria-label={`Set: ${where}`}
          onClick={() =>
            job.actions.record(`Ring set, ${where}`, {
              ...blankFact(place),
              valueMm: before + ring.moveMm,
              askedMm: before + ring.moveMm,
            })
          }
        >
          Set
        </Button>
      )}
    </span>
  );
}

/** A block of the gap's length that goes in is the proof. */
function Block({
  job,
  id,
  k,
  gapMm,
  where,
}: {
  job: Job;
  id: CornerId;
  k: number;
  gapMm: number;
  where: string;
}) {
  const place = { kind: 'check' as const, round: job.state.current, corner: null, slot: `ring-${id}-${k}` };
  const done = factAt(job.facts, place)?.fact.how === 'done';
  return (
    <label className="flex min-h-9 cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        className="accent-action size-5"
        checked={done}
        aria-label={`The block goes in: ${where}`}
        onChange={() =>
          done
            ? job.actions.clear(`Block taken back, ${where}`, place)
            : job.actions.record(`Block goes in, ${where}`, { ...blankFact(place), how: 'done' })
        }
      />
      <span>
        a block of <Length mm={gapMm} decimals={0} /> goes in
      </span>
    </label>
  );
}
