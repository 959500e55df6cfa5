import { X } from 'lucide-react';
import { limits } from '#contract/limits.ts';
import type { ShopSettings, ShopSagWindow } from '#contract/door.ts';
import { classDefaults, machineClasses, type MachineClass } from '#core/kinds/classes/index.ts';
import { faultOf } from '../../api/faultOf.ts';
import { useKeepSettings, useShopSettings } from '../../api/shop.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { Fault } from '../../ui/Fault.tsx';
import { Length } from '../../ui/Figure.tsx';
import { capital } from '../../ui/words.ts';
import { Section } from './Section.tsx';

/** What new jobs begin with: within what heights are wanted, and the shop's own sag presets. */
export function NewJobsSection() {
  const { data, error } = useShopSettings();
  const keep = useKeepSettings();
  const fault = error ?? keep.error;
  return (
    <Section id="new-jobs" title="New jobs">
      {data && <Tolerances settings={data} keep={keep.mutate} />}
      {data && <SagPresets settings={data} keep={keep.mutate} />}
      <Fault words={fault && faultOf(fault)} />
    </Section>
  );
}

interface Props {
  settings: ShopSettings;
  keep: (settings: ShopSettings) => void;
}

function Tolerances({ settings, keep }: Props) {
  const { tolerances } = settings;
  return (
    <>
      <p className="label text-second mt-2">
        Within what a height is right. Grey is the usual; each job can still have its own.
      </p>
      <div className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-x-5 gap-y-3">
        {machineClasses.map((one, k) => (
          <NumberField
            key={one}
            label={capital(classDefaults[one].title)}
            showLabel
            order={k}
            draftKey={`shop.tolerance.${one}`}
            quantity="size"
            range={limits.toleranceMm}
            value={tolerances[one] ?? null}
            assumed={classDefaults[one].toleranceMm}
            onCommit={(mm) => keep({ ...settings, tolerances: withOne(tolerances, one, mm) })}
          />
        ))}
      </div>
    </>
  );
}

function withOne(
  tolerances: ShopSettings['tolerances'],
  of: MachineClass,
  mm: number | null,
): ShopSettings['tolerances'] {
  const others = Object.entries(tolerances).filter(([one]) => one !== of);
  return Object.fromEntries(mm === null ? others : [...others, [of, mm]]);
}

const machinesOf = ({ on }: ShopSagWindow) => on.map((one) => classDefaults[one].title).join(', ');

function SagPresets({ settings, keep }: Props) {
  const { sagWindows } = settings;
  return (
    <>
      <p className="label text-second mt-5">
        Sag presets of this shop. A new one is made at the sag bench, from a window with values of its own.
      </p>
      {sagWindows.length === 0 && <p className="mt-1">None yet.</p>}
      <ul className="mt-1">
        {sagWindows.map((one) => (
          <li
            key={one.id}
            className="border-rule flex min-h-10 flex-wrap items-center gap-x-4 border-t first:border-t-0"
          >
            <span className="min-w-40 font-semibold">{one.title}</span>
            <span>
              <Length mm={one.low} bare /> to <Length mm={one.high} />,{' '}
              {one.of === 'rider' ? 'rider on' : 'nobody on'}
            </span>
            <span className="text-second flex-1">{machinesOf(one)}</span>
            <button
              type="button"
              aria-label={`Forget ${one.title}`}
              className="hover:bg-wash grid size-10 place-items-center"
              onClick={() => keep({ ...settings, sagWindows: sagWindows.filter(({ id }) => id !== one.id) })}
            >
              <X size={14} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
