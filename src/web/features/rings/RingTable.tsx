import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { factAt } from '#core/document/facts.ts';
import { benchFrom } from '#core/lab/fromJob.ts';
import { ringPlaces, type RingWish } from '#core/lab/rings.ts';
import { type Bench } from '#core/lab/setup.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { isOffItsGap, type CornerAnswer, type RingAnswer } from '#core/planning/cornerAnswer.ts';
import { bareLength } from '#core/units/formatLength.ts';
import type { LengthSystem } from '#core/units/parseLength.ts';
import { limits } from '#contract/limits.ts';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { capital, cornerNumbers } from '../../ui/words.ts';
import { RingMove } from '../job/MoveWords.tsx';
import { Button } from '../../ui/Button.tsx';
import { useLengthStyle } from '../../ui/settings.ts';
import { SizeLength } from '../../ui/Figure.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { RingWarnings } from '../lab/RingFields.tsx';
import { gapFor, useGap } from './ringGap.ts';

/** The ways of saying where a ring is wanted, in the order of their fields. */
const wishHeads = (unit: LengthSystem) => [
  `gap wanted, ${unit}`,
  `or from the seat, ${unit}`,
  `or from the datum, ${unit}`,
  'or share of bump, %',
];

interface TableProps {
  answer: Answer;
  ringed: CornerAnswer[];
}

