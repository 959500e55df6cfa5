import { useLengthStyle, useSay } from '../../ui/settings.ts';
import { windowWords } from '#words/sagWindows.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { inSystem, sagWindows } from '#core/sag/sagWindows.ts';
import { adjusterOf, hasMount, stepOf } from '#core/kinds/adjusters/index.ts';
import { airTaken } from '#core/document/taken.ts';
import { mountOfPitch } from '#core/document/fitting.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { cornersIn, standsOnFour } from '#core/kinds/classes/index.ts';
import { limitsOf, middleOf, schoolOf } from '#core/sag/schools.ts';
import { limits } from '#contract/limits.ts';
import { cornerNumbers } from '../../ui/words.ts';
import { CamField, CamStands } from './CamFields.tsx';
import { camParts, isMoreGiven, usualSecond, windowRange } from './adjusterParts.ts';
import { Select } from '../../ui/Select.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { useSides } from '../../jobStore/bothSides.tsx';
import { CornerRow, CornerTable, PartField, type Side } from '../sheet/CornerRow.tsx';
import { PathField } from '../../forms/fields.tsx';
import { Panel } from '../sheet/Panel.tsx';

/** What is turned at each corner, what sag is wanted, and where rings are to stand. */
export function AdjustersSection() {
  const job = useThisJob();
  const { document } = job.record;
  const given = isMoreGiven(document);
  return (
    <Panel
      title="Adjusters, sag and rings"
      words="where it is more than a seat on a thread, or more is wanted than heights"
      open={given}
    >
      <div data-fields>
        <CrossWeight />
        <CornerTable caption="Adjusters, sag and rings of each corner">
          <SagRows />
          <CornerRow label="Height counts" help="against the others; 1 as usual" paths={['weight']}>
            {(id, { name }) => (
              <PathField
                path={['corners', id, 'weight']}
                label={`Height counts, ${name}`}
                order={40 + cornerNumbers[id]}
                placeholder="1"
              />
            )}
          </CornerRow>
          <StepRows />
          <MountRows />
          <CamRows />
          <AirRows />
          <RingRows />
        </CornerTable>
      </div>
    </Panel>
  );
}

function CrossWeight() {
  const job = useThisJob();
  if (!standsOnFour(job.record.document.machine.class)) return null;
  return (
    <div className="relative grid grid-cols-4 items-end gap-x-4 max-md:grid-cols-2">
      <PathField
        path={['crossTarget']}
        label="Cross weight wanted, RF + LR"
        showLabel
        order={1}
        placeholder="as it comes"
      />
    </div>
  );
}

/** Schools that speak of the loaded wheel: the others are for the machine alone. */
const ridden = sagWindows.filter(({ of, at }) => of === 'rider' && at === 'wheel');

function SagRows() {
  const job = useThisJob();
  const say = useSay(0);
  const { system } = useLengthStyle();
  const schools = ridden.map((one) => inSystem(one, system));
  const { document } = job.record;
  const setWindow = (id: CornerId, { name, change }: Side, to: string) => {
    const school = schools.find((one) => one.id === to);
    const window = school ? limitsOf(document, id, school) : null;
    change(
      `Sag window, ${name}`,
      [['corners', id, 'sagWindow'], window],
      [['corners', id, 'sagMm'], document.corners[id].sagMm ?? (window && middleOf(window))],
    );
  };
  const schoolAt = (id: CornerId) =>
    document.corners[id].sagWindow ? (schoolOf(document, id, 'rider', schools)?.id ?? 'own') : '';
  return (
    <>
      <CornerRow label="Sag wanted" help="wheel travel used, as the targets are meant" paths={['sagMm']}>
        {(id, { name }) => (
          <PathField
            path={['corners', id, 'sagMm']}
            label={`Sag wanted, ${name}`}
            order={10 + cornerNumbers[id]}
          />
        )}
      </CornerRow>
      <CornerRow label="Sag window" help="preset" paths={['sagWindow']}>
        {(id, side) => (
          <>
            <Select
              label={`Sag window, ${side.name}`}
              value={schoolAt(id)}
              options={[
                { value: '', words: 'none' },
                ...schools.map((one) => ({ value: one.id, words: windowWords(one, say).title })),
                ...(schoolAt(id) === 'own' ? [{ value: 'own', words: 'own' }] : []),
              ]}
              onChange={(school) => school !== 'own' && setWindow(id, side, school)}
            />
            {document.corners[id].sagWindow && (
              <div className="mt-1 grid grid-cols-2 gap-x-1">
                {(['fromMm', 'toMm'] as const).map((name, k) => (
                  <PartField
                    key={name}
                    id={id}
                    at={['sagWindow']}
                    name={name}
                    label={`Sag window ${k === 0 ? 'from' : 'to'}`}
                    order={20 + 10 * k + cornerNumbers[id]}
                    range={windowRange(document.corners[id], name)}
                    showUnit={false}
                  />
                ))}
              </div>
            )}
          </>
        )}
      </CornerRow>
    </>
  );
}

