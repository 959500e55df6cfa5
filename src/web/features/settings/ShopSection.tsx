import { X } from 'lucide-react';
import { useState } from 'react';
import type { ShopSettings } from '#contract/door.ts';
import { useKeepSettings, useShopSettings } from '../../api/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { faultOf } from '../../api/faultOf.ts';
import { Fault } from '../../ui/Fault.tsx';
import { LogoChoice } from './LogoChoice.tsx';
import { Section } from './Section.tsx';
import { LineField } from '../../ui/LineField.tsx';

/** What stands at the head of sheets, and who works here. */
export function ShopSection() {
  const { data, error } = useShopSettings();
  const keep = useKeepSettings();
  const fault = error ?? keep.error;
  const keepThen: Props['keep'] = (settings, done) => keep.mutate(settings, { onSuccess: done });
  return (
    <Section id="shop" title="The shop">
      {data && <ShopName settings={data} keep={keepThen} />}
      {data && <LogoChoice settings={data} />}
      {data && <People settings={data} keep={keepThen} />}
      <Fault words={fault && faultOf(fault)} />
    </Section>
  );
}

interface Props {
  settings: ShopSettings;
  /** `done` once it is kept: what was typed stays until then. */
  keep: (settings: ShopSettings, done: () => void) => void;
}

function ShopName({ settings, keep }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const name = typed ?? settings.shopName;
  const commit = () =>
    name.trim() !== settings.shopName && keep({ ...settings, shopName: name.trim() }, () => setTyped(null));
  return (
    <div className="mt-3 max-w-96">
      <LineField
        label="Name of the shop, at the head of sheets"
        value={name}
        maxLength={80}
        onChange={setTyped}
        onBlur={commit}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      />
    </div>
  );
}

function People({ settings, keep }: Props) {
  const { technicians } = settings;
  const [name, setName] = useState('');
  const added = name.trim();
  const known = technicians.includes(added);
  const add = () => {
    if (added === '' || known) return;
    keep({ ...settings, technicians: [...technicians, added] }, () => setName(''));
  };
  return (
    <form
      className="mt-4"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <p className="label text-second">
        Who works here. Each device says who it is with, and entries say so too.
      </p>
      <ul className="mt-1 flex flex-wrap gap-2">
        {technicians.map((one) => (
          <li key={one} className="border-rule flex min-h-9 items-center border pl-3">
            {one}
            <button
              type="button"
              aria-label={`Remove ${one}`}
              className="hover:bg-wash ml-1 grid size-9 place-items-center"
              onClick={() =>
                keep(
                  { ...settings, technicians: technicians.filter((other) => other !== one) },
                  () => undefined,
                )
              }
            >
              <X size={14} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex items-end gap-3">
        <LineField label="Name" value={name} maxLength={60} onChange={setName} className="h-10 w-56" />
        <Button type="submit" disabled={added === '' || known}>
          Add
        </Button>
        {known && <span className="text-second">is there already</span>}
      </div>
    </form>
  );
}
