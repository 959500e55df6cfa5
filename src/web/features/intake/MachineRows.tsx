import { collarSeat } from '#core/adjusting/alongDamper.ts';
import { cornerField } from '#core/document/description/corner.ts';
import type { Json } from '#core/document/types.ts';
import { gainGroups } from '#core/estimate/corner.ts';
import { isTurned } from '#core/kinds/adjusters/index.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { suspensionsOf } from '#core/kinds/suspension.ts';
import { axleOf, twinOf, type CornerId } from '#core/kinds/corners.ts';
import { PathField, useTargetQuestion } from '../../forms/fields.tsx';
import { valueAt } from '../../jobStore/draftKeys.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { cornerNumbers } from '../../ui/words.ts';
import { CornerRow, CornerTable, GroupRow } from '../sheet/CornerRow.tsx';
import { CollarChoice } from '../suspension/CollarChoice.tsx';
import { SuspensionChoice } from '../suspension/SuspensionChoice.tsx';
import { FittingChoice } from './FittingChoice.tsx';
import { RatioChoice } from './RatioChoice.tsx';

/** What this machine needs to be worked out: what is wanted, what is fitted, and how far each corner goes. */
export function MachineRows() {
  const { document } = useThisJob().record;
  const turned = cornersIn(document).some((id) => isTurned(document.corners[id].fitting));
  const hung = gainGroups(document).some(
    ({ id }) => suspensionsOf(document.machine.class, axleOf(id)).length > 1,
  );
  return (
    <div data-fields>
      <CornerTable caption="Each corner" numbers axles>
        <TargetRow />
        {hung && (
          <GroupRow label="Suspension" help="narrows how far">
            {(group) => <SuspensionChoice group={group} />}
          </GroupRow>
        )}
        <FittedRow />
        <RatioRow />
        {turned && (
          <CornerRow label="Thread pitch" help="seat travel per turn" paths={['pitchMm', 'fitting']}>
            {(id) => isTurned(document.corners[id].fitting) && <Field id={id} of={['pitchMm']} order={40} />}
          </CornerRow>
        )}
        <CornerRow label="Wheel travel" help="full droop to metal" paths={['travelMm']}>
          {(id) => <Field id={id} of={['travelMm']} order={50} />}
        </CornerRow>
        <CornerRow label="Bump stop takes" help="travel left when it is first touched" paths={['stopMm']}>
          {(id) => <Field id={id} of={['stopMm']} order={60} />}
        </CornerRow>
        {turned && <ThreadRow />}
        {turned && <ThreadLeftRow />}
      </CornerTable>
    </div>
  );
}

function Field({ id, of, order }: { id: CornerId; of: string[]; order: number }) {
  return <PathField path={['corners', id, ...of]} order={order + cornerNumbers[id]} />;
}

function TargetRow() {
  const job = useThisJob();
  const ask = useTargetQuestion(job, cornersIn(job.record.document));
  return (
    <CornerRow
      label="Target height"
      help={
        <>
          as the sheet states it <SameAllRound path={['targetMm']} label="Target height" />
        </>
      }
      paths={['targetMm']}
    >
      {(id) => <PathField path={['corners', id, 'targetMm']} question={ask} order={10 + cornerNumbers[id]} />}
    </CornerRow>
  );
}

/** What is moved by hand and where its collar sits, by picture; one of each for an axle that is alike. */
function FittedRow() {
  const { document } = useThisJob().record;
  const sits = cornersIn(document).some((id) => collarSeat(document, id));
  return (
    <CornerRow
      label="What is turned"
      help={sits ? 'and where its collar sits' : 'pick the picture'}
      paths={['fitting', 'collarAt']}
      own
    >
      {(id, { name }) => (
        <div className="grid grid-cols-[repeat(auto-fit,minmax(120px,1fr))] gap-x-4">
          <FittingChoice id={id} axle={name} />
          <CollarChoice id={id} title={name} />
        </div>
      )}
    </CornerRow>
  );
}

function RatioRow() {
  return (
    <CornerRow
      label="Motion ratio"
      help={
        <>
          damper per wheel: 0.5 or 2:1 <SameAllRound path={['ratio']} label="Motion ratio" />
        </>
      }
      paths={['ratio', 'ratioFrom']}
    >
      {(id) => (
        <div className="grid grid-cols-[repeat(auto-fit,minmax(110px,1fr))] gap-x-4">
          <Field id={id} of={['ratio']} order={30} />
          <RatioChoice id={id} />
        </div>
      )}
    </CornerRow>
  );
}

/** Where good thread begins and ends. The two bound each other, so that the field itself refuses what crosses. */
function ThreadRow() {
  const { document } = useThisJob().record;
  const { range } = cornerField.fields.collar.fields.minMm;
  return (
    <CornerRow
      label="Good thread"
      help="collar reading from, to"
      paths={['collar.minMm', 'collar.maxMm', 'fitting']}
    >
      {(id) => {
        const { collar, fitting } = document.corners[id];
        return (
          isTurned(fitting) && (
            <div className="grid grid-cols-[repeat(auto-fit,minmax(104px,1fr))] gap-x-3 narrow:grid-cols-1">
              <PathField
                path={['corners', id, 'collar', 'minMm']}
                placeholder="from"
                order={70 + cornerNumbers[id]}
                range={{ ...range, max: collar.maxMm ?? range.max }}
              />
              <PathField
                path={['corners', id, 'collar', 'maxMm']}
                placeholder="to"
                order={70.5 + cornerNumbers[id]}
                range={{ ...range, min: collar.minMm ?? range.min }}
              />
            </div>
          )
        );
      }}
    </CornerRow>
  );
}

/** Thread left as it was found, measured beside the seat: said in place of the collar's limits. */
function ThreadLeftRow() {
  const { document } = useThisJob().record;
  return (
    <CornerRow
      label="Thread left"
      help="towards the spring, away from it"
      paths={['threadUpMm', 'threadDownMm', 'fitting']}
    >
      {(id) =>
        isTurned(document.corners[id].fitting) && (
          <div className="grid grid-cols-[repeat(auto-fit,minmax(104px,1fr))] gap-x-3 narrow:grid-cols-1">
            {(['threadUpMm', 'threadDownMm'] as const).map((key, k) => (
              <PathField
                key={key}
                path={['corners', id, key]}
                placeholder={k === 0 ? 'towards' : 'away'}
                order={71 + cornerNumbers[id] + 0.5 * k}
              />
            ))}
          </div>
        )
      }
    </CornerRow>
  );
}

/** Copies the first corner's value to the others. */
function SameAllRound({ path, label }: { path: string[]; label: string }) {
  const job = useThisJob();
  const { document } = job.record;
  const [first = 'LF', ...rest] = cornersIn(document);
  const at = (id: CornerId) => valueAt(document, ['corners', id, ...path]);
  const others = rest.filter((id) => at(id) !== at(first));
  // Where every corner has a value of its own, an axle's difference is meant: no offer to level it.
  if (at(first) === null || !others.some((id) => at(id) === null)) return null;
  const copy = () =>
    job.actions.change(
      `${label} alike all round`,
      ...others.map((id): [string[], Json] => [['corners', id, ...path], at(first)]),
    );
  return (
    <button
      type="button"
      onClick={copy}
      className="text-action label min-h-6 font-semibold underline underline-offset-4"
    >
      {twinOf(first) && at(twinOf(first) ?? first) === at(first) ? 'rear as front' : 'as 1 all round'}
    </button>
  );
}
