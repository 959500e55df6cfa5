import { useThisJob } from '../../jobStore/jobContext.ts';
import { cornerSpec } from '#core/estimate/corner.ts';
import { isTurned } from '#core/kinds/adjusters/index.ts';
import { cornerNames } from '#core/kinds/corners.ts';
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
