import { useThisJob } from '../../jobStore/jobContext.ts';
import { cornerSpec } from '#core/estimate/corner.ts';
import { adjusterOf, isTurned } from '#core/kinds/adjusters/index.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { Select } from '../../ui/Select.tsx';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { limits } from '#contract/limits.ts';
import { cornerNumbers } from '../../ui/words.ts';
import { CornerRow, CornerTable } from '../sheet/CornerRow.tsx';
import { FactField, PathField, ranges } from '../../forms/fields.tsx';
import { FittingChoice } from '../intake/FittingChoice.tsx';
import { RatioChoice } from '../intake/RatioChoice.tsx';
import { SpringRow } from '../intake/SpringRows.tsx';
import { sagRound } from './sagRound.ts';

/** What is fitted, as far as sag needs it: travel, ratio, what is turned and by how much, the spring. Grey is assumed. */
export function FittedRows() {
  const job = useThisJob();
  const { document } = job.record;
  return (
    <div data-fields>
      <CornerTable caption="What is fitted">
        <CornerRow label="What is turned" help="pick the picture">
          {(id) => <FittingChoice id={id} />}
        </CornerRow>
        <CornerRow label="Wheel travel" help="full droop to metal">
          {(id) => (
            <PathField
              path={['corners', id, 'travelMm']}
              label={`Wheel travel, ${cornerNames[id]}`}
              order={2000 + cornerNumbers[id]}
            />
          )}
        </CornerRow>
        <CornerRow label="Motion ratio" help="damper per wheel: 0.5 or 2:1; forks 1">
          {(id) => (
            <>
              <PathField
                path={['corners', id, 'ratio']}
                label={`Motion ratio, ${cornerNames[id]}`}
                order={2010 + cornerNumbers[id]}
                placeholder={String(cornerSpec(document, id).ratio.value)}
              />
              <RatioChoice id={id} />
            </>
          )}
        </CornerRow>
        <CornerRow label="Thread pitch" help="preload per turn">
          {(id) =>
            isTurned(document.corners[id].fitting) && (
              <PathField
                path={['corners', id, 'pitchMm']}
                label={`Thread pitch, ${cornerNames[id]}`}
                order={2020 + cornerNumbers[id]}
              />
            )
          }
        </CornerRow>
        <CornerRow label="Adjuster reads" help="caliper from its datum, or rings showing">
          {(id) =>
            isTurned(document.corners[id].fitting) && (
              <FactField
                place={{ kind: 'collar', round: sagRound(job), corner: id, slot: 'now' }}
                label={`Adjuster reads, ${cornerNames[id]}`}
                order={2030 + cornerNumbers[id]}
                range={ranges.collar}
              />
            )
          }
        </CornerRow>
        <AdjusterRows />
        <SpringRow
          index={21}
          label="Spring rate"
          help="both legs, or both shocks, together"
          name="rateNPerMm"
          quantity="rate"
          range={limits.springRateNPerMm}
        />
        <CornerRow label="Preload at droop" help="wheel hanging, as at the baseline">
          {(id) => (
            <PathField
              path={['corners', id, 'preloadMm']}
              label={`Preload at droop, ${cornerNames[id]}`}
              order={2210 + cornerNumbers[id]}
            />
          )}
        </CornerRow>
      </CornerTable>
    </div>
  );
}

/** What a fork has beside its springs: in which legs it is adjusted, and its oil level as noted. */
function ForkRows() {
  const job = useThisJob();
  const { document } = job.record;
  const inFork = (id: CornerId) => adjusterOf(document.corners[id].fitting).inFork;
  return (
    <>
      <CornerRow label="Adjuster in" help="both caps, or one of them">
        {(id) =>
          inFork(id) && (
            <Select
              label={`Adjuster in, ${cornerNames[id]}`}
              value={String(document.corners[id].forkLegs)}
              options={[
                { value: '2', words: 'both legs' },
                { value: '1', words: 'one leg' },
              ]}
              onChange={(legs) =>
                job.actions.change(`Adjuster in, ${cornerNames[id]}`, [
                  ['corners', id, 'forkLegs'],
                  Number(legs),
                ])
              }
            />
          )
        }
      </CornerRow>
      <CornerRow label="Oil level" help="tube edge to oil, springs out, fork closed; noted">
        {(id) =>
          inFork(id) && (
            <PathField
              path={['corners', id, 'oilMm']}
              label={`Oil level, ${cornerNames[id]}`}
              order={2050 + cornerNumbers[id]}
              placeholder="not noted"
            />
          )
        }
      </CornerRow>
    </>
  );
}

/** What else somebody may know of an adjuster. */
function AdjusterRows() {
  const { document } = useThisJob().record;
  return (
    <>
      {cornersIn(document).some((id) => isTurned(document.corners[id].fitting)) && (
        <CornerRow label="Clicks a turn" help="where its adjuster clicks">
          {(id) =>
            isTurned(document.corners[id].fitting) && (
              <PathField
                path={['corners', id, 'clicksPerTurn']}
                label={`Clicks a turn, ${cornerNames[id]}`}
                order={2040 + cornerNumbers[id]}
                placeholder="no clicks"
              />
            )
          }
        </CornerRow>
      )}
      {cornersIn(document).some((id) => adjusterOf(document.corners[id].fitting).inFork) && <ForkRows />}
    </>
  );
}
