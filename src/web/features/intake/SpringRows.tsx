import { useThisJob } from '../../jobStore/jobContext.ts';
import { Plus, X } from 'lucide-react';
import { blankSpring, type SpringDocument } from '#core/document/spring.ts';
import type { Json, RingDocument } from '#core/document/types.ts';
import { axleOf, twinOf, type CornerId } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { limits } from '#contract/limits.ts';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { cornerNumbers } from '../../ui/words.ts';
import type { QuantityName, Range } from '../../forms/quantity.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { useSides } from '../../jobStore/bothSides.tsx';
import { CornerRow } from '../sheet/CornerRow.tsx';
import { RackPick } from './RackPick.tsx';

type SpringNumber = 'rateNPerMm' | 'freeLengthMm' | 'solidLengthMm';

interface SpringRowProps {
  index: number;
  label: string;
  help: string;
  name: SpringNumber;
  quantity: QuantityName;
  range: Range;
}

/** One figure of the springs of every corner, from the seat outwards. */
export function SpringRow({ index, label, help, name, quantity, range }: SpringRowProps) {
  const job = useThisJob();
  return (
    <CornerRow label={label} help={help} paths={['springs']}>
      {(id, side) => {
        const { springs } = job.record.document.corners[id];
        const shown = springs.length > 0 ? springs : [blankSpring];
        const path = ['corners', id, 'springs'];
        return shown.map((spring, k) => {
          const words = [label, springs.length > 1 ? `spring ${k + 1}` : null, side.name];
          const named = words.filter(Boolean).join(', ');
          return (
            <NumberField
              key={k}
              label={named}
              draftKey={`${pathKey(job.record.id, path)}.${k}.${name}`}
              quantity={quantity}
              decimals={2}
              range={springRange(spring, name, range)}
              order={100 * (index + 1) + 10 * k + cornerNumbers[id]}
              value={spring[name]}
              placeholder={name === 'rateNPerMm' && k > 0 ? 'not counted yet' : undefined}
              onCommit={(value) =>
                side.change(named, [path, withFigure(shown, k, `${axleOf(id)} spring`, { [name]: value })])
              }
            />
          );
        });
      }}
    </CornerRow>
  );
}

/** The springs of a corner with one figure changed; none when nothing is left of the only one. */
function withFigure(
  springs: readonly SpringDocument[],
  k: number,
  name: string,
  figure: Partial<SpringDocument>,
): Json {
  const changed = springs.map((one, j) => (j === k ? { ...one, name: one.name || name, ...figure } : one));
  const [only] = changed;
  const empty =
    changed.length === 1 &&
    only?.rateNPerMm === null &&
    only.freeLengthMm === null &&
    only.solidLengthMm === null;
  return empty ? [] : changed;
}

/** Free and solid length bound each other, so that the field itself refuses what crosses. */
function springRange(
  { freeLengthMm, solidLengthMm }: SpringDocument,
  name: SpringNumber,
  range: Range,
): Range {
  if (name === 'freeLengthMm' && solidLengthMm !== null) return { ...range, min: solidLengthMm + 1 };
  return name === 'solidLengthMm' && freeLengthMm !== null ? { ...range, max: freeLengthMm - 1 } : range;
}

/** A corner's springs as a stack: another one on top, the last taken off, and the ring between two. */
export function MoreSprings() {
  const job = useThisJob();
  const { corners } = job.record.document;
  const stacked = cornersIn(job.record.document).some((id) => corners[id].springs.length > 1);
  return (
    <>
      <CornerRow label="Springs in the stack" help="from the seat outwards" paths={['springs', 'rings']}>
        {(id) => <StackSize id={id} />}
      </CornerRow>
      {stacked && (
        <CornerRow
          label="Tender or helper"
          help="soft, goes solid early, only keeps things in place"
          paths={['springs']}
        >
          {(id, { name, change }) =>
            corners[id].springs.length > 1 &&
            corners[id].springs.map((spring, k) => (
              <label key={k} className="flex min-h-9 cursor-pointer items-center gap-2">
                <input
                  type="checkbox"
                  className="accent-action size-4"
                  aria-label={`Spring ${k + 1} is a tender, ${name}`}
                  checked={spring.tender}
                  onChange={(event) =>
                    change(`Tender, ${name}`, [
                      ['corners', id, 'springs'],
                      corners[id].springs.map((one, j) =>
                        j === k ? { ...one, tender: event.target.checked } : one,
                      ),
                    ])
                  }
                />
                spring {k + 1}
              </label>
            ))
          }
        </CornerRow>
      )}
      {stacked && (
        <CornerRow
          label="Ring stops the slider"
          help="once the springs above have closed by so much"
          paths={['springs', 'rings']}
        >
          {(id) =>
            corners[id].springs.slice(1).map((_, after) => <RingLimit key={after} id={id} after={after} />)
          }
        </CornerRow>
      )}
    </>
  );
}

function StackSize({ id }: { id: CornerId }) {
  const job = useThisJob();
  const where = useSides().named(id);
  const { springs, rings } = job.record.document.corners[id];
  const count = springs.length;
  const put = (label: string, next: SpringDocument[]) => {
    const standing = rings.filter(({ after }) => after < next.length - 1);
    const twin = twinOf(id);
    // Both sides of an axle are built alike, as long as they are alike before.
    const alike =
      twin && JSON.stringify(job.record.document.corners[twin].springs) === JSON.stringify(springs);
    job.actions.change(
      label,
      ...(alike ? [id, twin] : [id]).flatMap((one): [string[], Json][] => [
        [['corners', one, 'springs'], next],
        [['corners', one, 'rings'], standing],
      ]),
    );
  };
  const button = 'text-action inline-flex size-9 items-center justify-center';
  return (
    <span className="flex flex-wrap items-center gap-x-1">
      <span className="figures w-4">{count}</span>
      {count > 0 && count < limits.springsPerCorner && (
        <button
          type="button"
          className={button}
          aria-label={`One spring more, ${where}`}
          onClick={() =>
            put(`Another spring, ${where}`, [...springs, { ...blankSpring, name: `spring ${count + 1}` }])
          }
        >
          <Plus aria-hidden size={16} />
        </button>
      )}
      {count > 1 && (
        <button
          type="button"
          className={button}
          aria-label={`One spring fewer, ${where}`}
          onClick={() => put(`A spring fewer, ${where}`, springs.slice(0, -1))}
        >
          <X aria-hidden size={16} />
        </button>
      )}
      <RackPick id={id} />
    </span>
  );
}

/** Where the ring behind a slider stands; emptied, there is none. */
function RingLimit({ id, after }: { id: CornerId; after: number }) {
  const job = useThisJob();
  const { rings } = job.record.document.corners[id];
  const ring = rings.find((one) => one.after === after);
  const label = `Ring ${after + 1} stops the slider, ${useSides().named(id)}`;
  const put = (limitMm: number | null) => {
    const others = rings.filter((one) => one.after !== after);
    const next: RingDocument[] =
      limitMm === null
        ? others
        : [...others, { on: 'body' as const, gapMm: null, ...ring, after, limitMm }].sort(
            (a, b) => a.after - b.after,
          );
    job.actions.change(label, [['corners', id, 'rings'], next]);
  };
  return (
    <NumberField
      label={label}
      draftKey={`${pathKey(job.record.id, ['corners', id, 'rings'])}.${after}.limit`}
      quantity="size"
      decimals={1}
      range={{ min: -300, max: 1000 }}
      order={450 + 10 * after + cornerNumbers[id]}
      value={ring?.limitMm ?? null}
      placeholder="no ring"
      onCommit={put}
    />
  );
}
