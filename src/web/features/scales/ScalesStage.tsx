import { useThisJob } from '../../jobStore/jobContext.ts';
import { useState } from 'react';
import { factAt } from '#core/document/facts.ts';
import { crossOn, takenPads } from '#core/scales/balance.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { limits } from '#contract/limits.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { cornerNumbers } from '../../ui/words.ts';
import { roundWords } from '#words/fields.ts';
import { Plain } from '../../ui/Figure.tsx';
import { Mass } from '../../ui/Measure.tsx';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Select.tsx';
import { CornerRow, CornerTable } from '../sheet/CornerRow.tsx';
import { FactField } from '../../forms/fields.tsx';
import { Footer, NextLink } from '../sheet/Footer.tsx';
import { Panel } from '../sheet/Panel.tsx';
import { Part } from '../sheet/Part.tsx';
import { BarsNote } from './BarsNote.tsx';
import { Influence, WhyWeight } from './Influence.tsx';
import { PadGauge } from './PadGauge.tsx';
import { PadTable } from './PadTable.tsx';
import { ScalesGoal } from './ScalesGoal.tsx';
import { Standing } from './Standing.tsx';
import { SwapPanel } from './SwapPanel.tsx';
import { TradeOffPanel } from './TradeOffPanel.tsx';

/** Weights and heights together: read, what each seat does to both, and what can be had of both. */
export function ScalesStage() {
  const job = useThisJob();
  const { answer, state } = job;
  const { cases } = job.record.document;
  const [loadCase, setLoadCase] = useState(0);
  const round = state.current;
  const here = state.rounds[round];
  const read = (loadCase === 0 ? here?.pads : here?.padsIn[loadCase]) ?? {};
  return (
    <>
      <div className="flex-1 px-4 py-4">
        <Part title="Corner weights" words={`${roundWords(round)}, rolled on and settled`}>
          <div data-fields>
            <div className="flex flex-wrap items-center gap-x-6">
              {cases.length > 1 && (
                <label className="flex max-w-lg min-w-64 flex-1 items-center gap-3">
                  <span className="label text-second shrink-0">On board</span>
                  <Select
                    label="On board while weighing"
                    value={String(loadCase)}
                    options={cases.map((name, k) => ({ value: String(k), words: caseWords(job, name, k) }))}
                    onChange={(next) => setLoadCase(Number(next))}
                  />
                </label>
              )}
              <DriverOut />
            </div>
            <PadTable round={round} loadCase={loadCase} />
            <Standing
              pads={takenPads(job.record.document, read)}
              believed={loadCase === 0 ? believedCross(job) : undefined}
            />
            <BarsNote />
            <PadGauge round={round} loadCase={loadCase} />
          </div>
          <div className="mt-3">
            <Panel title="As it was weighed" words="tyre pressures and fuel">
              <AsWeighed round={round} />
            </Panel>
            <Panel title="Check the scales" words="level, and telling the same" open={anySwap(job)}>
              <SwapPanel round={round} />
            </Panel>
          </div>
        </Part>
        {answer && (
          <>
            <Part
              title="What one turn does"
              words="height and weight at every wheel, as the rounds so far have this machine"
            >
              <Influence answer={answer} />
              <WhyWeight answer={answer} />
            </Part>
            <Part title="Weight goal" words="beside the heights">
              <ScalesGoal />
              <TradeOffPanel answer={answer} />
            </Part>
          </>
        )}
        {!answer && (
          <p className="text-second mt-4">
            What each seat does shows as soon as a height is read: take the heights over the same wheels.
          </p>
        )}
      </div>
      <Footer>
        <NextLink from="scales" />
      </Footer>
    </>
  );
}

/** (RF + LR) over all as the fit has it now, on the pads and in the load that is measured in. */
function believedCross({ answer }: Job): number | undefined {
  if (!answer) return undefined;
  return crossOn(answer.predictAt(answer.now).outcome.solver.pads, answer.machine.corners);
}

/** A load case with what is named aboard in it. */
function caseWords({ record }: Job, name: string, k: number): string {
  const aboard = record.document.loads.filter((load) => load.aboard[k]).map((load) => load.name);
  return aboard.length > 0 ? `${name}: ${aboard.join(', ')}` : name;
}

const USUAL_DRIVER = { name: 'driver', kg: 80, xMm: -100 };

/** One press makes the driver a load of his own, and a case without him to weigh in. */
function DriverOut() {
  const job = useThisJob();
  const { loads, cases, machine } = job.record.document;
  if (loads.some(({ name }) => /driver/i.test(name)) || cases.length >= limits.cases || job.state.locked)
    return null;
  const yMm = Math.round(0.22 * (machine.trackFrontMm ?? 1500));
  const driver = { ...USUAL_DRIVER, yMm, aboard: [...cases.map(() => true), false] };
  const add = () =>
    job.actions.change(
      'Driver as a load, and a case without',
      [['cases'], [...cases, 'without the driver']],
      [
        ['loads'],
        [...loads.map((load) => ({ ...load, aboard: [...load.aboard, load.aboard[0] ?? false] })), driver],
      ],
    );
  return (
    <Button look="quiet" onClick={add}>
      Weigh without the driver too
    </Button>
  );
}

const anySwap = ({ state }: Job) => Object.keys(state.rounds[state.current]?.padsSwapped ?? {}).length > 0;

/** Petrol, about. */
const KG_PER_LITRE = 0.75;

/** What moves weights without anybody turning anything. */
function AsWeighed({ round }: { round: number }) {
  const job = useThisJob();
  const fuel = (at: number) =>
    factAt(job.facts, { kind: 'fuel', round: at, corner: null, slot: 'tank' })?.fact.litres ?? null;
  const [first, now] = [fuel(0), fuel(round)];
  return (
    <div data-fields className="relative">
      <CornerTable caption="As it was weighed" numbers>
        <CornerRow label="Tyre pressure" help="cold, as on the pads">
          {(id) => (
            <FactField
              place={{ kind: 'pressure', round, corner: id, slot: 'now' }}
              label={`Tyre pressure, ${cornerNames[id]}`}
              order={3100 + cornerNumbers[id]}
              quantity="pressure"
              range={limits.tyreBar}
            />
          )}
        </CornerRow>
      </CornerTable>
      <div className="mt-2 flex flex-wrap items-end gap-x-6">
        <div className="w-32">
          <FactField
            place={{ kind: 'fuel', round, corner: null, slot: 'tank' }}
            label="Fuel"
            showLabel
            order={3120}
            quantity="volume"
            range={limits.fuelL}
          />
        </div>
        {first !== null && now !== null && round > 0 && first !== now && (
          <p className="text-tight label pb-2" data-testid="fuel">
            <Plain value={Math.abs(now - first)} decimals={0} /> l {now < first ? 'less' : 'more'} than at the
            baseline: about <Mass kg={KG_PER_LITRE * Math.abs(now - first)} /> that no seat can answer for.
          </p>
        )}
      </div>
    </div>
  );
}
