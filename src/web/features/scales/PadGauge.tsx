import { useThisJob } from '../../jobStore/jobContext.ts';
import { useEffect } from 'react';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { padPlace } from '#core/gauge/simulatedPads.ts';
import { GRAVITY } from '#core/machine/solver.ts';
import { ChooseGauge } from '../gauge/GaugeLine.tsx';
import { simulatedAddress, useGauge, useGaugeSetting } from '../gauge/useGauge.ts';
import { Button } from '../../ui/Button.tsx';
import { Mass } from '../../ui/Measure.tsx';
import { padSlot, REPEATS } from './PadTable.tsx';
import { useStands } from './useStands.ts';

interface Props {
  round: number;
  loadCase: number;
}

/** Pads that stream: the four weights as they come, and one press that takes all of them as the next reading. */
export function PadGauge({ round, loadCase }: Props) {
  const job = useThisJob();
  const { address, use } = useGaugeSetting();
  const { state, readings, broken, tell } = useGauge();
  const free = REPEATS.find((repeat) =>
    cornersIn(job.record.document).every(
      (corner) =>
        !job.facts.some(
          ({ fact }) =>
            fact.kind === 'pad' &&
            fact.round === round &&
            fact.corner === corner &&
            fact.slot === padSlot(loadCase, repeat),
        ),
    ),
  );
  // A simulated set of pads is told what stands on it: what the sheet expects, as far as it knows the machine.
  const pads = job.answer?.predictAt(job.answer.now).outcome.solver.pads;
  const kg = pads ? JSON.stringify([...pads].map((n) => Math.round((10 * n) / GRAVITY) / 10)) : null;
  useEffect(() => {
    if (address === simulatedAddress() && kg !== null) tell({ do: 'roll', kg: JSON.parse(kg) as number[] });
  }, [address, kg, round, free, tell, state]);
  const byCorner = new Map<CornerId, (typeof readings)[string]>();
  for (const reading of Object.values(readings)) {
    const place = reading.kind === 'mass' ? padPlace(reading.name) : null;
    if (place) byCorner.set(place, reading);
  }
  const ids = cornersIn(job.record.document);
  const all = ids.flatMap((id) => byCorner.get(id) ?? []);
  const steady = all.length === ids.length && all.every((reading) => reading.steady);
  const [stands, taken] = useStands(steady, free);
  if (address === null)
    return (
      <div className="[&_summary]:text-[15px]">
        <ChooseGauge use={use} />
      </div>
    );
  const take = () => {
    if (!free) return;
    taken();
    for (const id of ids) {
      const kg = Math.round(10 * (byCorner.get(id)?.value ?? 0)) / 10;
      const place = { kind: 'pad' as const, round, corner: id, slot: padSlot(loadCase, free) };
      job.actions.record(`Pad reading ${free}, ${cornerNames[id]}`, { ...place, kg });
    }
  };
  return (
    <div className="mt-3 flex flex-wrap items-end gap-x-6 gap-y-2" data-testid="pad-gauge">
      {all.length === 0 && (
        <p aria-live="polite">
          {state === 'away'
            ? 'No connection to the pads. Trying again. You can type the readings.'
            : 'Listening for pads …'}
        </p>
      )}
      <OnPads byCorner={byCorner} ids={ids} />
      <Button disabled={!steady || stands || !free} onClick={take}>
        {free ? `Take all four as reading ${free}` : 'All three readings are taken'}
      </Button>
      {stands && free && <p className="label text-second">Roll it off and on again first.</p>}
      <Button look="quiet" onClick={() => use(null)}>
        No pads
      </Button>
      {broken > 0 && <p className="label text-tight">{broken} lines from them could not be read.</p>}
    </div>
  );
}

type ByCorner = ReadonlyMap<CornerId, ReturnType<typeof useGauge>['readings'][string]>;

/** What each pad shows now, and whether it stands. */
function OnPads({ byCorner, ids }: { byCorner: ByCorner; ids: readonly CornerId[] }) {
  return ids.map((id) => {
    const reading = byCorner.get(id);
    return (
      reading && (
        <p key={id}>
          <span className="label text-second block">{cornerNames[id]}</span>
          <b className="text-head">
            <Mass kg={reading.value} decimals={1} />
          </b>{' '}
          <span className={reading.steady ? 'label' : 'label text-tight'}>
            {reading.steady ? 'steady' : 'moving'}
          </span>
        </p>
      )
    );
  });
}
