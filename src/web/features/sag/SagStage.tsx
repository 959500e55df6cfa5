import { Asked } from '../finding/Asked.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useMemo, useState } from 'react';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { sagEndsOf, statesAt } from '#core/sag/prompts.ts';
import type { LetGo } from '#core/document/sagReadings.ts';
import { isAtShaft } from '#core/sag/atShaft.ts';
import { Button } from '../../ui/Button.tsx';
import { sagEnds, type SagEnd } from '#core/sag/bench.ts';
import { Footer } from '../sheet/Footer.tsx';
import { FittedHere } from '../sheet/FittedHere.tsx';
import { LaterPanel } from '../sheet/LaterPanel.tsx';
import { StartTurning } from '../plan/StartTurning.tsx';
import { EndReadings } from './EndReadings.tsx';
import { EndVerdict } from './EndVerdict.tsx';
import { RiderLine } from './RiderLine.tsx';
import { SagQuestions } from './SagQuestions.tsx';
import { NextSag } from './NextSag.tsx';
import { SagPanels } from './SagPanels.tsx';
import { SagOutlook } from './SagOutlook.tsx';
import { sagRound } from './sagRound.ts';

/** For machines whose target is sag: read, judged against the windows, turned, judged again; springs, riders, attitude. */
export function SagStage({ fresh = false }: { fresh?: boolean }) {
  const job = useThisJob();
  const { document } = job.record;
  const { answer } = job;
  const ends = useMemo(() => (answer ? sagEnds(answer) : []), [answer]);
  const [chosen, setChosen] = useState<Partial<Record<LetGo, boolean>>>({});
  const [opened, setOpened] = useState<readonly CornerId[]>([]);
  const [rider] = document.riders;
  if (!rider) return <SagQuestions />;
  const round = sagRound(job);
  const read = job.facts.flatMap(({ fact }) => (fact.kind === 'sag' && fact.corner ? [fact] : []));
  // What something was typed into stays in sight.
  const isFilled = (how: LetGo) =>
    read.some((fact) => fact.round === round && fact.slot.includes(`-${how}-`));
  // As it was read before, until somebody chooses otherwise.
  const wasRead = (how: LetGo) => read.some(({ slot }) => slot.includes(`-${how}-`));
  const isShown = (how: LetGo) => isFilled(how) || (chosen[how] ?? wasRead(how));
  const set = sagEndsOf(document);
  const shown = cornersIn(document).filter(
    (id) => set.includes(id) || opened.includes(id) || read.some(({ corner }) => corner === id),
  );
  const hidden = cornersIn(document).filter((id) => !shown.includes(id));
  const pressing = isShown('press') || isShown('lift');
  const waysAt = (id: CornerId): LetGo[] => [
    // Pressed and lifted take its place, but for what was read so.
    ...(pressing && !isFilled('rest') ? [] : (['rest'] as const)),
    ...(pressing ? (['press', 'lift'] as const) : []),
    ...(isShown('band') || isAtShaft(document, id) ? (['band'] as const) : []),
  ];
  return (
    <>
      <FittedHere round={round} />
      {shown.some((id) => statesAt(document, id, rider.key).length > 1) && <RiderLine rider={rider} />}
      <NextSag round={round} rider={rider.key} pressing={pressing} fresh={fresh} />
      <div data-fields className="grid grid-cols-2 gap-x-6 gap-y-5 px-4 pt-3 narrow:grid-cols-1">
        {shown.map((id) => (
          <End
            key={id}
            id={id}
            alone={shown.length === 1}
            fresh={fresh}
            states={statesAt(document, id, rider.key)}
            ways={waysAt(id)}
            end={ends.find((one) => one.id === id) ?? null}
          />
        ))}
      </div>
      <Asked />
      <div className="label mx-4 mt-2 flex flex-wrap items-center gap-x-6 print:hidden">
        <MoreWays
          words="pressed and lifted, which takes friction out"
          checked={pressing}
          filled={isFilled('press') || isFilled('lift')}
          onChange={(on) => setChosen({ ...chosen, press: on, lift: on })}
        />
        <MoreWays
          words="by a band on the shaft"
          checked={isShown('band')}
          filled={isFilled('band')}
          onChange={(on) => setChosen({ ...chosen, band: on })}
        />
        <AlsoRead hidden={hidden} onOpen={() => setOpened(hidden)} />
      </div>
      <SagPanels ends={ends} fresh={fresh} />
      {!fresh && <LaterPanel round={round} />}
      <Footer>
        {answer && answer.chanceAfter !== null ? (
          <SagOutlook answer={answer} ends={ends} />
        ) : (
          <p className="text-second">
            Read one end fully extended, then as it rests: the first answer stands there.
          </p>
        )}
        {answer && !fresh && <StartTurning answer={answer} from="sag" />}
      </Footer>
    </>
  );
}

/** Ends that are not set, and can be read all the same. */
function AlsoRead({ hidden, onOpen }: { hidden: readonly CornerId[]; onOpen: () => void }) {
  if (hidden.length === 0) return null;
  return (
    <Button look="quiet" onClick={onOpen}>
      Also read {hidden.map((id) => cornerNames[id]).join(', ')}
    </Button>
  );
}

interface EndProps {
  id: CornerId;
  /** The only end that is read: what it comes to stands beside its readings. */
  alone: boolean;
  /** There is no job yet. */
  fresh: boolean;
  states: readonly string[];
  ways: readonly LetGo[];
  end: SagEnd | null;
}

/** One end: what was read of it, and what that comes to. */
function End({ id, alone, fresh, states, ways, end }: EndProps) {
  const job = useThisJob();
  return (
    <section
      aria-labelledby={`end-${id}`}
      data-corner={id}
      className={alone ? 'col-span-full grid grid-cols-2 gap-x-6 narrow:grid-cols-1' : 'min-w-0'}
    >
      <EndReadings id={id} round={sagRound(job)} states={states} ways={ways} pictures={!fresh} />
      <EndVerdict id={id} end={end} />
    </section>
  );
}

interface MoreProps {
  words: string;
  checked: boolean;
  /** Something is typed there: it stays in sight. */
  filled: boolean;
  onChange: (on: boolean) => void;
}

/** Another way to read, one tap away. */
function MoreWays({ words, checked, filled, onChange }: MoreProps) {
  return (
    <label className="flex min-h-9 cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        className="accent-action size-4"
        checked={checked}
        disabled={filled}
        onChange={(event) => onChange(event.target.checked)}
      />
      {words}
    </label>
  );
}
