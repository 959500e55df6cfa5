import { FromSecondEdge } from '../job/SecondEdge.tsx';
import { camPosition } from '#core/document/taken.ts';
import { useTell } from '../../ui/settings.ts';
import { JobContext, useThisJob } from '../../jobStore/jobContext.ts';
import { Link, useParams } from 'react-router';
import { dayWords } from '#words/day.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { bookPages, type BookPage } from '#core/sag/book.ts';
import { useJob } from '../../jobStore/useJob.ts';
import { PitchAssumed, SeatMove, airMove } from '../job/MoveWords.tsx';
import { capital } from '../../ui/words.ts';
import { ShopHead } from '../sheet/ShopHead.tsx';
import { Button } from '../../ui/Button.tsx';
import { Length, SizeLength } from '../../ui/Figure.tsx';

/** A card for each rider, to print, cut out and keep under the seat. */
export function RiderCards() {
  const { id = '' } = useParams();
  const { job } = useJob(id);
  if (!job) return <main className="p-6">Loading the job …</main>;
  const { answer } = job;
  const pages = answer ? bookPages(answer) : [];
  const { name } = job.record.document;
  return (
    <JobContext value={job}>
      <main className="mx-auto w-full max-w-[820px] p-6 print:p-0">
        <title>{`${name}, riders · Margin`}</title>
        <div className="flex items-center justify-between gap-4 print:hidden">
          <h1 className="text-head font-semibold">Cards for riders</h1>
          <span className="flex items-center gap-5">
            <Link to={`/jobs/${id}/sag`} className="text-action font-semibold underline underline-offset-4">
              Back to the bench
            </Link>
            <Button look="main" onClick={() => window.print()}>
              Print
            </Button>
          </span>
        </div>
        {pages.length === 0 && <p className="text-second mt-4">Nothing is read on the bench yet.</p>}
        <div className="mt-4 grid grid-cols-2 gap-4 max-sm:grid-cols-1">
          {pages.map((page) => (
            <Card key={page.rider.key} page={page} />
          ))}
        </div>
      </main>
    </JobContext>
  );
}

function Card({ page: { rider, ends } }: { page: BookPage }) {
  const { document, entries } = useThisJob().record;
  const { name, machine } = document;
  const read = entries.at(-1)?.at;
  const tell = useTell();
  return (
    <section className="bg-sheet border-ink break-inside-avoid border p-4 print:bg-white">
      <ShopHead />
      <h2 className="text-head font-semibold">{capital(rider.name)}</h2>
      <p className="label text-second">
        {name}
        {machine.title && `, ${machine.title}`} ·{' '}
        {rider.kg === null ? 'not weighed' : `${tell('mass', rider.kg)} in gear`}
        {rider.passengerKg > 0 && `, passenger ${tell('mass', rider.passengerKg)}`}
        {rider.luggageKg > 0 && `, luggage ${tell('mass', rider.luggageKg)}`}
      </p>
      <table className="mt-2 w-full">
        <thead className="label text-second text-left">
          <tr>
            <th className="font-normal">end</th>
            <th className="font-normal">set to</th>
            <th className="font-normal">rider sag, predicted</th>
          </tr>
        </thead>
        <tbody>
          {ends.map((end) => (
            <EndRow key={end.id} end={end} />
          ))}
        </tbody>
      </table>
      <p className="label text-second mt-2">
        Turns count from the setting of {read ? dayWords(read) : 'the day it was read'}.
      </p>
    </section>
  );
}

/** Where an end's adjuster goes for this rider, and the sag that it then has. */
function EndRow({ end: { id, corner, sagMm, sdMm } }: { end: BookPage['ends'][number] }) {
  const { document } = useThisJob().record;
  return (
    <tr className="border-rule border-t">
      <td className="py-1 pr-2">{cornerNames[id]}</td>
      <td className="py-1 pr-2 font-semibold">
        {corner.stopAtMm !== null ? (
          <>
            reads <SizeLength mm={corner.stopAtMm} />
            <FromSecondEdge id={id} mm={corner.stopAtMm} />
          </>
        ) : corner.seatBy === 0 ? (
          'as on the day'
        ) : (
          <>
            <SeatMove
              turns={corner.turns}
              steps={corner.steps}
              fitting={document.corners[id].fitting}
              cam={corner.cam && camPosition(document.corners[corner.id].torsion, corner.cam.after)}
              air={airMove(corner.airBar)}
              id={id}
            />
            {!corner.cam && !corner.airBar && (
              <PitchAssumed pitch={corner.spec.pitchMm} steps={corner.steps} />
            )}
          </>
        )}
      </td>
      <td className="py-1">
        → <Length mm={sagMm} decimals={0} bare /> ± <SizeLength mm={sdMm} />
      </td>
    </tr>
  );
}
