import { BY_BLOCK, isByBlock } from './byBlock.ts';
import { RingReadingChoice } from './RingReadingChoice.tsx';
import { limits } from '#contract/limits.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { ringFact, type RingWay } from '#core/kinds/ringWays.ts';
import { isInPlace, ringWork, type RingWork } from '#core/planning/ringWork.ts';
import { FactField, PathField, ranges } from '../../forms/fields.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { SizeLength } from '../../ui/Figure.tsx';
import { capital, cornerNumbers } from '../../ui/words.ts';

interface Way {
  name: string;
  range: { min: number; max: number };
  /** The field of each ring in the corner's description. */
  paths: readonly (readonly string[])[];
}

const ways: Record<RingWay, Way> = {
  gap: { name: 'Gap', range: limits.gapMm, paths: [['ringGapMm'], ['secondRing', 'gapMm']] },
  seat: { name: 'From the seat', range: limits.gapMm, paths: [['ringSeatMm'], ['secondRing', 'seatMm']] },
  edge: { name: 'From the edge', range: ranges.collar, paths: [['ringEdgeMm'], ['secondRing', 'edgeMm']] },
  second: {
    name: 'From the second edge',
    range: ranges.collar,
    paths: [['ringSecondMm'], ['secondRing', 'secondMm']],
  },
};

/** One ring of one corner, in one of the ways. */
type Row = Pick<RingWork, 'id' | 'ring' | 'by'>;