/** What goes in steps, and what stands at a ratio of its own. */
function StepRows() {
  const job = useThisJob();
  const { corners } = job.record.document;
  const ids = cornersIn(job.record.document);
  const stepped = (id: CornerId) => stepOf(corners[id].fitting);
  const countedAs = (id: CornerId) => {
    const { goes } = adjusterOf(corners[id].fitting);
    return goes.by === 'steps' ? goes.counted : null;
  };
  const guessed = (id: CornerId) => countedAs(id) === 'more or fewer';
  const placed = (id: CornerId) => countedAs(id) === 'towards the spring';
  const apart = (id: CornerId) => adjusterOf(corners[id].fitting).springRatio === 'asked';
  const field = (
    id: CornerId,
    side: Side,
    name: string,
    label: string,
    order: number,
    placeholder: string,
  ) => (
    <PathField
      path={['corners', id, name]}
      label={`${label}, ${side.name}`}
      order={order + cornerNumbers[id]}
      placeholder={placeholder}
    />
  );
  return (
    <>
      {ids.some(stepped) && (
        <CornerRow
          label="One step"
          help="from groove to groove, or what a leaf was measured to lift"
          paths={['stepMm', 'fitting']}
        >
          {(id, side) => stepped(id) && field(id, side, 'stepMm', 'One step', 50, 'not counted yet')}
        </CornerRow>
      )}
      {ids.some(guessed) && (
        <CornerRow
          label="One step, at most"
          help="where only a range is known: the row above is then the least"
          paths={['stepMostMm', 'fitting']}
        >
          {(id, side) => guessed(id) && field(id, side, 'stepMostMm', 'One step at most', 54, 'as above')}
        </CornerRow>
      )}
      {ids.some(placed) && (
        <CornerRow label="How many" help="grooves or places in all" paths={['stepCount', 'fitting']}>
          {(id, side) => placed(id) && field(id, side, 'stepCount', 'How many', 56, 'not counted yet')}
        </CornerRow>
      )}
      {ids.some(placed) && (
        <CornerRow
          label="In use"
          help="counted from the one furthest from the spring"
          paths={['stepNow', 'fitting']}
        >
          {(id, side) => placed(id) && field(id, side, 'stepNow', 'In use', 58, 'not looked yet')}
        </CornerRow>
      )}
      {ids.some(apart) && (
        <CornerRow
          label="Spring’s own ratio"
          help="spring per wheel, apart from the damper"
          paths={['springRatio', 'fitting']}
        >
          {(id, side) =>
            apart(id) && field(id, side, 'springRatio', 'Spring’s own ratio', 60, 'as the damper, assumed')
          }
        </CornerRow>
      )}
    </>
  );
}

interface PartRow {
  name: string;
  label: string;
  help: string;
}

/** Rows for an object that only some corners have. */
function PartRows({
  at,
  rows,
  order,
}: {
  at: 'mount' | 'torsion' | 'air';
  rows: readonly PartRow[];
  order: number;
}) {
  const job = useThisJob();
  const { document } = job.record;
  if (!cornersIn(document).some((id) => document.corners[id][at])) return null;
  return rows.map(({ name, label, help }, k) => (
    <CornerRow key={name} label={label} help={help} paths={[at]}>
      {(id) =>
        document.corners[id][at] && (
          <PartField id={id} at={[at]} name={name} label={label} order={order + 10 * k + cornerNumbers[id]} />
        )
      }
    </CornerRow>
  ));
}

const mountRows: readonly PartRow[] = [
  { name: 'threadMm', label: 'Mount thread', help: 'its diameter' },
  { name: 'leastMm', label: 'Least engaged', help: 'from the kit’s sheet; empty: 1½ diameters' },
  { name: 'engagedMm', label: 'Thread engaged now', help: 'in the mount, at the baseline' },
  { name: 'mostMm', label: 'Engaged at most', help: 'screwed in all the way' },
]; // oxfmt-ignore

function MountRows() {
  const job = useThisJob();
  const { corners } = job.record.document;
  const ids = cornersIn(job.record.document);
  const fitted = (id: CornerId) => hasMount(corners[id].fitting) || corners[id].mount !== null;
  if (!ids.some(fitted)) return null;
  return (
    <>
      <CornerRow
        label="Mount pitch"
        help="height per turn; it counts once this is given"
        paths={['mount', 'fitting']}
      >
        {(id) => fitted(id) && <MountPitch id={id} />}
      </CornerRow>
      <PartRows at="mount" rows={mountRows} order={110} />
    </>
  );
}

/** The one thing without which there is no mount to turn. */
function MountPitch({ id }: { id: CornerId }) {
  const job = useThisJob();
  const { mount } = job.record.document.corners[id];
  const path = ['corners', id, 'mount'];
  const label = `Mount pitch, ${useSides().named(id)}`;
  return (
    <NumberField
      label={label}
      draftKey={`${pathKey(job.record.id, path)}.pitchMm`}
      quantity="size"
      decimals={2}
      range={limits.pitchMm}
      order={100 + cornerNumbers[id]}
      value={mount?.pitchMm ?? null}
      placeholder="not counted yet"
      onCommit={(pitchMm) =>
        job.actions.change(label, [
          path,
          pitchMm === null ? null : { ...(mount ?? mountOfPitch(pitchMm)), pitchMm },
        ])
      }
    />
  );
}

