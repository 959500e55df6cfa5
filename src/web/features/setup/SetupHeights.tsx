import { useState } from 'react';
import { gainGroups, sidesOf, type GainGroup } from '#core/estimate/corner.ts';
import { cornersIn, footingOf } from '#core/kinds/classes/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import type { Json } from '#core/document/types.ts';
import { FactField, ranges, useHeightQuestion, useTargetQuestion } from '../../forms/fields.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { cornerNumbers } from '../../ui/words.ts';
import { ReferenceChoice } from '../intake/ReferenceChoice.tsx';
import { cellSpan, SetupRow } from './SetupGrid.tsx';

/** What the tape reads and from where to where, and what it should read. */
export function SetupHeights({ toStart }: { toStart: () => void }) {
  const { document } = useThisJob().record;
  const corners = cornersIn(document);
  const groups = gainGroups(document);
  const [asked, setAsked] = useState(false);
  // Wheels are read alike all round; on bikes and sleds each end has its own.
  const alike = footingOf(document.machine.class) === 'wheels';
  const isOff = asked || corners.some((id) => document.corners[id].reference.offsetMm !== 0);
  return (
    <>
      {!alike && (
        <SetupRow label="Read by" help="from where to where">
          {groups.map((group) => (
            <div key={group.id} className={cellSpan(group.id)}>
              <ReferenceChoice label={`Height reference, ${group.title}`} corners={sidesOf(group)} />
            </div>
          ))}
        </SetupRow>
      )}
      <SetupRow
        label="Measured height"
        help={
          <>
            {alike && <ReferenceChoice label="Height reference" corners={corners} />}
            {!isOff && (
              <Button look="quiet" onClick={() => setAsked(true)}>
                at another point?
              </Button>
            )}
          </>
        }
      >
        {corners.map((id) => (
          <HeightNow key={id} id={id} />
        ))}
      </SetupRow>
      {isOff && (
        <SetupRow label="Offset" help="added to what the tape reads to reach the sheet’s point">
          {groups.map((group, i) => (
            <GroupOffset key={group.id} group={group} order={7 + i} />
          ))}
        </SetupRow>
      )}
      <SetupRow
        label="Target height"
        help={footingOf(document.machine.class) === 'bikes' ? 'at each end' : 'both sides of an axle'}
      >
        {groups.map((group, i, all) => (
          <GroupTarget
            key={group.id}
            group={group}
            order={11 + i}
            {...(i === all.length - 1 ? { onEnter: toStart } : {})}
          />
        ))}
      </SetupRow>
    </>
  );
}

function HeightNow({ id }: { id: CornerId }) {
  const job = useThisJob();
  const ask = useHeightQuestion(job, id, 0);
  return (
    <FactField
      place={{ kind: 'height', round: 0, corner: id, slot: '1' }}
      label={`Measured height, ${cornerNames[id]}`}
      showLabel="narrow"
      order={cornerNumbers[id]}
      range={ranges.height}
      question={ask('1')}
    />
  );
}

function GroupOffset({ group, order }: { group: GainGroup; order: number }) {
  const job = useThisJob();
  const sides = sidesOf(group);
  const path = (id: CornerId) => ['corners', id, 'reference', 'offsetMm'];
  return (
    <NumberField
      className={cellSpan(group.id)}
      label={`Offset, ${group.title}`}
      showLabel="narrow"
      order={order}
      quantity="length"
      decimals={2}
      range={ranges.offset}
      draftKey={pathKey(job.record.id, ...sides.map(path))}
      value={job.record.document.corners[sides[0]].reference.offsetMm || null}
      onCommit={(mm) =>
        job.actions.change(
          `Offset, ${group.title}`,
          ...sides.map((id): [string[], Json] => [path(id), mm ?? 0]),
        )
      }
    />
  );
}

/** One number for both sides of an axle; each side can be set apart later. */
function GroupTarget({ group, order, onEnter }: { group: GainGroup; order: number; onEnter?: () => void }) {
  const job = useThisJob();
  const sides = sidesOf(group);
  const [first] = sides;
  const ask = useTargetQuestion(job, sides);
  return (
    <NumberField
      question={ask}
      className={cellSpan(group.id)}
      label={`Target height, ${group.title}`}
      showLabel="narrow"
      order={order}
      quantity="length"
      decimals={2}
      range={ranges.height}
      draftKey={pathKey(job.record.id, ...sides.map((id) => ['corners', id, 'targetMm']))}
      value={job.record.document.corners[first].targetMm}
      onCommit={(mm) =>
        job.actions.change(
          `Target, ${group.title}`,
          ...sides.map((id): [string[], Json] => [['corners', id, 'targetMm'], mm]),
        )
      }
      {...(onEnter ? { onEnter } : {})}
    />
  );
}