/** Rings whose springs are not known: as found, as wanted, what to do, and done, each by itself. */
export function RingsAsRead() {
  const { record, state } = useThisJob();
  const { by: chosen, perDamper } = record.document.ringReading;
  const corners = cornersIn(record.document).filter((id) => record.document.corners[id].rings.length === 0);
  const work = ringWork(record.document, state);
  if (corners.length === 0) return null;
  const rings = perDamper === 2 ? ([0, 1] as const) : ([0] as const);
  const asChosen: Row[] = corners.flatMap((id) => rings.map((ring) => ({ id, ring, by: chosen })));
  // What is wanted in another way is still wanted.
  const others = work.filter(
    ({ id, ring, by, wantedMm }) => wantedMm !== null && !asChosen.some(isSame({ id, ring, by })),
  );
  return (
    <section aria-label="Rings as read" data-fields className="relative mt-3 overflow-x-auto px-4">
      <RingReadingChoice />
      <table className="w-full wide:min-w-[600px] narrow:block">
        <thead className="label text-second text-left narrow:hidden">
          <tr>
            {['ring', `${ways[chosen].name.toLowerCase()}, as read`, 'wanted', 'to do'].map((head, k) => (
              <th key={head} className={`py-1 font-normal ${k === 0 ? '' : 'px-2'}`}>
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="narrow:block">
          {[...asChosen, ...others].map((row) => (
            <RingRow
              key={row.id + row.ring + row.by}
              row={row}
              work={work.find(isSame(row)) ?? null}
              isOther={row.by !== chosen}
            />
          ))}
        </tbody>
      </table>
    </section>
  );
}

const isSame = (row: Row) => (one: Row) => one.id === row.id && one.ring === row.ring && one.by === row.by;

/** "front left", or "second ring, front left". */
function ringName({ id, ring }: Row): string {
  return ring === 0 ? cornerNames[id] : `second ring, ${cornerNames[id]}`;
}

/** Fields go down one column after the other: read first, then what is wanted. */
const orderOf = ({ id, ring }: Row) => cornerNumbers[id] + 10 * ring;

function RingRow({ row, work, isOther }: { row: Row; work: RingWork | null; isOther: boolean }) {
  const { id, ring, by } = row;
  const { name, paths } = ways[by];
  const where = ringName(row);
  return (
    <tr
      className="border-rule border-t align-top narrow:grid narrow:grid-cols-2 narrow:gap-x-4 narrow:pb-3"
      data-ring={`${id}-${by}${ring === 0 ? '' : '-2'}`}
    >
      <td className="py-2 font-medium narrow:col-span-2">
        {capital(where)}
        {isOther && <span className="label text-second block font-normal">{name.toLowerCase()}</span>}
      </td>
      <td className="w-[20%] px-2 py-1 narrow:w-auto narrow:px-0">
        <AsRead row={row} work={work} />
      </td>
      <td className="w-[20%] px-2 py-1 narrow:w-auto narrow:px-0">
        <span aria-hidden className="label text-second wide:hidden">
          {name} wanted
        </span>
        <PathField
          path={['corners', id, ...(paths[ring] ?? [])]}
          label={`${name} wanted, ${where}`}
          order={100 + orderOf(row)}
        />
      </td>
      <td className="px-2 py-2 narrow:col-span-2 narrow:px-0">
        {work && <Work work={work} where={where} />}
      </td>
    </tr>
  );
}

function AsRead({ row, work }: { row: Row; work: RingWork | null }) {
  const { state } = useThisJob();
  const { id, ring, by } = row;
  const { name, range } = ways[by];
  const isReadHere = state.rounds[state.current]?.ringReads.some(
    (one) => one.corner === id && one.ring === ring && one.by === by,
  );
  return (
    <>
      <FactField
        place={{
          kind: ringFact[by],
          round: state.current,
          corner: id,
          slot: ring === 0 ? 'found' : 'found-2',
        }}
        label={`${name} as read, ${ringName(row)}`}
        showLabel="narrow"
        order={orderOf(row)}
        range={range}
      />
      {work?.readAgain && (
        <p className="label text-tight">
          <SizeLength mm={work.nowMm ?? 0} /> before{' '}
          {work.readAgain === 'ring' ? 'it was set' : 'its seat moved'}: read it again
        </p>
      )}
      {!isReadHere && work && !work.readAgain && work.nowMm !== null && (
        <p className="label text-second">
          <SizeLength mm={work.nowMm} /> {by === 'seat' ? 'as its seat stands now' : 'as read before'}
        </p>
      )}
    </>
  );
}

/** Which way and how far, what proves it, and its being done as a fact. */
function Work({ work, where }: { work: RingWork; where: string }) {
  const { actions, facts, state } = useThisJob();
  const { id, ring, by, wantedMm, moveMm } = work;
  if (wantedMm === null) return <>leave it as it is</>;
  if (isInPlace(work))
    return (
      <span className="font-semibold">
        ✓ {by === 'gap' ? 'at its gap of' : 'stands at'} <SizeLength mm={wantedMm} />
        {isByBlock(facts, work) && ', by block'}
      </span>
    );
  const set = () =>
    actions.record(`Ring set, ${where}`, {
      kind: ringFact[by],
      round: state.current,
      corner: id,
      slot: ring === 0 ? 'set' : 'set-2',
      mm: wantedMm,
      ...(by === 'gap' ? { remark: BY_BLOCK } : {}),
    });
  return (
    <span className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <span className="text-action font-semibold">
        <Towards moveMm={moveMm} by={by} />
      </span>
      <span>
        {by === 'gap' ? 'block of' : 'then it reads'} <SizeLength mm={wantedMm} />
      </span>
      {!state.turning && !state.locked && (
        <Button
          aria-label={`${by === 'gap' ? 'The block goes in' : 'It stands there'}: ${ring === 0 ? `ring, ${where}` : where}`}
          onClick={set}
        >
          {by === 'gap' ? 'It goes in' : 'It stands there'}
        </Button>
      )}
    </span>
  );
}

function Towards({ moveMm, by }: { moveMm: number | null; by: RingWay }) {
  if (moveMm === null) return <>{by === 'gap' ? 'set it by the block' : 'read it first'}</>;
  return (
    <>
      ring <SizeLength mm={Math.abs(moveMm)} /> towards the {moveMm > 0 ? 'slider' : 'seat'}
    </>
  );
}
