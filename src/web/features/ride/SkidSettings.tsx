import { useThisJob } from '../../jobStore/jobContext.ts';
import { factAt, isOf } from '#core/document/facts.ts';
import { Select } from '../../ui/Select.tsx';

/** A damper that can be bolted in a second hole has two. */
const HOLES = 2;

const PARTS = [
  {
    slot: 'blocks',
    title: 'Transfer blocks',
    key: 'blockPositions',
    does: 'up a position keeps weight on the skis under power; both sides alike',
  },
  {
    slot: 'strap',
    title: 'Limiter strap',
    key: 'strapHoles',
    does: 'in by a hole holds the nose down, and costs travel of the front arm: the last thing to move',
  },
  {
    slot: 'ski-hole',
    title: 'Ski damper hole',
    key: null,
    does: 'as noted; another hole is another lever: read the sag again',
  },
  {
    slot: 'rear-hole',
    title: 'Rear damper hole',
    key: null,
    does: 'as noted; another hole is another lever: read the sag again',
  },
] as const;

/** Where a skid's blocks and strap stand, and in which holes its dampers are bolted. */
export function SkidSettings() {
  const job = useThisJob();
  const { skid } = job.record.document;
  if (!skid) return null;
  const round = job.state.current;
  return (
    <section aria-label="Skid settings" className="border-rule mt-5 border-t pt-3">
      <h3 className="font-semibold">
        Skid{' '}
        <span className="label text-second font-normal">
          in this order: blocks, rear preload within its sag window, strap last
        </span>
      </h3>
      {PARTS.map(({ slot, title, key, does }) => {
        const place = { kind: 'skid' as const, round, corner: null, slot };
        const count = key === null ? HOLES : skid[key];
        const now =
          factAt(job.facts, place)?.fact ??
          job.facts
            .map(({ fact }) => fact)
            .filter(isOf('skid'))
            .findLast((fact) => fact.slot === slot);
        return (
          <div key={slot} className="mt-2 flex items-center gap-3">
            <div className="w-28 shrink-0">
              <Select
                label={title}
                value={String(now?.position ?? '')}
                options={[
                  { value: '', words: 'not noted' },
                  ...Array.from({ length: count }, (_, k) => ({
                    value: String(k + 1),
                    words: `${k + 1} of ${count}`,
                  })),
                ]}
                onChange={(value) =>
                  value === ''
                    ? job.actions.clear(`${title} taken back`, place)
                    : job.actions.record(`${title} at ${value}`, {
                        ...place,
                        position: Number(value),
                      })
                }
              />
            </div>
            <p>
              <b>{title}</b> <span className="label text-second">{does}</span>
            </p>
          </div>
        );
      })}
    </section>
  );
}
