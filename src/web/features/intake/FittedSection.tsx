import { faultTold } from '#words/faults.ts';
import { useSay } from '../../ui/settings.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { cornerKg } from '#core/estimate/believed.ts';
import { classDefaults } from '#core/kinds/classes/index.ts';
import { cornersIn, footingOf } from '#core/kinds/classes/index.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { machineAlone } from '#core/document/riders.ts';
import { limits } from '#contract/limits.ts';
import { cornerNumbers } from '../../ui/words.ts';
import type { QuantityName, Range } from '../../forms/quantity.ts';
import { CornerRow, CornerTable } from '../sheet/CornerRow.tsx';
import { PathField } from '../../forms/fields.tsx';
import { Panel } from '../sheet/Panel.tsx';
import { MoreSprings, SpringRow } from './SpringRows.tsx';
import { LoadsTable } from './LoadsTable.tsx';

/** Springs, weights and load cases. Nothing here is needed to begin; each figure narrows the plan or opens a margin. */
export function FittedSection() {
  const job = useThisJob();
  const { document } = job.record;
  const given =
    document.loads.length > 0 ||
    document.machine.massKg !== null ||
    cornersIn(document).some(
      (id) => document.corners[id].springs.length > 0 || document.corners[id].loadKg !== null,
    );
  return (
    <Panel
      title="Springs and weights"
      words="not needed to begin; they narrow the plan and show what the springs have left"
      open={given}
    >
      <div data-fields>
        <Faults />
        <Whole />
        <CornerTable caption="Springs and weights of each corner">
          <SpringRow
            index={0}
            label="Spring rate"
            help="as written on it"
            name="rateNPerMm"
            quantity="rate"
            range={limits.springRateNPerMm}
          />
          <SpringRow
            index={1}
            label="Free length"
            help="on the bench"
            name="freeLengthMm"
            quantity="length"
            range={limits.springMm}
          />
          <SpringRow
            index={2}
            label="Solid length"
            help="all coils touching"
            name="solidLengthMm"
            quantity="length"
            range={limits.springMm}
          />
          <MoreSprings />
          <PathRow
            index={3}
            label="Preload at droop"
            help="wheel hanging, collar as at the baseline"
            name="preloadMm"
            alike
          />
          <PathRow
            index={4}
            label="Weight on the wheel"
            help="scales, wheel and all"
            name="loadKg"
            hint={(id) => cornerKg(document, id)}
          />
        </CornerTable>
        <LoadsTable />
      </div>
    </Panel>
  );
}

function Faults() {
  const job = useThisJob();
  const say = useSay(1);
  const faults = job.answer?.faults ?? [];
  if (faults.length === 0) return null;
  return (
    <div role="alert" className="border-short label border-l-2 py-1 pl-3">
      <p className="font-semibold">
        Two figures of what is fitted cannot both be right. Until they are, springs and weights are left out.
      </p>
      {faults
        .map((fault) => faultTold(fault, say))
        .map(({ path, got, want }) => (
          <p key={path}>
            {path}: {got}; right would be {want}.
          </p>
        ))}
    </div>
  );
}

function Whole() {
  const job = useThisJob();
  const assumed = machineAlone(job.record.document);
  const ridden = job.record.document.riders.length > 0;
  return (
    <div className="relative grid grid-cols-4 items-end gap-x-4 gap-y-2 max-md:grid-cols-2">
      <PathField
        path={['machine', 'massKg']}
        label={ridden ? 'Machine without its riders' : 'Whole machine now'}
        showLabel
        order={1}
        assumed={assumed.kg}
      />
      <PathField
        path={['machine', 'frontShare']}
        label="Of that on the front"
        showLabel
        order={2}
        assumed={assumed.frontShare}
      />
      <PathField
        path={['settlingMm']}
        label="Allow for settling"
        showLabel
        order={3}
        placeholder="no settling allowed for"
      />
      <Dimensions />
    </div>
  );
}

/** Where the machine stands: what a seat does to the other corners depends on it. */
function Dimensions() {
  const job = useThisJob();
  const { class: machineClass } = job.record.document.machine;
  const { wheelbaseMm } = classDefaults[machineClass];
  const footing = footingOf(machineClass);
  const one = (name: string, label: string, order: number, assumedMm?: number) => (
    <PathField
      key={name}
      path={['machine', name]}
      label={label}
      showLabel
      order={order}
      {...(assumedMm === undefined ? {} : { assumed: assumedMm })}
    />
  );
  return (
    <>
      {one('wheelbaseMm', footing === 'sleds' ? 'Skis to rear arm' : 'Wheelbase', 4)}
      {footing !== 'bikes' && one('trackFrontMm', footing === 'sleds' ? 'Ski stance' : 'Front track', 5)}
      {footing === 'wheels' && one('trackRearMm', 'Rear track', 6)}
      {footing === 'sleds' && one('armAheadMm', 'Front arm ahead of rear', 6, 0.4 * wheelbaseMm)}
    </>
  );
}

interface RowProps {
  index: number;
  label: string;
  help: string;
  quantity: QuantityName;
  range: Range;
}

function PathRow({
  index,
  label,
  help,
  name,
  hint,
  alike = false,
}: Omit<RowProps, 'quantity' | 'range'> & {
  name: string;
  hint?: (id: CornerId) => number;
  /** Asked once where it is the same on both sides. */
  alike?: boolean;
}) {
  return (
    <CornerRow label={label} help={help} {...(alike ? { paths: [name] } : {})}>
      {(id) => (
        <PathField
          path={['corners', id, name]}
          order={10 * (index + 1) + cornerNumbers[id]}
          {...(hint ? { assumed: hint(id) } : {})}
        />
      )}
    </CornerRow>
  );
}
