import { factAt } from '#core/document/facts.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { hasFollowed, ringsByPlace, type RingByPlace } from '#core/planning/ringByPlace.ts';
import { FactField, ranges } from '../../forms/fields.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { SizeLength } from '../../ui/Figure.tsx';
import { capital, cornerNumbers } from '../../ui/words.ts';
import { Panel } from '../sheet/Panel.tsx';

/** Where rings stand by the edge that their collars are read from: each goes along with its seat. */
export function RingsByPlace() {
  const { record, state } = useThisJob();
  const corners = cornersIn(record.document).filter((id) => record.document.corners[id].rings.length === 0);
  const rings = ringsByPlace(record.document, state);
  const slots = record.document.ringReading.perDamper === 2 ? ([0, 1] as const) : ([0] as const);
  if (corners.length === 0) return null;
  return (
    <Panel
      title="Rings by where they stand"
      words="from the edge that the collar is read from: each goes along with its seat"
      open={rings.length > 0}
    >
      <div data-fields className="relative grid grid-cols-4 gap-x-6 gap-y-4 narrow:grid-cols-1">
        {corners.flatMap((id) =>
          slots.map((k) => {
            const ring = rings.find((one) => one.id === id && one.ring === k);
            return (
              <div key={id + String(k)}>
                <FactField
                  place={{ kind: 'ring-place', round: state.current, corner: id, slot: slotOf('found', k) }}
                  label={`${k === 0 ? 'Ring stands at' : 'Second ring stands at'}, ${cornerNames[id]}`}
                  showLabel
                  order={200 + 10 * k + cornerNumbers[id]}
                  range={ranges.collar}
                  placeholder={ring ? 'as read before' : 'not read'}
                />
                {ring && (
                  <div className="mt-5">
                    <RingWork ring={ring} round={state.current} />
                  </div>
                )}
              </div>
            );
          }),
        )}
      </div>
    </Panel>
  );
}

/** A fact of a ring as found, or as set; the second's has a mark of its own. */
const slotOf = (what: 'found' | 'set', ring: 0 | 1) => (ring === 0 ? what : `${what}-2`);

/** While seats are turned: rings that go along with them, to be moved before the wheel is let down. */
export function RingsAlong({ round }: { round: number }) {
  const { record, state } = useThisJob();
  const going = ringsByPlace(record.document, state).filter((ring) => !hasFollowed(ring));
  if (going.length === 0 || !state.turning) return null;
  return (
    <section aria-label="Rings go along" className="border-rule mx-4 border-t py-3">
      <h2 className="font-semibold">Each ring goes along with its seat</h2>
      <ul className="mt-1 space-y-1">
        {going.map((ring) => (
          <li key={ring.id + String(ring.ring)} className="flex flex-wrap items-center gap-x-3">
            <span className="w-28">
              {capital(cornerNames[ring.id])}
              {ring.ring === 1 && ', second'}
            </span>
            <RingWork ring={ring} round={round} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** How far a ring goes and where it stands then, and its being done as a fact. */
function RingWork({ ring, round }: { ring: RingByPlace; round: number }) {
  const { actions, facts } = useThisJob();
  const { id, ring: k, atMm, seatBy, toMm } = ring;
  const place = (corner: CornerId) => ({
    kind: 'ring-place' as const,
    round,
    corner,
    slot: slotOf('set', k),
  });
  if (hasFollowed(ring) || factAt(facts, place(id))?.fact.mm === toMm)
    return (
      <span>
        ✓ stands at <SizeLength mm={hasFollowed(ring) ? atMm : toMm} />
      </span>
    );
  return (
    <span className="inline-flex flex-wrap items-center gap-x-4">
      <span>
        from <SizeLength mm={atMm} />,{' '}
        <b className="text-action">
          ring to <SizeLength mm={toMm} />
        </b>
        : <SizeLength mm={Math.abs(seatBy)} /> {seatBy > 0 ? 'towards' : 'away from'} the springs, as its seat
      </span>
      <Button
        aria-label={`It stands there: ${k === 0 ? 'ring' : 'second ring'}, ${cornerNames[id]}`}
        onClick={() => actions.record(`Ring set, ${cornerNames[id]}`, { ...place(id), mm: toMm })}
      >
        It stands there
      </Button>
    </span>
  );
}
