import { useMemo } from 'react';
import { analyse } from '#core/analysis/analyse.ts';
import { camPosition } from '#core/document/taken.ts';
import type { JobRecord } from '#core/document/types.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { searchTorsion, type TorsionFit } from '#core/rack/torsion.ts';
import type { RackSpring } from '#core/rack/spring.ts';
import { positionText } from '#words/positions.ts';
import { Length } from '../../ui/Figure.tsx';
import { useTell } from '../../ui/settings.ts';
import { StateMark } from '../../ui/StateMark.tsx';

interface Props {
  record: JobRecord;
  corner: CornerId;
  springs: readonly RackSpring[];
}

/** How its sags stand to their windows there, and which hand of a pair is missing. */
function standWords({ spring, riderIn, aloneIn }: TorsionFit): string {
  if (!riderIn) return 'rider on is out';
  if (aloneIn === false) return 'nobody on is out';
  const words = aloneIn === null ? 'in' : 'both in';
  const side = spring.torsion?.side ?? 'pair';
  return side === 'pair' ? words : `${words}, ${side === 'left' ? 'right' : 'left'} missing`;
}

/** Which torsion springs of the rack do it at a corner, each where its cam would stand. */
export function TorsionAnswers({ record, corner, springs }: Props) {
  const tell = useTell();
  const found = useMemo(() => {
    const { answer } = analyse(record);
    return answer && searchTorsion(answer, corner, springs);
  }, [record, corner, springs]);
  if (!found) return <p className="text-second">Read its sag on the bench, with the rider on, first.</p>;
  if (found.fits.length === 0)
    return (
      <p className="text-second">
        {found.rateless.length > 0
          ? 'The rate of no torsion spring of the rack is known: give it, or its wire, coils and inner diameter.'
          : 'No torsion spring is on the rack.'}
      </p>
    );
  const { torsion } = record.document.corners[corner];
  // One hand of a pair does nothing by itself.
  const isFitting = ({ spring, riderIn, aloneIn }: TorsionFit) =>
    riderIn && aloneIn !== false && spring.torsion?.side === 'pair';
  const doing = found.fits.filter(isFitting).length;
  return (
    <>
      <p className="font-semibold" role="status">
        {doing} of {found.fits.length} torsion springs {doing === 1 ? 'does' : 'do'} it
      </p>
      <table className="mt-3 w-full">
        <caption className="sr-only">Torsion springs of the rack</caption>
        <thead className="label text-second text-left">
          <tr>
            {['spring', 'rate', 'cam at position', 'rider on', 'nobody on', 'in stock', ''].map((title) => (
              <th key={title} className="pr-4 pb-1 font-normal">
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {found.fits.map((fit) => (
            <tr key={fit.spring.id} className="border-rule border-t" data-spring={fit.spring.name}>
              <td className="py-1.5 pr-4 font-semibold">
                {fit.spring.name}
                <span className="label text-second ml-2 font-normal">{fit.spring.torsion?.side}</span>
              </td>
              <td className="pr-4">{tell('torsion', fit.rateNMmPerDeg)}</td>
              <td className="figures pr-4">{positionText(camPosition(torsion, fit.place))}</td>
              <td className="pr-4">
                → <Length mm={fit.riderMm} decimals={0} />
              </td>
              <td className="pr-4">
                → <Length mm={fit.aloneMm} decimals={0} />
              </td>
              <td className="figures pr-4">{fit.spring.stock}</td>
              <td>
                <span className="flex items-center gap-2">
                  <StateMark state={isFitting(fit) ? 'clear' : 'short'} />
                  {standWords(fit)}
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="label text-second mt-3 max-w-[70ch]">
        Both sags are predicted from what was read of this machine. A spring of another maker may wind
        otherwise: read both sags with it in.
      </p>
    </>
  );
}
