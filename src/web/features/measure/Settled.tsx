import { useThisJob } from '../../jobStore/jobContext.ts';
import type { Footing } from '#core/geometry/reference.ts';
import { footingOf } from '#core/kinds/classes/index.ts';
import { limits } from '#contract/limits.ts';
import { roundWords } from '#words/fields.ts';
import { FactField } from '../../forms/fields.tsx';

const WAYS: Record<Footing, readonly string[]> = {
  wheels: ['rolled', 'bounced', 'driven'],
  bikes: ['bounced', 'pressed, lifted', 'ridden'],
  sleds: ['on casters', 'bounced', 'ridden'],
};

/** How it was settled. Without it the readings count as weak evidence. */
export function Settled({ round }: { round: number }) {
  const job = useThisJob();
  const now = job.state.rounds[round]?.settled ?? null;
  const chosen = new Set(now?.split(' and ') ?? []);
  const place = { kind: 'settled' as const, round, corner: null, slot: 'how' };
  const ways = WAYS[footingOf(job.record.document.machine.class)];
  const toggle = (way: string) => {
    if (chosen.has(way)) chosen.delete(way);
    else chosen.add(way);
    const how = ways.filter((one) => chosen.has(one)).join(' and ');
    if (how === '') job.actions.clear(`Settling, ${roundWords(round)}, taken back`, place);
    else job.actions.record(`Settled: ${how}, ${roundWords(round)}`, { ...place, how });
  };
  return (
    <fieldset className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <legend className="sr-only">Settled how</legend>
      <span className={`font-semibold ${now === null ? 'text-tight' : ''}`}>
        {now === null ? 'Settle first:' : 'Settled:'}
      </span>
      {ways.map((way) => (
        <label key={way} className="flex min-h-9 cursor-pointer items-center gap-1.5">
          <input
            type="checkbox"
            checked={chosen.has(way)}
            onChange={() => toggle(way)}
            className="accent-action size-4"
          />
          {way}
        </label>
      ))}
      {round > 0 &&
        // What is new asks for it in its own place.
        (job.state.rounds[round]?.fitted.length ?? 0) === 0 &&
        (chosen.has('driven') ||
          chosen.has('ridden') ||
          (job.state.rounds[round]?.drivenKm ?? null) !== null) && (
          <div data-fields className="relative w-28">
            <FactField
              place={{ kind: 'driven', round, corner: null, slot: 'km' }}
              label="Driven"
              showLabel
              order={1}
              quantity="distance"
              range={limits.recheckKm}
            />
          </div>
        )}
    </fieldset>
  );
}
