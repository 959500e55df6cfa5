import { useState } from 'react';
import { useKeepSettings, useShopSettings } from '../../api/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { faultOf } from '../../api/faultOf.ts';
import { Fault } from '../../ui/Fault.tsx';
import { Section } from './Section.tsx';
import { LineField } from '../../ui/LineField.tsx';

const ADDRESS = /^wss?:\/\/[\w.-]+(:\d{1,5})?(\/\S*)?$/;

/** Instruments that the server passes on to tablets: a tablet itself never speaks to one. */
export function InstrumentsSection() {
  const { data } = useShopSettings();
  const keep = useKeepSettings();
  const [name, setName] = useState('');
  const [address, setAddress] = useState('');
  if (!data) return null;
  const good = ADDRESS.test(address) && name.trim() !== '';
  const add = () =>
    keep.mutate(
      {
        ...data,
        instruments: [...data.instruments, { id: crypto.randomUUID(), name: name.trim(), address }],
      },
      {
        onSuccess: () => {
          setName('');
          setAddress('');
        },
      },
    );
  return (
    <Section id="instruments" title="Instruments">
      <p className="mt-1">The server listens to these, and passes on what they read to every device.</p>
      <ul className="mt-2">
        {data.instruments.map((one) => (
          <li key={one.id} className="border-rule flex min-h-11 flex-wrap items-center gap-x-5 border-b">
            <span className="font-semibold">{one.name}</span>
            <span className="text-second flex-1 break-all">{one.address}</span>
            <Button
              look="quiet"
              aria-label={`Remove ${one.name}`}
              onClick={() =>
                keep.mutate({ ...data, instruments: data.instruments.filter(({ id }) => id !== one.id) })
              }
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <form
        className="mt-3 flex flex-wrap items-end gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <LineField
          label="Name of the instrument"
          value={name}
          maxLength={60}
          onChange={setName}
          className="h-10 w-48"
        />
        <LineField
          label="Its address, as ws://192.168.1.40:7070"
          value={address}
          maxLength={200}
          onChange={(typed) => setAddress(typed.trim())}
          className="h-10 w-72"
        />
        <Button type="submit" disabled={!good}>
          Add
        </Button>
      </form>
      {address !== '' && !ADDRESS.test(address) && (
        <Fault words="An address starts with ws:// or wss://, then the name or number of the instrument." />
      )}
      <Fault words={keep.error && faultOf(keep.error)} />
    </Section>
  );
}
