import type { GaugeKind } from '#core/gauge/line.ts';
import type { Watched } from '#core/gauge/watch.ts';
import { useFieldInHand } from '../../forms/fieldInHand.ts';
import type { QuantityName } from '../../forms/quantity.ts';
import { Button } from '../../ui/Button.tsx';
import { ChooseGauge } from '../gauge/GaugeLine.tsx';
import { useGauge, useGaugeSetting, type Gauge } from '../gauge/useGauge.ts';
import { useTakenByItself } from '../gauge/useTakenByItself.ts';
import { InstrumentState } from './InstrumentState.tsx';
import { ReadingOf } from './ReadingOf.tsx';
import { useSent } from './useSent.ts';

/** What an instrument of each kind can fill. */
const takenBy: Partial<Record<QuantityName, GaugeKind>> = {
  length: 'length',
  size: 'length',
  mass: 'mass',
  pressure: 'pressure',
  number: 'angle',
};

/** How a reading is written into a field, in the unit used inside: exactly, whatever the reader's units are. */
const texts: Record<GaugeKind, (value: number) => string> = {
  length: (mm) => `${mm.toFixed(2)} mm`,
  mass: (kg) => `${kg.toFixed(1)} kg`,
  pressure: (bar) => `${bar.toFixed(2)} bar`,
  angle: (degrees) => degrees.toFixed(2),
};

/** An instrument beside the keys, on any page: what it reads goes into the field that was last worked in. */
export function FromInstrument() {
  const { address, use } = useGaugeSetting();
  if (address === null)
    return (
      <div className="px-4 pb-3 print:hidden [&_summary]:text-[15px]">
        <ChooseGauge use={use} />
      </div>
    );
  return <Listening />;
}

function Listening() {
  const { use, byItself, setByItself } = useGaugeSetting();
  const gauge = useGauge();
  const field = useFieldInHand((state) => state.field);
  const kind = field && takenBy[field.quantity];
  const heard = Object.values(gauge.readings);
  const live = heard.filter(({ silent }) => !silent);
  // One that has gone silent stands aside for those that are there.
  const all = live.length > 0 ? live : heard;
  const fitting = kind ? all.filter((one) => one.kind === kind) : all;
  const reading = fitting.length === 1 ? fitting[0] : undefined;
  const take = (one: Watched) => field?.put(texts[one.kind](one.value));
  useTakenByItself({
    mm: byItself && reading && field ? reading.value : null,
    steady: reading?.steady ?? false,
    prompt: field?.label ?? '',
    onTake: () => reading && take(reading),
  });
  useSent(all, (name) => reading?.name === name && take(reading));
  return (
    <section
      aria-label="From an instrument"
      className="border-rule border-t px-4 py-3 print:hidden"
      data-testid="instrument"
    >
      <p aria-live="polite">
        {gauge.state === 'away' && 'No connection to the instrument. Trying again. You can type the reading.'}
        {gauge.state === 'connecting' && 'Listening for the instrument …'}
        {gauge.state === 'reading' && all.length === 0 && 'Nothing has come from it yet.'}
        {gauge.state === 'reading' && all.length > 0 && !field && 'Choose a field: what it reads goes there.'}
        {kind && all.length > 0 && fitting.length === 0 && <WrongKind gauge={gauge} field={field.label} />}
      </p>
      {fitting.map((one) => (
        <div key={one.name} className="mt-1 flex flex-wrap items-center gap-x-5 gap-y-1">
          <ReadingOf one={one} />
          <Button
            // Pressing it must not take the field out of hand.
            onMouseDown={(event) => event.preventDefault()}
            disabled={!field || !kind || !one.steady}
            onClick={() => take(one)}
          >
            {field ? `Use it: ${field.label}` : 'Use it'}
          </Button>
          <Button look="quiet" onClick={() => gauge.setZero(one.name)}>
            Set its zero here
          </Button>
          <InstrumentState one={one} />
        </div>
      ))}
      {gauge.broken > 0 && (
        <p className="text-tight">
          {gauge.broken} lines from it could not be read
          {gauge.wrongUnit !== null && `: nobody knows its unit “${gauge.wrongUnit}”`}.
        </p>
      )}
      <div className="mt-1 flex flex-wrap items-center gap-5">
        <label className="flex min-h-9 cursor-pointer items-center gap-2">
          <input
            type="checkbox"
            className="accent-action size-4"
            checked={byItself}
            onChange={(event) => setByItself(event.target.checked)}
          />
          take it when steady
        </label>
        <Button look="quiet" onClick={() => use(null)}>
          No instrument
        </Button>
      </div>
    </section>
  );
}

const kinds: Record<GaugeKind, string> = {
  length: 'a length',
  mass: 'a weight',
  pressure: 'a pressure',
  angle: 'an angle',
};

/** It reads something else than the field takes. */
function WrongKind({ gauge, field }: { gauge: Gauge; field: string }) {
  const [one] = Object.values(gauge.readings).filter(({ silent }) => !silent);
  return one ? (
    <span className="text-tight">
      It reads {kinds[one.kind]}; “{field}” takes something else.
    </span>
  ) : null;
}