const torsionRows: readonly PartRow[] = [
  { name: 'rateNMmPerDeg', label: 'Torsion rate', help: 'one spring' },
  { name: 'leverMm', label: 'Leg length', help: 'spring centre to where the leg presses' },
]; // oxfmt-ignore

function CamRows() {
  const job = useThisJob();
  const { document } = job.record;
  const cams = cornersIn(document).filter((id) => document.corners[id].torsion);
  if (cams.length === 0) return null;
  return (
    <>
      <PartRows at="torsion" rows={torsionRows} order={200} />
      {camParts.map((part, k) => (
        <CornerRow key={part.label} label={part.label} help={part.help} paths={['torsion']}>
          {(id, { name, change }) => <CamField id={id} name={name} change={change} part={part} k={k} />}
        </CornerRow>
      ))}
      <CornerRow label="Cam stands at" help="position at the baseline" paths={['cam', 'torsion']}>
        {(id, { name, change }) => {
          return document.corners[id].torsion && <CamStands id={id} name={name} change={change} />;
        }}
      </CornerRow>
    </>
  );
}

const airRows: readonly PartRow[] = [
  { name: 'gaugeBar', label: 'Air pressure', help: 'gauge, fully extended, at the baseline' },
  { name: 'volumeCm3', label: 'Air volume', help: 'fully extended' },
  { name: 'areaMm2', label: 'Piston area', help: 'of the piston’s face' },
]; // oxfmt-ignore

/** The chamber behind a floating piston; emptied, there is none. */
const secondRows = [
  { name: 'gaugeBar', label: 'End-stroke pressure', help: 'chamber behind the floating piston', quantity: 'pressure', range: { min: 0, max: 100 }, usual: usualSecond },
  { name: 'volumeCm3', label: 'End-stroke volume', help: 'fully extended', quantity: 'chamber', range: { min: 1, max: 100000 }, usual: usualSecond },
] as const; // oxfmt-ignore

function AirRows() {
  const job = useThisJob();
  const { document } = job.record;
  if (!cornersIn(document).some((id) => document.corners[id].air)) return null;
  return (
    <>
      <PartRows at="air" rows={airRows} order={300} />
      {secondRows.map(({ name, label, help, quantity, range, usual }, k) => (
        <CornerRow key={name} label={label} help={help} paths={['air']}>
          {(id, side) => {
            const { air } = document.corners[id];
            return (
              air && (
                <NumberField
                  label={`${label}, ${side.name}`}
                  order={340 + 10 * k + cornerNumbers[id]}
                  draftKey={`${pathKey(job.record.id, ['corners', id, 'air'])}.second.${name}`}
                  quantity={quantity}
                  decimals={1}
                  range={name === 'gaugeBar' ? { ...range, min: airTaken(air).gaugeBar } : range}
                  value={air.second?.[name] ?? null}
                  placeholder="none"
                  onCommit={(value) => {
                    const second =
                      value === null ? null : { ...usual(airTaken(air)), ...air.second, [name]: value };
                    side.change(`${label}, ${side.name}`, [['corners', id, 'air'], { ...air, second }]);
                  }}
                />
              )
            );
          }}
        </CornerRow>
      ))}
    </>
  );
}

function RingRows() {
  const job = useThisJob();
  const { document } = job.record;
  if (!cornersIn(document).some((id) => document.corners[id].rings.length > 0)) return null;
  return (
    <>
      <CornerRow label="Ring and seat" help="whether it goes along when the seat is turned" paths={['rings']}>
        {(id, { name, change }) => {
          const { rings } = document.corners[id];
          const set = (on: string) =>
            change(`Ring and seat, ${name}`, [
              ['corners', id, 'rings'],
              rings.map((ring) => ({ ...ring, on })),
            ]);
          return (
            rings.length > 0 && (
              <Select
                label={`Ring and seat, ${name}`}
                value={rings[0]?.on ?? 'body'}
                options={[
                  { value: 'body', words: 'ring stays on the body' },
                  { value: 'seat', words: 'ring follows the seat' },
                ]}
                onChange={set}
              />
            )
          );
        }}
      </CornerRow>
      <CornerRow label="Gap wanted" help="slider to ring at ride height; empty leaves it" paths={['rings']}>
        {(id, { name, change }) => {
          const { rings } = document.corners[id];
          return rings.map((ring, j) => (
            <NumberField
              key={ring.after}
              label={`Gap wanted, ring ${j + 1}, ${name}`}
              order={400 + 10 * j + cornerNumbers[id]}
              draftKey={`${pathKey(job.record.id, ['corners', id, 'rings'])}.${j}.gap`}
              quantity="length"
              decimals={1}
              range={limits.gapMm}
              value={ring.gapMm}
              onCommit={(gapMm) =>
                change(`Gap wanted, ${name}`, [
                  ['corners', id, 'rings'],
                  rings.map((one, k) => (k === j ? { ...one, gapMm } : one)),
                ])
              }
            />
          ));
        }}
      </CornerRow>
    </>
  );
}
