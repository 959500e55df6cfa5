import { Link } from 'react-router';
import type { Found } from '#core/rack/exact.ts';
import type { SearchProblem } from '#core/rack/problem.ts';
import type { SpringDocument } from '#core/document/spring.ts';
import { asOne, springFromRack, type RackSpring } from '#core/rack/spring.ts';
import { plainSetup, type LabSetup } from '#core/lab/setup.ts';
import { Length, SizeLength, Plain } from '../../ui/Figure.tsx';
import { toLink } from '../lab/labLink.ts';
import { runoutWords } from './obstacleWords.ts';

interface Props {
  problem: SearchProblem;
  found: readonly Found[];
}

/** What does it, most left first, with what each gives. */
export function FoundTable({ problem, found }: Props) {
  return (
    <div className="relative overflow-x-auto">
      <table className="w-full min-w-[620px]">
        <thead className="label text-second text-left">
          <tr>
            <th className="pr-3 font-normal">springs, seat first</th>
            <th className="pr-3 font-normal">sag in each case</th>
            <th className="pr-3 font-normal">preload</th>
            <th className="pr-3 font-normal">ring from seat</th>
            <th className="pr-3 font-normal">over at</th>
            <th className="pr-3 font-normal">frequency</th>
            <th className="pr-3 font-normal">runs out first</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {found.map((one) => (
            <tr
              key={`${one.upper?.id}${one.lower.id}`}
              className="border-rule border-t align-baseline"
              data-found
            >
              <td className="py-1.5 pr-3 font-semibold">
                {one.upper && (
                  <>
                    {one.upper.name} <span className="text-second font-normal">on</span>{' '}
                  </>
                )}
                {one.lower.name}
              </td>
              <td className="figures pr-3">
                {one.sagMm.map((mm, c) => (
                  <span key={c}>
                    {c > 0 && ' · '}
                    <Length mm={mm} decimals={0} bare={c < one.sagMm.length - 1} />
                  </span>
                ))}
              </td>
              <td className="pr-3">
                <SizeLength mm={one.preloadMm} decimals={0} />
              </td>
              <td className="pr-3">
                {one.ring ? <SizeLength mm={one.ring.fromSeatMm} decimals={0} /> : '–'}
              </td>
              <td className="pr-3">
                {one.transitionMm === null ? '–' : <Length mm={one.transitionMm} decimals={0} />}
              </td>
              <td className="pr-3 whitespace-nowrap">
                <Plain value={one.frequencyHz} decimals={2} /> Hz
              </td>
              <td className="pr-3">
                {runoutWords[one.worst]} <Length mm={one.worstMm} />
              </td>
              <td>
                <Link
                  to={`/stack?s=${toLink([setupOf(problem, one)])}`}
                  className="text-action font-semibold whitespace-nowrap underline underline-offset-4"
                  aria-label={`${one.upper ? `${one.upper.name} on ` : ''}${one.lower.name}, as a cross-section in the stack lab`}
                >
                  cross-section
                </Link>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** A spring as it is fitted, with what works beside it; none where its rate is not known. */
function fittedOf(spring: RackSpring | null, sideBySide: number): SpringDocument[] {
  const one = spring && springFromRack(spring);
  return one ? [asOne(one, sideBySide)] : [];
}

/** A combination as a setup for the stack lab. */
function setupOf(problem: SearchProblem, { upper, lower, preloadMm, ring }: Found): LabSetup {
  const { travelMm, ratio, springRatio, stop, gas, cases } = problem;
  return {
    ...plainSetup,
    name: [upper?.name, lower.name].filter(Boolean).join(' on '),
    travelMm,
    ratio,
    springRatio,
    stop,
    gas,
    cases: cases.map(({ name, kg }) => ({ name, kg })),
    springs: [upper, lower].flatMap((spring) => fittedOf(spring, problem.sideBySide)),
    rings: ring ? [{ after: 0, limitMm: ring.limitMm, on: 'seat' }] : [],
    preloadMm,
  };
}
