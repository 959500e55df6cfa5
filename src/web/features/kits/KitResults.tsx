import { Link } from 'react-router';
import { blankDocument } from '#core/document/create.ts';
import type { MachineClass } from '#core/kinds/classes/index.ts';
import type { Kit } from '#core/kits/kit.ts';
import { kitMemory } from '#core/kits/memory.ts';
import type { KitOutcome } from '#core/kits/outcome.ts';
import { Length, Plain, SizeLength } from '../../ui/Figure.tsx';
import { capital } from '../../ui/words.ts';

interface Props {
  kit: Kit;
  outcomes: readonly KitOutcome[];
}

/** What this shop's jobs with a kit came to, one line each, and what they say of the next. */
export function KitResults({ kit, outcomes }: Props) {
  const own = outcomes.filter((one) => one.kit === kit.id);
  if (own.length === 0)
    return (
      <p className="text-second">
        No job has had this kit yet. What each comes to will stand here, and the next one begins with it.
      </p>
    );
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-right">
        <thead className="label text-second">
          <tr>
            <th className="py-1 text-left font-normal">job</th>
            <th className="text-left font-normal">end</th>
            <th className="pl-4 font-normal">seat put in at</th>
            <th className="pl-4 font-normal">first read</th>
            <th className="pl-4 font-normal">beyond the sheet</th>
            <th className="pl-4 font-normal">damper per wheel</th>
            <th className="pl-4 font-normal">lost on the road</th>
          </tr>
        </thead>
        <tbody>
          {own.map((one) => (
            <tr key={`${one.job}-${one.axle}`} className="border-rule border-t">
              <td className="py-1.5 text-left">
                <Link to={`/jobs/${one.job}/next`} className="text-action underline underline-offset-4">
                  {one.name}
                </Link>
              </td>
              <td className="text-left">{one.axle}</td>
              <td className="pl-4">{one.startMm === null ? 'not read' : <SizeLength mm={one.startMm} />}</td>
              <td className="pl-4">{one.firstMm === null ? '—' : <Length mm={one.firstMm} />}</td>
              <td className="pl-4 font-semibold">
                {one.neededMm === null ? 'not done yet' : <SizeLength mm={one.neededMm} signed />}
              </td>
              <td className="pl-4">
                {one.logRatio === null ? (
                  'not learnt'
                ) : (
                  <>
                    ≈ <Plain value={Math.exp(one.logRatio.value)} decimals={2} /> ±{' '}
                    <Plain value={Math.exp(one.logRatio.value) * one.logRatio.sd} decimals={2} />
                  </>
                )}
              </td>
              <td className="pl-4">
                {one.lost === null ? (
                  'not driven'
                ) : (
                  <>
                    ≈ <SizeLength mm={one.lost.value} /> ± <SizeLength mm={one.lost.sd} />
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {(['front', 'rear'] as const).map((axle) => (
        <Says key={axle} outcomes={own} axle={axle} machineClass={kit.kit.classes[0] ?? 'car'} />
      ))}
    </div>
  );
}

function Says({
  outcomes,
  axle,
  machineClass,
}: {
  outcomes: readonly KitOutcome[];
  axle: 'front' | 'rear';
  machineClass: MachineClass;
}) {
  const memory = kitMemory(outcomes, blankDocument(machineClass, ''), axle);
  if (!memory?.needed) return null;
  const { mean, sd, count } = memory.needed;
  return (
    <p className="mt-2">
      {capital(axle)}, from {count} {count === 1 ? 'job' : 'jobs'}:{' '}
      <b>
        ≈ <SizeLength mm={Math.abs(mean)} /> {mean < 0 ? 'less' : 'more'}
      </b>{' '}
      ± <SizeLength mm={sd} /> of seat than the sheet has.
    </p>
  );
}
