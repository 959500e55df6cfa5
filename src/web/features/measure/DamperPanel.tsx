import { limits } from '#contract/limits.ts';
import type { MarginKind } from '#core/margins/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { marginSum } from '#words/explain/marginSum.ts';
import { FactField, PathField } from '../../forms/fields.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { SizeLength } from '../../ui/Figure.tsx';
import { stateTone } from '../../ui/StateMark.tsx';
import { cornerNumbers } from '../../ui/words.ts';
import { CornerRow, CornerTable } from '../sheet/CornerRow.tsx';
import { Panel } from '../sheet/Panel.tsx';
import { SumFigure } from '../sums/SumFigure.tsx';

/** Dampers by a tape along them: as they stand, fully open and closed, and so what travel is left, measured. */
export function DamperPanel({ round }: { round: number }) {
  const { record, state } = useThisJob();
  const read = state.rounds.some(({ damperLengths }) => Object.keys(damperLengths).length > 0);
  const described = Object.values(record.document.corners).some(
    ({ damper }) => damper.openMm ?? damper.closedMm,
  );
  return (
    <div className="mx-4 print:hidden">
      <Panel
        title="Damper lengths"
        words="eye to eye: what travel is left, from what a tape reads"
        open={read || described}
      >
        <div data-fields className="relative">
          <CornerTable caption="Damper lengths" numbers>
            <CornerRow label="As it stands" help="on its wheels">
              {(id) => (
                <FactField
                  place={{ kind: 'damper-length', round, corner: id, slot: 'now' }}
                  label={`Damper as it stands, ${cornerNames[id]}`}
                  order={600 + cornerNumbers[id]}
                  range={limits.damperMm}
                />
              )}
            </CornerRow>
            <DamperRow end="openMm" label="Fully open" help="hanging, or off" order={610} />
            <DamperRow end="closedMm" label="Fully closed" help="to its own stop" order={620} />
            <CornerRow label="Left to open" help="predicted, after the plan">
              {(id) => <LeftThere id={id} kind="damper-open" />}
            </CornerRow>
            <CornerRow label="Left to close" help="predicted, after the plan">
              {(id) => <LeftThere id={id} kind="damper-closed" />}
            </CornerRow>
          </CornerTable>
        </div>
      </Panel>
    </div>
  );
}

interface RowProps {
  end: 'openMm' | 'closedMm';
  label: string;
  help: string;
  order: number;
}

function DamperRow({ end, label, help, order }: RowProps) {
  return (
    <CornerRow label={label} help={help}>
      {(id) => (
        <PathField
          path={['corners', id, 'damper', end]}
          label={`Damper ${label.toLowerCase()}, ${cornerNames[id]}`}
          order={order + cornerNumbers[id]}
        />
      )}
    </CornerRow>
  );
}

function LeftThere({ id, kind }: { id: CornerId; kind: MarginKind }) {
  const { margins } = useThisJob();
  const margin = margins.find((one) => one.corner === id && one.kind === kind);
  if (!margin) return <span className="text-second">—</span>;
  return (
    <SumFigure
      name={`${kind === 'damper-open' ? 'Left to open' : 'Left to close'}, ${cornerNames[id]}`}
      sum={() => marginSum(margin)}
    >
      <b className={stateTone[margin.state]}>
        <SizeLength mm={margin.leftMm} />
      </b>
      {margin.loadCase && <span className="label text-second block">{margin.loadCase}</span>}
    </SumFigure>
  );
}
