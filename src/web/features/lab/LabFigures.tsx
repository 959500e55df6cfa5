import { bottoming, frequencyHz, labMarks } from '#core/lab/curve.ts';
import { sectionAt } from '#core/lab/section.ts';
import { caseTravel, type Bench } from '#core/lab/setup.ts';
import {
  bottomingSum,
  coilSpaceSum,
  dropSum,
  frequencySum,
  restSum,
  takeoverSum,
  wheelRateSum,
} from '#words/explain/labSums.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Length, SizeLength, Plain } from '../../ui/Figure.tsx';
import { Rate } from '../../ui/Rate.tsx';

const dashes = ['', '6 3', '2 3', '7 3 2 3'];

/** The setups side by side: how each stands, when it changes its rate, what it has left. */
export function LabFigures({ benches, current }: { benches: Bench[]; current: number }) {
  return (
    <div className="relative overflow-x-auto">
      <table className="w-full min-w-[560px]">
        <thead className="label text-second text-left">
          <tr>
            {[
              'setup',
              'at rest',
              'wheel rate',
              'frequency',
              'changes at',
              'coil space left',
              'energy to full bump',
              'equivalent drop height',
            ].map((words) => (
              <th key={words} className="pr-3 pb-1 align-bottom font-normal">
                {words}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {benches.map((bench, k) => (
            <Row key={k} bench={bench} k={k} chosen={k === current} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Row({ bench, k, chosen }: { bench: Bench; k: number; chosen: boolean }) {
  const { setup, model } = bench;
  const rest = caseTravel(bench);
  model.evaluate(rest);
  const { rateNPerMm } = model;
  const ring = labMarks(bench).find(({ kind }) => kind === 'ring');
  const { fromRideJ, dropMm } = bottoming(bench);
  const spaces = sectionAt(bench, setup.travelMm).springs.flatMap(({ tender, solidMm, fromMm, toMm }) =>
    tender || solidMm === null ? [] : [toMm - fromMm - solidMm],
  );
  const bound = model.zMax < setup.travelMm - 1e-6;
  return (
    <tr className={`border-rule border-t align-baseline ${chosen ? 'font-semibold' : ''}`}>
      <th className="py-1 pr-3 text-left">
        <svg width="26" height="8" aria-hidden className="mr-1 inline">
          <path
            d="M0 4H26"
            stroke={chosen ? 'var(--action)' : 'var(--ink)'}
            strokeWidth="2"
            strokeDasharray={dashes[k]}
          />
        </svg>
        {setup.name}
      </th>
      <td className="pr-3">
        <SumFigure name={`At rest, ${setup.name}`} sum={() => restSum(bench)}>
          <Length mm={rest} decimals={0} /> · {Math.round((100 * rest) / setup.travelMm)} %
        </SumFigure>
      </td>
      <td className="pr-3">
        <SumFigure name={`Wheel rate, ${setup.name}`} sum={() => wheelRateSum(bench)}>
          <Rate nPerMm={rateNPerMm} />
        </SumFigure>
      </td>
      <td className="pr-3">
        <SumFigure name={`Frequency, ${setup.name}`} sum={() => frequencySum(bench)}>
          <Plain value={frequencyHz(rateNPerMm, setup.cases[0]?.kg ?? NaN)} decimals={2} /> Hz
        </SumFigure>
      </td>
      <td className="pr-3">
        {ring ? (
          <SumFigure name={`Changes at, ${setup.name}`} sum={() => takeoverSum(bench)}>
            <Length mm={ring.travelMm} decimals={0} />
          </SumFigure>
        ) : (
          '–'
        )}
      </td>
      <td className={`pr-3 ${bound ? 'text-short' : ''}`}>
        {spaces.length > 0 ? (
          <SumFigure name={`Coil space left, ${setup.name}`} sum={() => coilSpaceSum(bench)}>
            {bound ? (
              <>
                ● solid <Length mm={setup.travelMm - model.zMax} decimals={0} /> early
              </>
            ) : (
              <SizeLength mm={Math.min(...spaces)} />
            )}
          </SumFigure>
        ) : (
          'solid length?'
        )}
      </td>
      <td className="pr-3">
        <SumFigure name={`Energy to full bump, ${setup.name}`} sum={() => bottomingSum(bench)}>
          <Plain value={fromRideJ} decimals={0} /> J
        </SumFigure>
      </td>
      <td>
        {dropMm === null ? (
          'none'
        ) : (
          <SumFigure name={`Equivalent drop height, ${setup.name}`} sum={() => dropSum(bench)}>
            <Length mm={dropMm} decimals={0} />
          </SumFigure>
        )}
      </td>
    </tr>
  );
}
