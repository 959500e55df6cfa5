import { limits } from '#contract/limits.ts';
import { factAt } from '#core/document/facts.ts';
import type { Json } from '#core/document/types.ts';
import { gainGroups, sidesOf, type GainGroup } from '#core/estimate/corner.ts';
import { cornersIn, footingOf } from '#core/kinds/classes/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { pressureLifts } from '#core/stance/pressure.ts';
import { FactField } from '../../forms/fields.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useSay, useTell } from '../../ui/settings.ts';
import { capital, cornerNumbers } from '../../ui/words.ts';

/** bar. Less than this no gauge on a hose shows. */
const GAUGE_BAR = 0.02;

/** Tyre pressures as found and as wanted, axle by axle; what to do to each, and what it does to the height over the ground. */
export function Pressures() {
  const { document } = useThisJob().record;
  const ids = cornersIn(document);
  return (
    <div data-fields className="relative mt-3">
      <p className="font-medium">
        Tyre pressures{' '}
        <span className="label text-second font-normal">
          as measured cold, with the gauge you will use again
        </span>
      </p>
      <div className="grid grid-cols-4 gap-x-4 max-md:grid-cols-2">
        {ids.map((id) => (
          <div key={id}>
            <FactField
              place={{ kind: 'pressure', round: 0, corner: id, slot: 'now' }}
              label={capital(cornerNames[id])}
              showLabel
              order={cornerNumbers[id]}
              quantity="pressure"
              range={limits.tyreBar}
            />
            <ToDo id={id} />
          </div>
        ))}
      </div>
      <div className="mt-3 grid grid-cols-4 gap-x-4 max-md:grid-cols-2">
        {gainGroups(document).map((group, i) => (
          <Wanted key={group.id} group={group} order={10 + i} />
        ))}
      </div>
    </div>
  );
}

/** One pressure for both sides of an axle. */
function Wanted({ group, order }: { group: GainGroup; order: number }) {
  const job = useThisJob();
  const sides = sidesOf(group);
  const path = (id: CornerId) => ['corners', id, 'tyreBar'];
  const bars = sides.map((id) => job.record.document.corners[id].tyreBar);
  const alike = bars.every((bar) => bar === bars[0]);
  return (
    <NumberField
      className={sides.length > 1 ? 'col-span-2' : ''}
      label={`Wanted, ${group.title}`}
      showLabel
      order={order}
      quantity="pressure"
      decimals={2}
      range={limits.tyreBar}
      placeholder={alike ? 'as it is' : 'left and right unlike'}
      draftKey={pathKey(job.record.id, ...sides.map(path))}
      value={alike ? (bars[0] ?? null) : null}
      onCommit={(bar) =>
        job.actions.change(
          `Wanted tyre pressure, ${group.title}`,
          ...sides.map((id): [string[], Json] => [path(id), bar]),
        )
      }
    />
  );
}

/** What is to be done to a tyre, and what leaving it would do. */
function ToDo({ id }: { id: CornerId }) {
  const { facts, record } = useThisJob();
  const say = useSay(0);
  const tell = useTell();
  const bar = factAt(facts, { kind: 'pressure', round: 0, corner: id, slot: 'now' })?.fact.bar;
  const { tyreBar } = record.document.corners[id];
  if (bar === undefined || tyreBar === null) return null;
  const by = tyreBar - bar;
  if (Math.abs(by) < GAUGE_BAR) return <p className="label text-second pt-1">as wanted</p>;
  const liftsMm = pressureLifts(record.document, id, bar) ?? 0;
  const onGround = footingOf(record.document.machine.class) !== 'sleds' && Math.abs(liftsMm) >= 0.5;
  return (
    <p className="label pt-1" data-testid={`pressure-${id}`}>
      <b className="text-tight">
        {by > 0 ? 'put in' : 'let out'} {tell('pressure', Math.abs(by))}
      </b>
      {onGround && (
        <span className="text-second">
          {' '}
          as it is, this wheel stands about {say(Math.abs(liftsMm))} too {liftsMm > 0 ? 'high' : 'low'},
          estimated
        </span>
      )}
    </p>
  );
}
