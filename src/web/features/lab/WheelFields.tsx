import { plainSetup, type LabSetup } from '#core/lab/setup.ts';
import { limits } from '#contract/limits.ts';
import { Select } from '../../ui/Select.tsx';
import { LabField } from './LabField.tsx';
import { GasDialog, RatioDialog, StopDialog } from './WheelDialogs.tsx';

interface Props {
  setup: LabSetup;
  index: number;
  change: (next: LabSetup) => void;
}

/** The wheel that springs work on: its travel and ratio, where the seat stands, its stop and gas. */
export function WheelFields(props: Props) {
  return (
    <>
      <h3 className="mt-4 font-semibold">The wheel they work on</h3>
      <div className="relative grid grid-cols-3 items-end gap-x-4 gap-y-2">
        <Travel {...props} />
        <Seat {...props} />
        <StopAndGas {...props} />
      </div>
    </>
  );
}

function Travel({ setup, index, change }: Props) {
  const { ratio } = setup;
  return (
    <>
      <LabField
        setup={index}
        label="Wheel travel"
        name="travel"
        order={50}
        quantity="length"
        range={limits.travelMm}
        value={setup.travelMm}
        onCommit={(mm) => mm !== null && change({ ...setup, travelMm: mm })}
      />
      <RatioDialog setup={setup} index={index} change={change} />
      {ratio.kind === 'constant' ? (
        <>
          <LabField
            setup={index}
            label="Motion ratio"
            name="ratio"
            order={51}
            quantity="ratio"
            range={limits.ratio}
            value={ratio.ratio}
            onCommit={(value) => value !== null && change({ ...setup, ratio: { ...ratio, ratio: value } })}
          />
          <LabField
            setup={index}
            label="Ratio grows by"
            name="rise"
            order={52}
            quantity="share"
            range={{ min: -0.9, max: 3 }}
            value={ratio.rise ?? 0}
            onCommit={(rise) => change({ ...setup, ratio: { ...ratio, rise: rise ?? 0 } })}
          />
        </>
      ) : null}
    </>
  );
}

const ends = [
  { value: 'with-seat', words: 'the side away from the spring' },
  { value: 'against-seat', words: 'the spring’s side' },
];

function Seat({ setup, index, change }: Props) {
  const { collar } = setup;
  return (
    <>
      <LabField
        setup={index}
        label="Preload at full droop"
        name="preload"
        order={53}
        quantity="size"
        range={limits.preloadMm}
        value={setup.preloadMm}
        onCommit={(mm) => change({ ...setup, preloadMm: mm ?? 0 })}
      />
      <LabField
        setup={index}
        label="Thread pitch"
        name="pitch"
        order={54}
        quantity="size"
        decimals={2}
        range={limits.pitchMm}
        value={setup.pitchMm}
        onCommit={(mm) => mm !== null && change({ ...setup, pitchMm: mm })}
      />
      <LabField
        setup={index}
        label="Seat reads"
        name="collar"
        order={55}
        quantity="size"
        range={limits.collarMm}
        value={collar?.readsMm ?? null}
        placeholder="not measured"
        onCommit={(mm) =>
          change({
            ...setup,
            collar: mm === null ? null : { grows: collar?.grows ?? 'with-seat', readsMm: mm },
          })
        }
      />
      {collar && (
        <div>
          <span className="label text-second block">Caliper goes from</span>
          <Select
            label="Caliper goes from"
            value={collar.grows}
            options={ends}
            onChange={(to) =>
              change({ ...setup, collar: { ...collar, grows: to as 'with-seat' | 'against-seat' } })
            }
          />
        </div>
      )}
    </>
  );
}

function StopAndGas({ setup, index, change }: Props) {
  const { stop } = setup;
  return (
    <>
      <LabField
        setup={index}
        label="Stop touched with left"
        name="stop"
        order={56}
        quantity="length"
        range={{ min: 0, max: setup.travelMm }}
        value={stop?.leftMm ?? null}
        placeholder="no stop"
        onCommit={(mm) =>
          change({
            ...setup,
            stop: mm === null ? null : { rows: stop?.rows ?? plainSetup.stop?.rows ?? [], leftMm: mm },
          })
        }
      />
      {stop && <StopDialog setup={setup} index={index} change={change} />}
      <GasDialog setup={setup} index={index} change={change} />
    </>
  );
}
