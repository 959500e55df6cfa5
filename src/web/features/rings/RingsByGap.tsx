import { BY_BLOCK, isByBlock } from './byBlock.ts';
import { limits } from '#contract/limits.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { isAtItsGap, ringsByGap, type RingByGap } from '#core/planning/ringByGap.ts';
import { FactField, PathField } from '../../forms/fields.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { SizeLength } from '../../ui/Figure.tsx';
import { capital, cornerNumbers } from '../../ui/words.ts';

/** Rings of which only the gap is known: as found, as wanted, what to do, and done with a block of that length. */
export function RingsByGap() {
  const { record, state } = useThisJob();
  const corners = cornersIn(record.document).filter((id) => record.document.corners[id].rings.length === 0);
  const rings = new Map(ringsByGap(record.document, state).map((ring) => [ring.id, ring]));
  if (corners.length === 0) return null;
  return (
    <section aria-label="Rings by their gap" data-fields className="relative mt-3 overflow-x-auto px-4">
      <table className="w-full wide:min-w-[600px] narrow:block">
        <thead className="label text-second text-left narrow:hidden">
          <tr>
            {['ring', 'gap as read', 'gap wanted', 'to do'].map((head, k) => (
              <th key={head} className={`py-1 font-normal ${k === 0 ? '' : 'px-2'}`}>
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="narrow:block">
          {corners.map((id) => (
            <GapRow key={id} id={id} ring={rings.get(id) ?? null} />
          ))}
        </tbody>
      </table>
    </section>
  );
}

function GapRow({ id, ring }: { id: CornerId; ring: RingByGap | null }) {
  const { state } = useThisJob();
  const where = cornerNames[id];
  const isSet = state.rounds[state.current]?.ringGaps[id] !== undefined;
  return (
    <tr
      className="border-rule border-t align-top narrow:grid narrow:grid-cols-2 narrow:gap-x-4 narrow:pb-3"
      data-ring={`${id}-gap`}
    >
      <td className="py-2 font-medium narrow:col-span-2">{capital(where)}</td>
      <td className="w-[20%] px-2 py-1 narrow:w-auto narrow:px-0">
        <FactField
          place={{ kind: 'ring-gap', round: state.current, corner: id, slot: 'found' }}
          label={`Gap as read, ${where}`}
          showLabel="narrow"
          order={cornerNumbers[id]}
          range={limits.gapMm}
        />
        {ring?.readAgain && (
          <p className="label text-tight">
            <SizeLength mm={ring.nowMm ?? 0} /> before its seat moved: read it again
          </p>
        )}
        {!isSet && ring && !ring.readAgain && ring.nowMm !== null && (
          <p className="label text-second">
            <SizeLength mm={ring.nowMm} /> as read before
          </p>
        )}
      </td>
      <td className="w-[20%] px-2 py-1 narrow:w-auto narrow:px-0">
        <span aria-hidden className="label text-second wide:hidden">
          Gap wanted
        </span>
        <PathField
          path={['corners', id, 'ringGapMm']}
          label={`Gap wanted, ${where}`}
          order={100 + cornerNumbers[id]}
        />
      </td>
      <td className="px-2 py-2 narrow:col-span-2 narrow:px-0">
        {ring && <GapWork ring={ring} where={where} />}
      </td>
    </tr>
  );
}

/** Which way and how far, the block that proves it, and its being done as a fact. */
function GapWork({ ring, where }: { ring: RingByGap; where: string }) {
  const { actions, facts, state } = useThisJob();
  const { id, wantedMm, moveMm } = ring;
  if (wantedMm === null) return <>leave it as it is</>;
  if (isAtItsGap(ring))
    return (
      <span className="font-semibold">
        ✓ at its gap of <SizeLength mm={wantedMm} />
        {isByBlock(facts, id) && ', by block'}
      </span>
    );
  const set = () =>
    actions.record(`Ring set, ${where}`, {
      kind: 'ring-gap',
      round: state.current,
      corner: id,
      slot: 'set',
      mm: wantedMm,
      remark: BY_BLOCK,
    });
  return (
    <span className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <span className="text-action font-semibold">
        {moveMm === null ? (
          'set it by the block'
        ) : (
          <>
            ring <SizeLength mm={Math.abs(moveMm)} />{' '}
            {moveMm > 0 ? 'nearer to the slider' : 'further from the slider'}
          </>
        )}
      </span>
      <span>
        block of <SizeLength mm={wantedMm} />
      </span>
      {!state.turning && !state.locked && (
        <Button aria-label={`The block goes in: ring, ${where}`} onClick={set}>
          It goes in
        </Button>
      )}
    </span>
  );
}
