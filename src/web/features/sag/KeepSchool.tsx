import { X } from 'lucide-react';
import { useState } from 'react';
import type { SagLimits } from '#core/document/types.ts';
import type { SagWindow } from '#core/sag/sagWindows.ts';
import { classDefaults, type MachineClass } from '#core/kinds/classes/index.ts';
import { Fault } from '../../ui/Fault.tsx';
import { faultOf } from '../../api/faultOf.ts';
import { forgetSchool, keepSchool, useOwnSchools } from './ownSchools.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Length } from '../../ui/Figure.tsx';

interface Props {
  of: SagWindow['of'];
  where: string;
  window: SagLimits;
  machineClass: MachineClass;
}

/** Makes a window one of the shop's own schools for this class, under a name; what is there can be forgotten. */
export function KeepSchool({ of, where, window, machineClass }: Props) {
  const [open, setOpen] = useState(false);
  const [title, setTitle] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const schools = useOwnSchools();
  const own = schools.filter((one) => one.of === of && one.on.includes(machineClass));
  const attempt = (change: Promise<void>, then: () => void) =>
    void change.then(
      () => {
        setFault(null);
        then();
      },
      (error: unknown) => setFault(faultOf(error)),
    );
  const done = () => {
    if (title.trim() === '') return;
    attempt(keepSchool(title.trim(), of, window, machineClass), () => {
      setTitle('');
      setOpen(false);
    });
  };
  return (
    <>
      <Button
        look="quiet"
        className="label"
        aria-label={`Save as preset, ${where}`}
        onClick={() => setOpen(true)}
      >
        save as preset
      </Button>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title="Your own preset"
        description={`For every ${classDefaults[machineClass].title} in this shop: ${of === 'rider' ? 'rider on' : 'nobody on'}.`}
      >
        <p>
          <Length mm={window.fromMm} /> to <Length mm={window.toMm} />
        </p>
        <label className="mt-3 block">
          <span className="label text-second block">Name of the preset</span>
          <input
            value={title}
            maxLength={40}
            onChange={(event) => setTitle(event.target.value)}
            onKeyDown={(event) => event.key === 'Enter' && done()}
            className="border-second/70 h-9 w-full border-b bg-transparent"
          />
        </label>
        <Button look="main" className="mt-3" disabled={title.trim() === ''} onClick={done}>
          Keep it
        </Button>
        <Fault words={fault} />
        {own.length > 0 && (
          <ul className="mt-4">
            {own.map((one) => (
              <li key={one.id} className="border-rule flex min-h-9 items-center justify-between border-t">
                <span>
                  {one.title}{' '}
                  <span className="label text-second">
                    <Length mm={one.low} bare /> to <Length mm={one.high} />
                  </span>
                </span>
                <button
                  type="button"
                  aria-label={`Forget ${one.title}`}
                  onClick={() => attempt(forgetSchool(one.id), () => undefined)}
                  className="text-second inline-flex size-9 items-center justify-center"
                >
                  <X aria-hidden size={16} />
                </button>
              </li>
            ))}
          </ul>
        )}
      </Dialog>
    </>
  );
}
