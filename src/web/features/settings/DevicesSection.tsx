import { format, formatDistanceToNow } from 'date-fns';
import { useState } from 'react';
import type { DeviceLine } from '#contract/door.ts';
import { useChangeDevice, useDevices, useRemoveDevice } from '../../api/devices.ts';
import { useShopSettings } from '../../api/shop.ts';
import { useDoor } from '../../api/door.ts';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Select.tsx';
import { faultOf } from '../../api/faultOf.ts';
import { LetOneIn } from './LetOneIn.tsx';
import { Fault } from '../../ui/Fault.tsx';
import { Section } from './Section.tsx';

const ways: Record<DeviceLine['by'], string> = {
  passphrase: 'by the passphrase',
  digits: 'by its digits',
  code: 'by a code',
};

/** Devices that are in: what they are called, who they are with, letting one in, removing one. */
export function DevicesSection() {
  const { standing, device: own } = useDoor();
  const shop = standing === 'in';
  const { data, error } = useDevices(shop);
  const change = useChangeDevice();
  const remove = useRemoveDevice();
  const fault = error ?? change.error ?? remove.error;
  if (!shop)
    return (
      <Section id="devices" title="Devices">
        <p className="mt-2">
          Only this computer is served, and nobody signs in. To work at the machine with tablets, start Margin
          with: npm start -- --shop
        </p>
      </Section>
    );
  return (
    <Section id="devices" title="Devices">
      <ul className="mt-2">
        {data?.map((device) => (
          <DeviceRow
            key={device.id}
            device={device}
            isOwn={device.id === own?.id}
            change={(part) => change.mutate({ id: device.id, change: part })}
            remove={() => remove.mutate(device.id)}
          />
        ))}
      </ul>
      <LetOneIn />
      <Fault words={fault && faultOf(fault)} />
    </Section>
  );
}

interface RowProps {
  device: DeviceLine;
  isOwn: boolean;
  change: (part: { name?: string; technician?: string }) => void;
  remove: () => void;
}

function DeviceRow({ device, isOwn, change, remove }: RowProps) {
  const [name, setName] = useState(device.name);
  const [sure, setSure] = useState(false);
  const { technicians = [] } = useShopSettings().data ?? {};
  const names = [...new Set([...technicians, device.technician])].filter(Boolean);
  return (
    <li
      className="border-rule grid grid-cols-[1fr_180px_1fr_auto] items-center gap-x-5 gap-y-1 border-b py-2 max-md:grid-cols-1"
      data-device={device.name}
    >
      <input
        aria-label="Name of the device"
        value={name}
        maxLength={60}
        onChange={(event) => setName(event.target.value)}
        onBlur={() =>
          name.trim() ? name !== device.name && change({ name: name.trim() }) : setName(device.name)
        }
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        className="border-second/40 h-10 border-b bg-transparent font-semibold"
      />
      <Select
        label={`Who ${device.name} is with`}
        look="w-full"
        value={device.technician}
        options={[
          { value: '', words: 'nobody in particular' },
          ...names.map((one) => ({ value: one, words: one })),
        ]}
        onChange={(technician) => change({ technician })}
      />
      <span className="text-second">
        {isOwn ? 'this device' : `seen ${formatDistanceToNow(new Date(device.seenAt), { addSuffix: true })}`},
        came in {ways[device.by]} on {format(new Date(device.createdAt), 'd MMM yyyy')}
      </span>
      {sure ? (
        <span className="flex gap-3">
          <Button onClick={remove}>{isOwn ? 'Yes, this one' : 'Yes, remove it'}</Button>
          <Button look="quiet" onClick={() => setSure(false)}>
            No
          </Button>
        </span>
      ) : (
        <Button look="quiet" onClick={() => setSure(true)}>
          Remove
        </Button>
      )}
      {sure && (
        <p className="col-span-full">
          It is shut out at once. At its next contact it forgets all it keeps, also what it has not sent yet.
        </p>
      )}
    </li>
  );
}
