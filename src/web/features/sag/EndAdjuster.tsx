import type { Json } from '#core/document/types.ts';
import { cornerNames, twinOf, type CornerId } from '#core/kinds/corners.ts';
import { limits } from '#contract/limits.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { cornerNumbers } from '../../ui/words.ts';
import { camParts } from '../intake/adjusterParts.ts';
import { CamField, CamHalves, CamStands } from '../intake/CamFields.tsx';
import { FittingChoice } from '../intake/FittingChoice.tsx';

/** What is turned at an end, and where it stands before anything is: asked where the work is done. */
export function EndAdjuster({ id }: { id: CornerId }) {
  const job = useThisJob();
  if (job.state.current > 0 || job.state.turning?.begun) return null;
  const props = { id, name: cornerNames[id], change: changeBoth(job, id), showLabel: true };
  const k = camParts.findIndex(({ label }) => label === 'Positions');
  const part = camParts[k];
  return (
    <div className="relative mt-1 mb-2 flex flex-wrap items-end gap-x-4 gap-y-2 print:hidden">
      <FittingChoice id={id} />
      {job.record.document.corners[id].torsion && part && (
        <>
          <div className="w-28">
            <CamField {...props} part={part} k={k} />
          </div>
          <CamHalves {...props} />
          <div>
            <CamStands {...props} />
          </div>
        </>
      )}
      {job.record.document.corners[id].air && <Pressure id={id} />}
    </div>
  );
}

/** What it is filled to; the one across goes along while it is filled to the same. */
function Pressure({ id }: { id: CornerId }) {
  const job = useThisJob();
  const { air } = job.record.document.corners[id];
  if (!air) return null;
  return (
    <NumberField
      className="w-36"
      label={`Pressure now, ${cornerNames[id]}`}
      showLabel
      order={260 + cornerNumbers[id]}
      draftKey={`${pathKey(job.record.id, ['corners', id, 'air'])}.gaugeBar`}
      quantity="pressure"
      decimals={2}
      range={{ min: 0, max: limits.gasBar }}
      value={air.gaugeBar}
      placeholder="not said"
      onCommit={(gaugeBar) =>
        changeBoth(job, id)(`Pressure now, ${cornerNames[id]}`, [
          ['corners', id, 'air'],
          { ...air, gaugeBar },
        ])
      }
    />
  );
}

/** Changes an end, and with it the one across where that is described alike. */
function changeBoth({ record: { document }, actions }: ReturnType<typeof useThisJob>, id: CornerId) {
  const twin = twinOf(id);
  return (label: string, ...parts: [string[], Json][]) => {
    const across = parts.flatMap(([[corners = '', , ...path], value]): [string[], Json][] => {
      const part = path[0] as 'torsion' | 'cam' | 'air';
      const isAlike =
        twin !== null &&
        JSON.stringify(document.corners[twin][part]) === JSON.stringify(document.corners[id][part]);
      return isAlike ? [[[corners, twin, ...path], value]] : [];
    });
    actions.change(label, ...parts, ...across);
  };
}
