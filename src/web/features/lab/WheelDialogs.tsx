import { useState, type ReactNode } from 'react';
import { ratioTaken } from '#core/document/taken.ts';
import { ratioMap } from '#core/geometry/ratioMap.ts';
import type { LabSetup } from '#core/lab/setup.ts';
import type { GasDescription } from '#core/springs/gas.ts';
import { limits } from '#contract/limits.ts';
import { RatioFields } from '../ratio/RatioFields.tsx';
import { ratioKindOf, ratioKindWords } from '../ratio/ratioKind.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { PairTable } from '../../forms/PairTable.tsx';
import { LabField } from './LabField.tsx';

interface Props {
  setup: LabSetup;
  index: number;
  change: (next: LabSetup) => void;
}

interface OpenerProps {
  label: string;
  words: string;
  title: string;
  description: string;
  children: ReactNode;
}

/** A cell that says what is given, and opens where it is typed. */
function Opener({ label, words, title, description, children }: OpenerProps) {
  const [open, setOpen] = useState(false);
  return (
    <div>
      <span className="label text-second block">{label}</span>
      <button
        type="button"
        aria-haspopup="dialog"
        aria-label={`${label}: ${words}`}
        onClick={() => setOpen(true)}
        className="border-second/70 hover:bg-wash min-h-9 w-full border-b text-left text-[13px] [font-stretch:82%]"
      >
        {words}
      </button>
      <Dialog open={open} onClose={() => setOpen(false)} title={title} description={description}>
        <div data-fields>{children}</div>
      </Dialog>
    </div>
  );
}

/** One ratio, measured pairs, levers: where the damper's ratio comes from. */
export function RatioDialog({ setup, index, change }: Props) {
  const { ratio, travelMm } = setup;
  const mean = meanRatio(setup);
  return (
    <Opener
      label="Motion ratio from"
      words={ratioKindWords[ratioKindOf(ratio)]}
      title="Motion ratio"
      description="Where the ratio changes over the travel, enter pairs of wheel travel and damper compression. Wheel hanging is 0 and 0."
    >
      <RatioFields
        value={ratio}
        ratio={mean}
        travelMm={travelMm}
        draftKey={`lab.${index}.ratioFrom`}
        put={(next) =>
          change({
            ...setup,
            ratio: next ? ratioTaken(next) : { kind: 'constant', ratio: Math.round(1000 * mean) / 1000 },
          })
        }
      />
    </Opener>
  );
}

/** Damper compression over the whole travel, per mm of wheel. */
function meanRatio({ ratio, travelMm }: LabSetup): number {
  if (ratio.kind === 'constant') return ratio.ratio;
  const map = ratioMap(ratio, travelMm);
  map.evaluate(travelMm);
  return map.value / travelMm;
}

/** The bump stop's own table: how hard it pushes when squeezed by so much. */
export function StopDialog({ setup, index, change }: Props) {
  const { stop } = setup;
  if (!stop) return null;
  return (
    <Opener
      label="Stop pushes by"
      words={`${stop.rows.length} rows`}
      title="Bump stop"
      description="How far it is squeezed, and how hard it then pushes. The first row is where it is touched: 0 and 0."
    >
      <PairTable
        columns={[
          { label: 'Squeezed', quantity: 'size', range: { min: 0, max: 500 } },
          { label: 'Pushes with', quantity: 'force', range: { min: 0, max: 100_000 } },
        ]}
        rows={stop.rows}
        row="row"
        least={2}
        most={limits.tableRows}
        draftKey={`lab.${index}.stop`}
        put={(rows) => change({ ...setup, stop: { ...stop, rows } })}
      />
    </Opener>
  );
}

/** A damper with a little nitrogen: something to type over. */
const plainGas: GasDescription = { gaugeBar: 10, volumeCm3: 200, areaMm2: 150, exponent: 1.2 };

const gasFields = [
  { name: 'gaugeBar', label: 'Pressure, wheel hanging', quantity: 'pressure', range: { min: 0, max: 100 } },
  { name: 'volumeCm3', label: 'Gas volume there', quantity: 'chamber', range: { min: 0.1, max: 1e5 } },
  { name: 'areaMm2', label: 'Rod area', quantity: 'area', range: { min: 0.1, max: 1e5 } },
  {
    name: 'exponent',
    label: 'Exponent, 1 slow to 1.4 fast',
    quantity: 'number',
    range: { min: 1, max: 1.7 },
  },
] as const;

/** Gas that pushes the rod out: at the damper, beside the springs. */
export function GasDialog({ setup, index, change }: Props) {
  const { gas } = setup;
  return (
    <Opener
      label="Gas in the damper"
      words={gas ? 'given' : 'none'}
      title="Gas in the damper"
      description="Its pressure on the rod’s area pushes the rod out. It pushes more as the rod takes up its volume."
    >
      {gas ? (
        <>
          <div className="relative grid grid-cols-2 gap-x-4 gap-y-2">
            {gasFields.map(({ name, label, quantity, range }, k) => (
              <LabField
                key={name}
                setup={index}
                label={label}
                name={`gas.${name}`}
                order={k}
                quantity={quantity}
                range={range}
                value={gas[name]}
                onCommit={(value) => value !== null && change({ ...setup, gas: { ...gas, [name]: value } })}
              />
            ))}
          </div>
          <Button className="mt-3" onClick={() => change({ ...setup, gas: null })}>
            No gas
          </Button>
        </>
      ) : (
        <Button look="main" onClick={() => change({ ...setup, gas: plainGas })}>
          There is gas
        </Button>
      )}
    </Opener>
  );
}
