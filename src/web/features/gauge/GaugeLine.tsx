import { useEffect, useState } from 'react';
import { axleOf, type CornerId } from '#core/kinds/corners.ts';
import { lengthText } from '#core/units/formatLength.ts';
import { useShopSettings } from '../../api/shop.ts';
import { useDoor } from '../../api/door.ts';
import { useLengthStyle } from '../../ui/settings.ts';
import { Button } from '../../ui/Button.tsx';
import { useTakenByItself } from './useTakenByItself.ts';
import { askForPort, hasSerial, SERIAL_ADDRESS } from './sources.ts';
import { relayedAddress, simulatedAddress, useGauge, useGaugeSetting } from './useGauge.ts';

interface Props {
  id: CornerId;
  /** What is being read, by its slot: a simulated instrument does it. */
  slot: string;
  onTake: (mm: number) => void;
}

/** An instrument beside the keys: what it reads, whether it is steady, and one press to take it. */
export function GaugeLine({ id, slot, onTake }: Props) {
  const style = useLengthStyle(1);
  const { address, byItself, use, setByItself } = useGaugeSetting();
  const { state, readings, broken, tell } = useGauge();
  const end = axleOf(id);
  useEffect(() => {
    if (address === simulatedAddress()) tell({ do: slot, end });
  }, [address, slot, end, tell, state]);
  const lengths = Object.values(readings).filter(({ kind }) => kind === 'length');
  const reading = lengths.find(({ name }) => name.includes(end)) ?? lengths[0];
  const steady = reading?.steady ?? false;
  const mm = reading ? Math.round(10 * reading.value) / 10 : null;
  useTakenByItself({ mm: byItself ? mm : null, steady, prompt: `${id} ${slot}`, onTake });
  if (address === null) return <ChooseGauge use={use} />;
  return (
    <div className="border-rule mt-4 border-t pt-3" data-testid="gauge">
      <p className="text-[20px]" aria-live="polite">
        {state === 'away' && 'No connection to the gauge. Trying again. You can type the reading.'}
        {state === 'connecting' && 'Listening for the gauge …'}
        {state === 'reading' &&
          (reading ? (
            <>
              <span className="text-second">{reading.name}</span>{' '}
              <b className="figures text-[28px]">{mm === null ? '' : lengthText(mm, style)}</b>{' '}
              <span className={steady ? '' : 'text-tight'}>{steady ? 'steady' : 'moving'}</span>
            </>
          ) : (
            'Nothing received from the gauge yet.'
          ))}
        {broken > 0 && (
          <span className="label text-tight block">{broken} lines from it could not be read.</span>
        )}
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <Button
          className="min-h-14 px-6 text-[20px]"
          disabled={mm === null || !steady}
          onClick={() => mm !== null && onTake(mm)}
        >
          Use this reading
        </Button>
        <label className="flex min-h-11 cursor-pointer items-center gap-2">
          <input
            type="checkbox"
            className="accent-action size-5"
            checked={byItself}
            onChange={(event) => setByItself(event.target.checked)}
          />
          take it when steady
        </label>
        <Button look="quiet" onClick={() => use(null)}>
          No gauge
        </Button>
      </div>
    </div>
  );
}

/** Instruments of the shop, as the server passes them on. */
function OfTheShop({ use }: { use: (address: string) => void }) {
  const { data } = useShopSettings();
  return data?.instruments.map(({ id, name }) => (
    <Button key={id} className="min-h-11" onClick={() => use(relayedAddress(id))}>
      {name}
    </Button>
  ));
}

/** Which instrument to listen to: the simulated one, one of the shop, or, at the computer itself, an address on it. */
export function ChooseGauge({ use }: { use: (address: string) => void }) {
  const atComputer = useDoor(({ standing }) => standing !== 'in');
  return (
    <details className="mt-4">
      <summary className="text-action min-h-11 cursor-pointer text-[18px] font-semibold">
        Read from an instrument
      </summary>
      <div className="mt-2 flex flex-wrap items-end gap-4">
        <Button className="min-h-11" onClick={() => use(simulatedAddress())}>
          A simulated one
        </Button>
        <OfTheShop use={use} />
        {hasSerial() && (
          <Button
            className="min-h-11"
            onClick={() =>
              // Whoever closes the question without an answer wants none.
              void askForPort().then(
                () => use(SERIAL_ADDRESS),
                () => undefined,
              )
            }
          >
            A serial device
          </Button>
        )}
        {atComputer && <AtThisMachine use={use} />}
      </div>
    </details>
  );
}

function AtThisMachine({ use }: { use: (address: string) => void }) {
  const [address, setAddress] = useState('ws://127.0.0.1:');
  const good = /^wss?:\/\/(127\.0\.0\.1|localhost)(:\d{2,5})?(\/\S*)?$/.test(address);
  return (
    <>
      <label className="block">
        <span className="label text-second block">Address of the instrument, on this machine</span>
        <input
          value={address}
          onChange={(event) => setAddress(event.target.value)}
          className="border-second/70 h-11 w-64 border-b bg-transparent"
        />
      </label>
      <Button className="min-h-11" disabled={!good} onClick={() => use(address)}>
        Listen there
      </Button>
    </>
  );
}
