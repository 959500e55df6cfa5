import { useState } from 'react';
import { referenceKinds } from '#core/geometry/reference.ts';
import { limits } from '#contract/limits.ts';
import { cornersIn, footingOf, type MachineClass } from '#core/kinds/classes/index.ts';
import { factAt } from '#core/document/facts.ts';
import type { FactPlace, NumberedKind } from '#core/document/factKinds.ts';
import { instrumentWords } from '#words/practice.ts';
import type { QuantityName, Range } from '../../forms/quantity.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { plainInstruments, type PlainInstrument, type Practice } from '#contract/practice.ts';
import type { TapePlacing } from '#core/gauge/heldTape.ts';
import { faultOf } from '../../api/faultOf.ts';
import { useReadInstrument } from '../../api/practice.ts';
import { FactField, ranges } from '../../forms/fields.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { Fault } from '../../ui/Fault.tsx';
import { capital } from '../../ui/words.ts';
import { Loupe } from './Loupe.tsx';
import { TapeEnd, TapeTop } from './TapePicture.tsx';
import { useOnItsWay } from './useOnItsWay.ts';

interface Props {
  practice: Practice;
  round: number;
  /** Whether a height that is read again is written beside the first, as repeats are; else over it. */
  repeats?: boolean;
}

/** Instruments to hold to a practice machine: what they show is read and written down by hand. */
export function Instruments({ practice, round, repeats = true }: Props) {
  const job = useThisJob();
  const corners = cornersIn(job.record.document);
  const [corner, setCorner] = useState<CornerId>(corners[0] as CornerId);
  const [instrument, setInstrument] = useState<'tape' | PlainInstrument>('tape');
  return (
    <section aria-label="Instruments">
      <div role="radiogroup" aria-label="Corner" className="flex flex-wrap gap-2">
        {corners.map((id) => (
          <button
            key={id}
            type="button"
            role="radio"
            aria-checked={id === corner}
            onClick={() => setCorner(id)}
            className={`min-h-9 border px-3 ${id === corner ? 'border-action text-action bg-sheet border-2 font-semibold' : 'border-second/60'}`}
          >
            {capital(cornerNames[id])}
          </button>
        ))}
      </div>
      <div className="mt-2 flex flex-wrap gap-x-4" role="radiogroup" aria-label="Instrument">
        {offered(job.record.document.machine.class).map((one) => (
          <label key={one} className="flex min-h-9 items-center gap-2">
            <input
              type="radio"
              name="instrument"
              checked={instrument === one}
              onChange={() => setInstrument(one)}
              className="accent-action size-4"
            />
            {instrumentWords[one].title}
          </label>
        ))}
      </div>
      {instrument === 'tape' ? (
        <Tape
          key={`${corner}-${round}`}
          practice={practice}
          corner={corner}
          round={round}
          repeats={repeats}
        />
      ) : (
        <Plain
          key={`${corner}-${round}-${instrument}`}
          instrument={instrument}
          corner={corner}
          round={round}
        />
      )}
    </section>
  );
}

interface HeldProps {
  corner: CornerId;
  round: number;
}

const SLIDERS: { key: keyof TapePlacing; words: string; most: number }[] = [
  { key: 'endXMm', words: 'End of the tape, along', most: 28 },
  { key: 'endZMm', words: 'End of the tape, up', most: 28 },
  { key: 'topXMm', words: 'At the top, along', most: 28 },
  { key: 'eyeMm', words: 'Eye above the lip', most: 300 },
];

const SLOTS = ['1', '2', '3'];

/** As somebody in a hurry holds it. */
const CARELESS: TapePlacing = { endXMm: -14, endZMm: -9, topXMm: 16, eyeMm: 160 };

