import { limits } from '#contract/limits.ts';
import type { Json } from '#core/document/types.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { TextField } from '../../forms/TextField.tsx';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { capital } from '../../ui/words.ts';
import { TorqueList } from '../kits/TorqueList.tsx';
import { Panel } from '../sheet/Panel.tsx';

/** How each corner goes back together, and what its bolts are tightened to: noted before it is taken apart. */
export function BackTogether() {
  const { record, actions } = useThisJob();
  const { document } = record;
  const ids = cornersIn(document);
  const given = document.torques.length > 0 || ids.some((id) => document.corners[id].marks !== '');
  return (
    <Panel
      title="Back together"
      words="marks on spring and mount, which way the perch looks, torques"
      open={given}
    >
      <div className="grid grid-cols-2 gap-x-6 gap-y-2 max-md:grid-cols-1">
        {ids.map((id) => (
          <TextField
            key={id}
            label={`${capital(cornerNames[id])} goes back`}
            value={document.corners[id].marks}
            draftKey={pathKey(record.id, ['corners', id, 'marks'])}
            maxLength={limits.labelLength}
            placeholder="not noted"
            onCommit={(to) =>
              actions.change(`How it goes back, ${cornerNames[id]}`, [['corners', id, 'marks'], to])
            }
          />
        ))}
      </div>
      <div data-fields className="relative mt-5">
        <TorqueList
          torques={document.torques}
          set={(change) =>
            actions.change('Torques', [['torques'], change(document.torques) as unknown as Json])
          }
          draftKey={pathKey(record.id, ['torques'])}
        />
      </div>
    </Panel>
  );
}
