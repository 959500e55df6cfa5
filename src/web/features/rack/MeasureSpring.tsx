import { Gauge, Plus } from 'lucide-react';
import { useState } from 'react';
import { pressFit } from '#core/rack/press.ts';
import type { RackSpring } from '#core/rack/spring.ts';
import { limits } from '#contract/limits.ts';
import { inReadersUnit } from '#core/units/measure.ts';
import { useUnitsOf } from '../../ui/settings.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Plain } from '../../ui/Figure.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { Rate } from '../../ui/Rate.tsx';
import type { RackEdits } from './useRackEdits.ts';

type Reading = { mm: number | null; n: number | null };

const MOST = 12;

/** A spring on the press: readings typed in, the line through them, and what to keep of it. */
export function MeasureSpring({ spring, edits }: { spring: RackSpring; edits: RackEdits }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button
        look="quiet"
        aria-label={`Measure ${spring.name}`}
        aria-haspopup="dialog"
        onClick={() => setOpen(true)}
      >
        <Gauge size={15} aria-hidden className="mr-1.5 inline" />
        Measure on a press
      </Button>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title={`${spring.name} on the press`}
        description="Compress past the first turns, then read at a few places. The slope is the rate, whatever the press calls zero."
      >
        <Press spring={spring} edits={edits} close={() => setOpen(false)} />
      </Dialog>
    </>
  );
}

function Press({ spring, edits, close }: { spring: RackSpring; edits: RackEdits; close: () => void }) {
  const start = spring.rows?.map(([mm, n]) => ({ mm, n })) ?? [];
  const [readings, setReadings] = useState<Reading[]>(
    start.length > 1 ? start : Array.from({ length: 4 }, () => ({ mm: null, n: null })),
  );
  const set = (k: number, part: Partial<Reading>) =>
    setReadings(readings.map((one, i) => (i === k ? { ...one, ...part } : one)));
  const rows = readings
    .flatMap(({ mm, n }) => (mm === null || n === null ? [] : [[mm, n] as [number, number]]))
    .sort(([a], [b]) => a - b);
  const fit = pressFit(rows);
  const grows = rows.every(
    ([mm, n], i) => i === 0 || (mm > (rows[i - 1]?.[0] ?? 0) && n > (rows[i - 1]?.[1] ?? 0)),
  );
  const keep = (part: Parameters<RackEdits['edit']>[1]) => {
    edits.edit(spring, part);
    close();
  };
  return (
    <div data-fields>
      <div className="relative grid grid-cols-2 gap-x-6">
        {readings.map((reading, k) => (
          <div key={k} className="contents">
            <NumberField
              label={`Compression, reading ${k + 1}`}
              showLabel={k === 0}
              order={2 * k}
              draftKey={`press.${spring.id}.${k}.mm`}
              quantity="size"
              range={{ min: 0, max: limits.springMm.max }}
              value={reading.mm}
              onCommit={(mm) => set(k, { mm })}
            />
            <NumberField
              label={`Force, reading ${k + 1}`}
              showLabel={k === 0}
              order={2 * k + 1}
              draftKey={`press.${spring.id}.${k}.n`}
              quantity="force"
              range={limits.springN}
              value={reading.n}
              onCommit={(n) => set(k, { n })}
            />
          </div>
        ))}
      </div>
      {readings.length < MOST && (
        <button
          type="button"
          className="text-action mt-2 inline-flex min-h-9 items-center gap-1 font-semibold"
          onClick={() => setReadings([...readings, { mm: null, n: null }])}
        >
          <Plus size={15} aria-hidden /> Another reading
        </button>
      )}
      {fit ? (
        <FitWords fit={fit} />
      ) : (
        <p className="text-second mt-2">Two readings at different places make a rate.</p>
      )}
      {fit && fit.rateNPerMm > 0 && (
        <div className="mt-3 flex flex-wrap gap-3">
          <Button
            look={fit.curved ? 'plain' : 'main'}
            onClick={() => keep({ rateNPerMm: round(fit.rateNPerMm), rows: null })}
          >
            Keep the rate
          </Button>
          <Button
            look={fit.curved ? 'main' : 'plain'}
            disabled={!grows}
            onClick={() => keep({ rows, rateNPerMm: null })}
          >
            Keep the readings as its table
          </Button>
        </div>
      )}
    </div>
  );
}

const round = (rate: number) => Math.round(rate * 100) / 100;

function FitWords({ fit }: { fit: NonNullable<ReturnType<typeof pressFit>> }) {
  const [forces, rates] = [useUnitsOf('force'), useUnitsOf('rate')];
  const force = (n: number) => {
    const { value, unit } = inReadersUnit('force', n, forces);
    return `${Math.round(value)} ${unit}`;
  };
  return (
    <p className="mt-2" aria-live="polite">
      <b>
        <Rate nPerMm={fit.rateNPerMm} />
      </b>
      {fit.sdNPerMm !== null && (
        <>
          {' '}
          ± <Plain value={inReadersUnit('rate', fit.sdNPerMm, rates).value} decimals={2} />
        </>
      )}
      ; furthest reading {force(fit.worstN)} off the line.{' '}
      {fit.curved && (
        <span className="text-tight">The readings bend: it is progressive, so keep them as its table.</span>
      )}
    </p>
  );
}
