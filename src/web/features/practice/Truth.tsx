import type { OpenedTruth, Practice } from '#contract/practice.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { faultWords } from '#words/practice.ts';
import { FineLength, Plain, SizeLength } from '../../ui/Figure.tsx';
import { capital } from '../../ui/words.ts';

/** What the machine really was. */
export function Truth({ practice, truth }: { practice: Practice; truth: OpenedTruth }) {
  return (
    <section aria-label="The truth" className="mt-8">
      <h2 className="border-rule text-head border-b pb-1 font-semibold">What it really was</h2>
      {truth.faults.length > 0 && (
        <ul className="mt-2">
          {truth.faults.map(({ kind, corner }) => (
            <li key={kind} className="border-tight mt-2 border-l-4 px-4">
              <p className="font-semibold">
                {capital(cornerNames[corner])}: {faultWords[kind].what}.
              </p>
              <p className="text-second">{faultWords[kind].seen}</p>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-3 overflow-x-auto">
        <table className="text-left">
          <thead className="label text-second">
            <tr>
              <th className="pr-6 font-normal">Corner</th>
              <th className="pr-6 text-right font-normal">1 mm of every seat raises it</th>
              <th className="pr-6 text-right font-normal">friction holds up to</th>
              <th className="pr-6 text-right font-normal">floor there</th>
              <th className="pr-6 text-right font-normal">its spring will lose</th>
              <th className="text-right font-normal">cap below the centre</th>
            </tr>
          </thead>
          <tbody>
            {truth.corners.map((one) => (
              <tr key={one.corner} className="border-rule border-t">
                <th className="py-1 pr-6 font-semibold">{capital(cornerNames[one.corner])}</th>
                <td className="pr-6 text-right">
                  <Plain value={one.risePerMm} decimals={2} /> mm
                </td>
                <td className="pr-6 text-right">
                  <SizeLength mm={one.frictionMm} />
                </td>
                <td className="pr-6 text-right">
                  <SizeLength mm={one.floorMm} signed />
                </td>
                <td className="pr-6 text-right">
                  <SizeLength mm={one.lossMm} />
                </td>
                <td className="text-right">
                  <Cap practice={practice} corner={one.corner} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function Cap({ practice, corner }: { practice: Practice; corner: CornerId }) {
  const mm = practice.marks[corner];
  return mm === undefined ? '—' : <FineLength mm={mm} signed />;
}
