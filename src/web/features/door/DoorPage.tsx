import { useEffect, useState } from 'react';
import type { Door } from '#contract/door.ts';
import { callApi } from '../../api/client.ts';
import { takeDoor, useDoor, type Standing } from '../../api/door.ts';
import { send, useQueue } from '../../api/queue.ts';
import { Button } from '../../ui/Button.tsx';
import { faultOf } from '../../api/faultOf.ts';
import { useKnock } from './useKnock.ts';
import { LineField } from '../../ui/LineField.tsx';

const titles: Partial<Record<Standing, string>> = {
  out: 'This device is not in yet',
  removed: 'This device was removed from the shop',
  locked: 'This device has not been in touch for a week',
};

const more: Partial<Record<Standing, string>> = {
  removed: 'What it kept of the shop is cleared. It can come in again, as a new device.',
  locked: 'What it keeps is shown again as soon as the shop’s server answers.',
};

/** The door: by six digits, by a picture code that led here, or by the passphrase. */
export function DoorPage() {
  const { standing, ready } = useDoor();
  const [name, setName] = useState(() => (window.innerWidth > 1100 ? 'Computer' : 'Tablet'));
  const waiting = useQueue(({ items }) => items.length);
  useEffect(() => () => void send(), []);
  return (
    <main className="mx-auto w-full max-w-[980px] px-6 py-10 narrow:px-4 narrow:py-5">
      <title>At the door · Margin</title>
      <p className="text-[20px] font-extrabold [font-stretch:118%]">Margin</p>
      <h1 className="text-head mt-6 font-semibold">{titles[standing] ?? titles.out}</h1>
      <p className="mt-1">{more[standing]}</p>
      {waiting > 0 && (
        <p className="text-tight mt-2 font-semibold">
          {waiting} {waiting === 1 ? 'entry waits' : 'entries wait'} here, kept. They are sent once this
          device is in.
        </p>
      )}
      {!ready && (
        <p role="alert" className="text-short mt-2">
          No passphrase has been set yet. Set one at the computer that Margin runs on: npm run passphrase
        </p>
      )}
      <div className="mt-6">
        <LineField
          label="What this device is called"
          value={name}
          maxLength={60}
          onChange={setName}
          className="h-11 w-80 max-w-full text-[18px]"
        />
      </div>
      <div className="mt-8 grid grid-cols-2 gap-8 max-md:grid-cols-1">
        <ByDigits name={name.trim() || 'Tablet'} />
        <ByPassphrase name={name.trim() || 'Tablet'} />
      </div>
    </main>
  );
}

function ByDigits({ name }: { name: string }) {
  const { digits, fault, knock, look } = useKnock(name);
  // A code that no longer counts gives way to digits.
  const [usedUp, setUsedUp] = useState(false);
  const led = useDoor((state) => state.code);
  const code = usedUp ? null : led;
  const comeInBy = async (secret: string) => setUsedUp((await look(secret)) === 'gone');
  return (
    <section className="bg-sheet border-rule border p-6">
      <h2 className="font-semibold">With a device that is in</h2>
      {code && !digits && (
        <p className="mt-3">
          <Button look="main" className="min-h-11" onClick={() => void comeInBy(code)}>
            Come in by the code
          </Button>
        </p>
      )}
      {digits ? (
        <>
          <p className="mt-3 text-[56px] leading-none font-extrabold tabular-nums" data-testid="digits">
            {digits.slice(0, 3)} {digits.slice(3)}
          </p>
          <p className="mt-3">
            Type these there, under Settings, Devices. They count for five minutes. This page opens by itself.
          </p>
        </>
      ) : (
        !code && (
          <>
            <p className="mt-1">This one shows six digits. You type them there.</p>
            <Button look="main" className="mt-4 min-h-11" onClick={() => void knock()}>
              Show six digits
            </Button>
          </>
        )
      )}
      {fault && (
        <p role="alert" className="text-short mt-3">
          {fault}
        </p>
      )}
    </section>
  );
}

function ByPassphrase({ name }: { name: string }) {
  const [passphrase, setPassphrase] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const comeIn = async () => {
    setBusy(true);
    setFault(null);
    try {
      takeDoor(await callApi<Door>('/door/sign-in', { passphrase, name }));
    } catch (error) {
      setFault(faultOf(error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <form
      className="bg-sheet border-rule border p-6"
      onSubmit={(event) => {
        event.preventDefault();
        void comeIn();
      }}
    >
      <h2 className="font-semibold">With the passphrase</h2>
      <p className="mt-1">For the first device, or when no other is at hand.</p>
      <div className="mt-3">
        <LineField
          label="Passphrase of the shop"
          type="password"
          autoComplete="current-password"
          value={passphrase}
          maxLength={200}
          onChange={setPassphrase}
          className="h-11 w-full text-[18px]"
        />
      </div>
      <Button type="submit" className="mt-4 min-h-11" disabled={busy || passphrase === ''}>
        Come in
      </Button>
      {fault && (
        <p role="alert" className="text-short mt-3">
          {fault}
        </p>
      )}
    </form>
  );
}