function Tape({ practice, corner, round, repeats }: HeldProps & { practice: Practice; repeats: boolean }) {
  const job = useThisJob();
  const [placing, setPlacing] = useState(CARELESS);
  const read = useReadInstrument(job.record.id);
  const waiting = useOnItsWay(job.record.id);
  const [slot, setSlot] = useState('1');
  const hold = () => {
    const isFree = (one: string) => !factAt(job.facts, { kind: 'height', round, corner, slot: one });
    setSlot(repeats ? (SLOTS.find(isFree) ?? '3') : '1');
    read.mutate({ instrument: 'tape', corner, placing });
  };
  const place = (some: Partial<TapePlacing>) => {
    setPlacing((now) => ({ ...now, ...some }));
    // What was seen was seen from where it was held.
    read.reset();
  };
  const { kind } = job.record.document.corners[corner].reference;
  const arch = kind.endsWith('-arch');
  const picture = { placing, onPlace: place, markMm: practice.marks[corner] ?? 0, arch };
  return (
    <>
      <p className="mt-2">{capital(referenceKinds[kind].how)}. Drag it, or move the bars.</p>
      <div className="mt-2 grid max-w-[392px] grid-cols-2 gap-4">
        <figure>
          <TapeEnd {...picture} />
          <figcaption className="label text-second mt-1">
            {arch ? 'its end, at the wheel’s centre' : 'its end, at the lower mark'}
          </figcaption>
        </figure>
        <figure>
          <TapeTop placing={placing} onPlace={place} arch={arch} />
          <figcaption className="label text-second mt-1">
            {arch ? 'at the lip, with your eye' : 'at the upper mark, with your eye'}
          </figcaption>
        </figure>
      </div>
      <div className="mt-2 grid max-w-[392px] grid-cols-2 gap-x-4 narrow:grid-cols-1">
        {SLIDERS.map(({ key, words, most }) => (
          <label key={key} className="flex min-h-9 items-center gap-2">
            <span className="label w-28 shrink-0">{words}</span>
            <input
              type="range"
              min={-most}
              max={most}
              step={most > 100 ? 10 : 1}
              value={placing[key]}
              onChange={(event) => place({ [key]: Number(event.target.value) })}
              className="accent-action min-w-0 flex-1"
            />
          </label>
        ))}
      </div>
      <div className="mt-2 flex flex-wrap items-start gap-4">
        <Button
          look={read.data ? 'plain' : 'main'}
          className="min-h-11 px-4"
          disabled={read.isPending || waiting}
          onClick={hold}
        >
          {read.data ? 'Hold it once more' : 'Hold it there'}
        </Button>
        {read.data && (
          <div className="min-w-[280px] flex-1">
            <Loupe mm={read.data.value} />
            <Written corner={corner} place={{ kind: 'height', round, corner, slot }} />
          </div>
        )}
      </div>
      <Fault words={read.error && faultOf(read.error)} />
    </>
  );
}

/** What stands on a machine: sleds have no tyres, and what is in line no toe. */
function offered(machineClass: MachineClass): ('tape' | PlainInstrument)[] {
  const footing = footingOf(machineClass);
  const without: PlainInstrument[] =
    footing === 'sleds' ? ['pressure', 'toe'] : footing === 'bikes' ? ['pad', 'level', 'toe'] : [];
  return ['tape', ...plainInstruments.filter((one) => !without.includes(one))];
}

function Plain({ instrument, corner, round }: HeldProps & { instrument: PlainInstrument }) {
  const job = useThisJob();
  const read = useReadInstrument(job.record.id);
  const waiting = useOnItsWay(job.record.id);
  const { unit, decimals, how } = instrumentWords[instrument];
  const place = placeOf(instrument, corner, round);
  return (
    <>
      <p className="mt-2">{how}</p>
      <Button
        look={read.data ? 'plain' : 'main'}
        className="mt-3 min-h-11 px-4"
        disabled={read.isPending || waiting}
        onClick={() => read.mutate({ instrument, corner })}
      >
        {read.data ? 'Hold it once more' : 'Hold it there'}
      </Button>
      <Fault words={read.error && faultOf(read.error)} />
      {read.data && (
        <div className="mt-3">
          {/* A digital display shows its own unit, whatever the reader's are. */}
          <output
            className="figures border-rule bg-ground text-figure inline-block border px-4 py-2 font-bold"
            data-testid="display"
          >
            {read.data.value.toFixed(decimals)}
            <span className="text-body ml-2 font-normal">{unit}</span>
          </output>
          {place && <Written corner={corner} place={place} />}
        </div>
      )}
    </>
  );
}

/** Where what one reads is written down; null where it is only looked at. */
function placeOf(
  instrument: PlainInstrument,
  corner: CornerId,
  round: number,
): FactPlace<NumberedKind> | null {
  switch (instrument) {
    case 'caliper':
      return { kind: 'collar', round, corner, slot: 'now' };
    case 'pad':
      return { kind: 'pad', round, corner, slot: '1' };
    case 'travel':
      return { kind: 'travel-used', round, corner, slot: 'now' };
    case 'pressure':
      return { kind: 'pressure', round: 0, corner, slot: 'now' };
    case 'level':
    case 'toe':
      return null;
  }
}

const quantities: Partial<Record<NumberedKind, QuantityName>> = {
  pad: 'mass',
  pressure: 'pressure',
  height: 'length',
};
const most: Partial<Record<NumberedKind, Range>> = {
  height: ranges.height,
  collar: ranges.collar,
  'travel-used': ranges.travelUsed,
  pad: limits.wheelKg,
  pressure: limits.tyreBar,
};

/** Where what was read is written down. */
function Written({ corner, place }: { corner: CornerId; place: FactPlace<NumberedKind> }) {
  return (
    <div data-fields className="relative mt-2 w-56">
      <FactField
        place={place}
        label={`What do you read, ${cornerNames[corner]}?`}
        showLabel
        order={1}
        quantity={quantities[place.kind] ?? 'size'}
        range={most[place.kind] ?? ranges.height}
      />
    </div>
  );
}
