import type { RingTrade } from '#core/lab/rings.ts';
import { SizeLength, Plain } from '../../ui/Figure.tsx';
import { Rate } from '../../ui/Rate.tsx';

/** One gap with what it gives in comfort and takes in bottoming, as cells of a row. */
export function TradeCells({ trade }: { trade: RingTrade }) {
  return (
    <>
      <td className="pr-3">
        <SizeLength mm={trade.gapMm} />
      </td>
      <td className="pr-3">
        <Rate nPerMm={trade.softNPerMm} />
      </td>
      <td>
        <Plain value={trade.bottomJ} decimals={0} /> J
      </td>
    </>
  );
}
