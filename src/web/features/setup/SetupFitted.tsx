import { gainGroups, assumedRatio, type GainGroup } from '#core/estimate/corner.ts';
import { mountOfPitch } from '#core/document/fitting.ts';
import { isMountAsked, isTurned } from '#core/kinds/adjusters/index.ts';
import { classDefaults, cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames, twinOf } from '#core/kinds/corners.ts';
import type { Json } from '#core/document/types.ts';
import { FactField, PathField, ranges } from '../../forms/fields.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { cornerNumbers } from '../../ui/words.ts';
import { FittingChoice } from '../intake/FittingChoice.tsx';
import { CollarChoice } from '../suspension/CollarChoice.tsx';
import { SuspensionChoice } from '../suspension/SuspensionChoice.tsx';
import { cellSpan, SetupRow } from './SetupGrid.tsx';
import { sidesOf } from '#core/estimate/corner.ts';

/** Two beside one another where a column is wide enough for both. */
const SIDE_BY_SIDE = 'grid grid-cols-[repeat(auto-fit,minmax(140px,1fr))] gap-x-4';

/** What hangs each end, what is turned there and where it sits: by picture, for both sides of an axle at once. */
export function SetupFitted() {
  const { document } = useThisJob().record;
  return (
    <SetupRow label="What is fitted" help="says which way, and narrows how far">
      {gainGroups(document).map((group) => (
        <div key={group.id} className={cellSpan(group.id)}>
          {twinOf(group.id) ? (
            <p className="label text-second pb-1">{group.title}, both sides</p>
          ) : (
            <p className="label text-second wide:hidden">{group.title}</p>
          )}
          <SuspensionChoice group={group} />
          <div className={SIDE_BY_SIDE}>
            <FittingChoice id={group.id} axle={group.title} />
            <CollarChoice id={group.id} title={group.title} />
          </div>
        </div>
      ))}
    </SetupRow>
  );
}

/** The caliper's reading at each collar. */
export function SetupCollars() {
  const { document } = useThisJob().record;
  const turned = cornersIn(document).filter((id) => isTurned(document.corners[id].fitting));
  if (turned.length === 0) return null;
  return (
    <SetupRow label="Collar reads" help="if you have a caliper there">
      {cornersIn(document).map((id) =>
        turned.includes(id) ? (
          <FactField
            key={id}
            place={{ kind: 'collar', round: 0, corner: id, slot: 'now' }}
            label={`Collar reads, ${cornerNames[id]}`}
            showLabel="narrow"
            order={20 + cornerNumbers[id]}
            range={ranges.collar}
          />
        ) : (
          <span key={id} />
        ),
      )}
    </SetupRow>
  );
}

/** What was assumed to get there, to be typed over; each end by itself. */
export function SetupAssumed() {
  const { document } = useThisJob().record;
  return (
    <SetupRow
      label="Assumed"
      help={
        <>
          type over what you know: ratio 0.5 or 2:1, pitch per turn
          <PathField path={['toleranceMm']} label="Tolerance ±" showLabel order={40} />
        </>
      }
    >
      {gainGroups(document).map((group, i) => (
        <div key={group.id} className={`${SIDE_BY_SIDE} ${cellSpan(group.id)}`}>
          <GroupField group={group} name="ratio" order={31 + 2 * i} />
          {isTurned(document.corners[group.id].fitting) && (
            <GroupField group={group} name="pitchMm" order={32 + 2 * i} />
          )}
          {isMountAsked(document.corners[group.id].fitting) && (
            <GroupMountPitch group={group} order={36 + i} />
          )}
        </div>
      ))}
    </SetupRow>
  );
}

/** Without its pitch there is no mount to turn: until it is given the collar is told. */
function GroupMountPitch({ group, order }: { group: GainGroup; order: number }) {
  const job = useThisJob();
  const { corners } = job.record.document;
  const sides = sidesOf(group);
  return (
    <NumberField
      label={`Mount pitch, ${group.title}`}
      showLabel
      order={order}
      quantity="size"
      decimals={2}
      range={ranges.pitch}
      placeholder="then it is turned"
      draftKey={pathKey(job.record.id, ...sides.map((id) => ['corners', id, 'mount', 'pitchMm']))}
      value={corners[sides[0]].mount?.pitchMm ?? null}
      onCommit={(pitchMm) =>
        job.actions.change(
          `Mount pitch, ${group.title}`,
          ...sides.map((id): [string[], Json] => [
            ['corners', id, 'mount'],
            pitchMm === null ? null : { ...(corners[id].mount ?? mountOfPitch(pitchMm)), pitchMm },
          ]),
        )
      }
    />
  );
}

function GroupField({ group, name, order }: { group: GainGroup; name: 'ratio' | 'pitchMm'; order: number }) {
  const job = useThisJob();
  const { document } = job.record;
  const sides = sidesOf(group);
  const [first] = sides;
  const ratio = name === 'ratio';
  return (
    <NumberField
      label={`${ratio ? 'Ratio' : 'Pitch'}, ${group.title}`}
      showLabel
      order={order}
      quantity={ratio ? 'ratio' : 'size'}
      decimals={2}
      range={ratio ? ranges.ratio : ranges.pitch}
      draftKey={pathKey(job.record.id, ...sides.map((id) => ['corners', id, name]))}
      assumed={ratio ? assumedRatio(document, first) : classDefaults[document.machine.class].pitchMm}
      value={document.corners[first][name]}
      onCommit={(value) =>
        job.actions.change(
          `${ratio ? 'Motion ratio' : 'Thread pitch'}, ${group.title}`,
          ...sides.map((id): [string[], Json] => [['corners', id, name], value]),
        )
      }
    />
  );
}
