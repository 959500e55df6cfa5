import { Plus, X } from 'lucide-react';
import { Fragment } from 'react';
import {
  holdRing,
  placeRing,
  ringPlaces,
  ringTrade,
  ringWarnings,
  TOUCHING_MM,
  type RingWarning,
  type RingWish,
} from '#core/lab/rings.ts';
import { caseTravel, type Bench, type LabSetup } from '#core/lab/setup.ts';
import { limits } from '#contract/limits.ts';
import { Length, SizeLength } from '../../ui/Figure.tsx';
import { LabField } from './LabField.tsx';
import { TradeCells } from './TradeCells.tsx';

interface Props {
  bench: Bench;
  index: number;
  change: (next: LabSetup) => void;
}

/** Every ring in the three ways of stating it, what it trades, and whether it follows the seat. */
export function RingFields({ bench, index, change }: Props) {
  const { setup } = bench;
  const sliders = setup.springs.slice(1).map((_, after) => after);
  if (sliders.length === 0)
    return <p className="text-second">Rings stop the slider between two springs: there is one spring.</p>;
  return (
    <div data-fields>
      {sliders.map((after) => {
        const j = setup.rings.findIndex((ring) => ring.after === after);
        return (
          <Fragment key={after}>
            {j < 0 ? (
              <button
                type="button"
                className="text-action inline-flex min-h-9 items-center gap-1 font-semibold"
                onClick={() => change(withRing(bench, after))}
              >
                <Plus size={15} aria-hidden /> Ring for slider {after + 1}
              </button>
            ) : (
              <Ring bench={bench} index={index} change={change} j={j} />
            )}
          </Fragment>
        );
      })}
    </div>
  );
}

/** A new ring that takes over halfway through the bump travel left. */
function withRing(bench: Bench, after: number): LabSetup {
  const rings = [...bench.setup.rings, { after, limitMm: 0, on: 'seat' as const }].sort(
    (a, b) => a.after - b.after,
  );
  const j = rings.findIndex((ring) => ring.after === after);
  return placeRing({ ...bench, setup: { ...bench.setup, rings } }, j, { by: 'bump', share: 0.5 });
}

function Ring({ bench, index, change, j }: Props & { j: number }) {
  const { setup } = bench;
  const ring = setup.rings[j];
  const places = ringPlaces(bench, j);
  const put = (wish: RingWish) => change(placeRing(bench, j, wish));
  if (!ring) return null;
  const named = `ring ${ring.after + 1}`;
  const shared = { setup: index, decimals: 1 };
  return (
    <section aria-label={named} className="border-rule border-t pt-2 first:border-t-0 first:pt-0">
      <div className="flex items-center gap-3">
        <h4 className="font-semibold">Ring {ring.after + 1}</h4>
        <label className="text-second flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-action size-4"
            checked={ring.on === 'seat'}
            onChange={(event) => change(holdRing(setup, j, event.target.checked ? 'seat' : 'body'))}
          />
          follows the seat
        </label>
        <button
          type="button"
          aria-label={`Take ${named} off`}
          className="text-second ml-auto inline-flex size-9 items-center justify-center"
          onClick={() => change({ ...setup, rings: setup.rings.filter((_, k) => k !== j) })}
        >
          <X size={16} aria-hidden />
        </button>
      </div>
      <div className="relative grid grid-cols-4 gap-x-4 max-sm:grid-cols-2">
        <LabField
          {...shared}
          label="Gap at ride height"
          name={`rings.${j}.gap`}
          order={90 + 4 * j}
          quantity="size"
          range={limits.gapMm}
          value={Math.max(places.gapMm, 0)}
          onCommit={(mm) => mm !== null && put({ by: 'gap', mm })}
        />
        <LabField
          {...shared}
          label="From the seat"
          name={`rings.${j}.seat`}
          order={91 + 4 * j}
          quantity="size"
          range={{ min: -200, max: 1500 }}
          value={places.fromSeatMm}
          placeholder="free length?"
          onCommit={(mm) => mm !== null && put({ by: 'seat', mm })}
        />
        <LabField
          {...shared}
          label="From the datum"
          name={`rings.${j}.datum`}
          order={92 + 4 * j}
          quantity="size"
          range={{ min: -1500, max: 2500 }}
          value={places.readsMm}
          placeholder="seat reads?"
          onCommit={(mm) => mm !== null && put({ by: 'datum', mm })}
        />
        <LabField
          {...shared}
          label="Share of bump"
          name={`rings.${j}.bump`}
          order={93 + 4 * j}
          quantity="share"
          range={{ min: 0.01, max: 1 }}
          value={places.ofBump}
          placeholder="never"
          onCommit={(share) => share !== null && put({ by: 'bump', share })}
        />
      </div>
      <RingWords bench={bench} j={j} />
      <Trade bench={bench} j={j} />
    </section>
  );
}

const warnings: Record<RingWarning, string> = {
  touching: 'The slider stands on its ring at rest: the seat no longer moves the springs before it.',
  'bound-first':
    'The coils before it are solid before the slider reaches it: metal on metal, not a crossover.',
  never: 'It is never reached within the travel.',
};

/** What is wrong with how a ring stands; nothing where nothing is. */
export function RingWarnings({ bench, j }: { bench: Bench; j: number }) {
  return ringWarnings(bench, j).map((one) => (
    <span key={one} className="text-tight">
      {warnings[one]}{' '}
    </span>
  ));
}

/** A ring in words, with what is wrong with it. */
function RingWords({ bench, j }: { bench: Bench; j: number }) {
  const places = ringPlaces(bench, j);
  const { gapMm, fromSeatMm, travelMm, ofTravel } = places;
  return (
    <p>
      {gapMm >= TOUCHING_MM && (
        <>
          A <SizeLength mm={gapMm} /> gap here
          {fromSeatMm !== null && (
            <>
              {' '}
              is <SizeLength mm={fromSeatMm} /> from the seat
            </>
          )}
          {travelMm !== null && ofTravel !== null && (
            <>
              {fromSeatMm === null ? '' : ', and'} takes over at {Math.round(100 * ofTravel)} % of travel,{' '}
              <Length mm={travelMm - caseTravel(bench)} decimals={0} /> up at the wheel
            </>
          )}
          .{' '}
        </>
      )}
      <RingWarnings bench={bench} j={j} />
    </p>
  );
}

/** Comfort against bottoming, a step either way. */
function Trade({ bench, j }: { bench: Bench; j: number }) {
  const trade = ringTrade(bench, j);
  if (trade.length < 2) return null;
  const now = ringPlaces(bench, j).gapMm;
  return (
    <table className="mt-2 w-full max-w-[460px]">
      <thead className="label text-second text-left">
        <tr>
          <th className="font-normal">gap</th>
          <th className="pr-3 font-normal">comfort: rate in the first half of bump</th>
          <th className="font-normal">bottoming: taken in by full bump</th>
        </tr>
      </thead>
      <tbody>
        {trade.map((one) => (
          <tr key={one.gapMm} className={Math.abs(one.gapMm - now) < 1e-6 ? 'font-semibold' : ''}>
            <TradeCells trade={one} />
          </tr>
        ))}
      </tbody>
    </table>
  );
}
