import { useState } from 'react';
import { limits } from '#contract/limits.ts';
import { factAt } from '#core/document/facts.ts';
import { aboardIn, caseWith } from '#core/document/loadCases.ts';
import type { Json, LoadDocument } from '#core/document/types.ts';
import { roundWords } from '#words/fields.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { Mass } from '../../ui/Measure.tsx';
import { StandsOn } from './StandsOn.tsx';
import { SomethingAboard } from './SomethingAboard.tsx';

/** What is aboard as a round is read: as in the round before, until somebody says otherwise; and what the targets mean. */
export function AboardNow({ round }: { round: number }) {
  const job = useThisJob();
  const [adding, setAdding] = useState(false);
  const [full, setFull] = useState(false);
  const { document } = job.record;
  const { loads } = document;
  const keep = useAboard(round);
  const put = (...to: Parameters<typeof keep>) => setFull(!keep(...to));
  // While a plan is still being turned its round is not read yet: what was said of it stands all the same.
  const said = factAt(job.facts, { kind: 'aboard', round, corner: null, slot: 'case' })?.fact.loadCase;
  const loadCase = said ?? job.state.rounds[Math.min(round, job.state.current)]?.loadCase ?? 0;
  const now = aboardIn(document, loadCase);
  const locked = job.state.locked;
  return (
    <section aria-label="Aboard" className="mx-4 mt-3 print:hidden">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <span className="font-semibold">Aboard now:</span>
        {loads.length === 0 && <span>{document.load || 'as it stands'}</span>}
        {loads.map((load, i) => (
          <label key={i} className="flex min-h-9 cursor-pointer items-center gap-1.5">
            <input
              type="checkbox"
              className="accent-action size-4"
              disabled={locked}
              checked={now[i] ?? false}
              onChange={(event) =>
                put(
                  loads,
                  now.map((on, k) => (k === i ? event.target.checked : on)),
                )
              }
            />
            {load.name}
            {load.kg > 0 && (
              <span className="text-second">
                <Mass kg={load.kg} decimals={0} />
              </span>
            )}
          </label>
        ))}
        {!locked && loads.length < limits.loads && !adding && (
          <Button look="quiet" onClick={() => setAdding(true)}>
            Something else is aboard
          </Button>
        )}
        <TargetsMean now={now} />
        <StandsOn round={round} />
      </div>
      {full && (
        <p role="alert" className="text-short">
          There are {limits.cases} load cases already. Remove one under Intake, then tick it again.
        </p>
      )}
      {adding && (
        <SomethingAboard
          add={(next) => {
            put(next, [...now, true]);
            setAdding(false);
          }}
          leave={() => setAdding(false)}
        />
      )}
    </section>
  );
}

/** That the targets are for something else, where they are: readings are then compared through the springs. */
function TargetsMean({ now }: { now: readonly boolean[] }) {
  const { document } = useThisJob().record;
  const meant = aboardIn(document, 1);
  if (meant.every((on, i) => on === (now[i] ?? false))) return null;
  const names = document.loads.filter((_, i) => meant[i]).map(({ name }) => name);
  return (
    <span className="text-second">
      The targets are {names.length > 0 ? `with ${names.join(', ')}` : 'for nothing aboard'}: it is worked out
      through the springs.
    </span>
  );
}

/** Says what is aboard in a round, and whether there was room for it: at the baseline it is the case measured in, later one of its own where none is like it. */
function useAboard(round: number) {
  const job = useThisJob();
  const { cases } = job.record.document;
  const label = `What is aboard, ${roundWords(round)}`;
  const putLoads = (loads: LoadDocument[]): [string[], Json] => [['loads'], loads as unknown as Json];
  return (loads: LoadDocument[], aboard: readonly boolean[]) => {
    if (round === 0) {
      const measured = loads.map((load, i) => ({
        ...load,
        aboard: cases.map((_, k) => (k === 0 ? (aboard[i] ?? false) : (load.aboard[k] ?? false))),
      }));
      job.actions.change(label, putLoads(measured));
      return true;
    }
    const found = caseWith({ cases, loads }, aboard);
    if (!found) return false;
    job.actions.together(() => {
      if (found.cases !== cases || loads !== job.record.document.loads)
        job.actions.change(label, [['cases'], found.cases], putLoads(found.loads));
      job.actions.record(label, {
        kind: 'aboard',
        round,
        corner: null,
        slot: 'case',
        loadCase: found.loadCase,
      });
    });
    return true;
  };
}