/** Every ring: where it is wanted, said in any of the ways, what there is to do, and the block that proves it. */
export function RingTable({ answer, ringed }: TableProps) {
  const unit = useLengthStyle().system;
  const heads = ['ring', 'to do', 'proof', ...wishHeads(unit)];
  return (
    <div data-fields className="relative mt-3 overflow-x-auto px-4">
      <table className="w-full wide:min-w-[700px] narrow:block">
        <thead className="label text-second text-left narrow:hidden">
          <tr>
            {heads.map((head, k) => (
              <th key={head} className={`py-1 align-bottom font-normal ${k === 0 ? '' : 'px-2'}`}>
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="narrow:block">
          {ringed.flatMap(({ id, rings }) => {
            const bench = benchFrom(answer, id, cornerNames[id]);
            return rings.map((ring, k) => (
              <RingRow key={id + String(k)} id={id} k={k} ring={ring} bench={bench} />
            ));
          })}
        </tbody>
      </table>
    </div>
  );
}

interface RowProps {
  id: CornerId;
  k: number;
  ring: RingAnswer;
  bench: Bench | null;
}

function RingRow({ id, k, ring, bench }: RowProps) {
  const job = useThisJob();
  const where = `ring ${ring.after + 1}, ${cornerNames[id]}`;
  const setGap = useGap(job, id, k, ring.after);
  const style = useLengthStyle(0);
  const heads = wishHeads(style.system);
  const key = `${pathKey(job.record.id, ['corners', id, 'rings'])}.${k}`;
  const places = bench && ringPlaces(bench, k);
  const wish = (by: RingWish['by']) => (value: number | null) => {
    if (value === null) return setGap(null);
    const gap = bench && gapFor(bench, k, by === 'bump' ? { by, share: value } : { by, mm: value });
    if (gap !== null) setGap(gap);
  };
  const ways = [
    { by: 'gap', label: 'Gap wanted', name: 'gap', quantity: 'length', range: limits.gapMm, now: ring.gapMm, set: ring.wantedMm },
    { by: 'seat', label: 'Place from the seat', name: 'seat', quantity: 'size', range: { min: -300, max: 1500 }, now: places?.fromSeatMm ?? null, set: null },
    { by: 'datum', label: 'Place from the datum', name: 'datum', quantity: 'size', range: { min: -1500, max: 2500 }, now: places?.readsMm ?? null, set: null },
    { by: 'bump', label: 'Share of bump', name: 'share', quantity: 'share', range: { min: 0.01, max: 1 }, now: places?.ofBump ?? null, set: null },
  ] as const; // oxfmt-ignore
  return (
    <tr
      className="border-rule relative border-t align-top narrow:grid narrow:grid-cols-2 narrow:gap-x-4 narrow:pb-3"
      data-ring={`${id}-${k}`}
    >
      <td className="py-2 font-medium narrow:col-span-2">
        {capital(cornerNames[id])}
        <span className="label text-second block font-normal">
          ring {ring.after + 1}, {ring.follows ? 'goes with the seat' : 'stays on the body'}
        </span>
        {bench && (
          <span className="label block font-normal">
            <RingWarnings bench={bench} j={k} />
          </span>
        )}
      </td>
      <td className="px-2 py-2 narrow:px-0">
        <Work id={id} ring={ring} k={k} where={where} />
      </td>
      <td className="px-2 py-2 narrow:px-0">
        <Block id={id} k={k} gapMm={ring.wantedMm ?? ring.gapMm} where={where} />
      </td>
      {ways.map(({ by, label, name, quantity, range, now, set }, column) => (
        <td key={by} className="w-[11%] px-2 py-1 narrow:w-auto narrow:px-0">
          <span aria-hidden className="label text-second wide:hidden">
            {heads[column]}
          </span>
          {(by === 'gap' || bench) && (
            <NumberField
              narrow
              label={`${label}, ${where}`}
              order={100 * column + 10 * k + cornerNumbers[id]}
              draftKey={`${key}.${name}`}
              quantity={quantity}
              decimals={1}
              showUnit={false}
              range={range}
              // What was asked for stands in every way of saying it; what merely is shows as such.
              value={by === 'gap' ? set : ring.wantedMm === null ? null : now}
              placeholder={
                now === null
                  ? by === 'bump'
                    ? 'never'
                    : '?'
                  : `${by === 'bump' ? Math.round(100 * now) : bareLength(now, style)} now`
              }
              onCommit={by === 'gap' ? setGap : wish(by)}
            />
          )}
        </td>
      ))}
    </tr>
  );
}

/** What is left to move; done, it is a fact of this round. */
function Work({ id, ring, k, where }: Omit<RowProps, 'bench'> & { where: string }) {
  const job = useThisJob();
  const place = { kind: 'ring' as const, round: job.state.current, corner: id, slot: String(k) };
  const before = factAt(job.facts, place)?.fact.mm ?? 0;
  if (!isOffItsGap(ring))
    return (
      <span className="font-semibold">{ring.wantedMm === null ? 'leave' : <span>✓ at its gap</span>}</span>
    );
  return (
    <span className="flex flex-wrap items-center gap-2">
      <span className="text-action font-semibold">
        <RingMove slider={ring.after} moveMm={ring.moveMm} />
      </span>
      {!job.state.turning && !job.state.locked && (
        <Button
          aria-label={`Set: ${where}`}
          onClick={() =>
            job.actions.record(`Ring set, ${where}`, {
              ...place,
              mm: before + ring.moveMm,
              askedMm: before + ring.moveMm,
            })
          }
        >
          Set
        </Button>
      )}
    </span>
  );
}

/** A block of the gap's length that goes in is the proof. */
function Block({ id, k, gapMm, where }: { id: CornerId; k: number; gapMm: number; where: string }) {
  const job = useThisJob();
  const place = { kind: 'check' as const, round: job.state.current, corner: null, slot: `ring-${id}-${k}` };
  const done = factAt(job.facts, place)?.fact.how === 'done';
  return (
    <label className="flex min-h-9 cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        className="accent-action size-5"
        checked={done}
        aria-label={`The block goes in: ${where}`}
        onChange={() =>
          done
            ? job.actions.clear(`Block taken back, ${where}`, place)
            : job.actions.record(`Block goes in, ${where}`, { ...place, how: 'done' })
        }
      />
      <span>
        a block of <SizeLength mm={gapMm} decimals={0} /> goes in
      </span>
    </label>
  );
}
