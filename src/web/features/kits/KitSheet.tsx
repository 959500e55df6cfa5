import { Download, Trash2 } from 'lucide-react';
import { TorqueList } from './TorqueList.tsx';
import * as ranges from '#core/document/description/ranges.ts';
import { classDefaults, machineClasses } from '#core/kinds/classes/index.ts';
import { blankKitEnd, type Kit, type KitValues } from '#core/kits/kit.ts';
import type { KitOutcome } from '#core/kits/outcome.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { TextField } from '../../forms/TextField.tsx';
import { Button } from '../../ui/Button.tsx';
import { capital } from '../../ui/words.ts';
import { KitEndFields } from './KitEndFields.tsx';
import { saveKit } from './kitFiles.ts';
import { KitResults } from './KitResults.tsx';
import type { KitChange, KitEdits } from './useKitEdits.ts';

interface Props {
  kit: Kit;
  outcomes: readonly KitOutcome[];
  edits: KitEdits;
}

/** A kit's sheet, typed over where it stands, with what jobs came to with it. */
export function KitSheet({ kit, outcomes, edits }: Props) {
  const set: PartProps['set'] = (part) => edits.edit(kit, typeof part === 'function' ? part : () => part);
  return (
    <article aria-label={kit.kit.name} data-fields className="bg-sheet border-rule relative border p-4">
      <Whole kit={kit} set={set} />
      <section aria-label="What jobs came to" className="border-rule mt-6 border-t pt-3">
        <h2 className="mb-2 font-semibold">What our jobs with it came to</h2>
        <KitResults kit={kit} outcomes={outcomes} />
      </section>
      {(['front', 'rear'] as const).map((axle) => {
        const end = kit.kit[axle];
        return (
          <section key={axle} aria-label={capital(axle)} className="border-rule mt-6 border-t pt-3">
            <div className="mb-3 flex items-center justify-between">
              <h2 className="font-semibold">{capital(axle)}</h2>
              <Button look="quiet" onClick={() => set({ [axle]: end ? null : blankKitEnd() })}>
                {end ? `Nothing for the ${axle}` : `The kit has parts for the ${axle}`}
              </Button>
            </div>
            {end && (
              <KitEndFields
                id={kit.id}
                axle={axle}
                end={end}
                onChange={(change) =>
                  set((now) => {
                    const here = now[axle] ?? end;
                    return { [axle]: { ...here, ...change(here) } };
                  })
                }
              />
            )}
          </section>
        );
      })}
      <KitTorques kit={kit} set={set} />
      <div className="border-rule mt-4 flex flex-wrap gap-4 border-t pt-3">
        <Button onClick={() => saveKit(kit)}>
          <Download size={15} aria-hidden className="mr-1 inline" />
          Save as a file
        </Button>
        <Button look="quiet" onClick={() => edits.remove(kit)}>
          <Trash2 size={15} aria-hidden className="mr-1 inline" />
          Delete this kit
        </Button>
      </div>
    </article>
  );
}

interface PartProps {
  kit: Kit;
  set: (part: Partial<KitValues> | KitChange) => void;
}

/** What holds for the kit as a whole. */
function Whole({ kit: { id, kit }, set }: PartProps) {
  return (
    <div className="grid grid-cols-[repeat(auto-fill,minmax(min(13rem,100%),1fr))] gap-x-5 gap-y-6">
      <TextField
        label="Name of the kit"
        value={kit.name}
        required
        draftKey={`kit.${id}.name`}
        maxLength={ranges.mostName}
        onCommit={(name) => set({ name })}
      />
      <div className="col-span-2 narrow:col-span-1">
        <TextField
          label="Made for"
          value={kit.machines}
          draftKey={`kit.${id}.machines`}
          maxLength={ranges.mostLabel}
          placeholder="which machines, in the sheet’s words"
          onCommit={(machines) => set({ machines })}
        />
      </div>
      <TextField
        label="Heights are meant with aboard"
        value={kit.load}
        draftKey={`kit.${id}.load`}
        maxLength={ranges.mostLabel}
        placeholder="nobody, full tank"
        onCommit={(load) => set({ load })}
      />
      <NumberField
        label="Heights within"
        showLabel
        order={1}
        quantity="size"
        decimals={1}
        range={ranges.toleranceMm}
        placeholder="not on the sheet"
        draftKey={`kit.${id}.tolerance`}
        value={kit.toleranceMm}
        onCommit={(toleranceMm) => set({ toleranceMm })}
      />
      <NumberField
        label="Driven before it is read"
        showLabel
        order={2}
        quantity="distance"
        decimals={0}
        range={ranges.recheckKm}
        placeholder="not on the sheet"
        draftKey={`kit.${id}.driveIn`}
        value={kit.driveInKm}
        onCommit={(driveInKm) => set({ driveInKm })}
      />
      <div className="col-span-2 narrow:col-span-1">
        <TextField
          label="Note"
          value={kit.note}
          draftKey={`kit.${id}.note`}
          maxLength={ranges.mostNote}
          onCommit={(note) => set({ note })}
        />
      </div>
      <MadeFor kit={kit} set={set} />
    </div>
  );
}

/** The kinds of machine it is for, and whether dampers come with it. */
function MadeFor({ kit, set }: { kit: KitValues; set: PartProps['set'] }) {
  const toggle = (one: KitValues['classes'][number]) =>
    set(({ classes }) => ({
      classes: classes.includes(one) ? classes.filter((other) => other !== one) : [...classes, one],
    }));
  return (
    <>
      <label className="col-span-full flex min-h-9 cursor-pointer items-center gap-1.5">
        <input
          type="checkbox"
          checked={kit.dampers}
          onChange={() => set({ dampers: !kit.dampers })}
          className="accent-action size-4"
        />
        Dampers come with it
      </label>
      <fieldset className="col-span-full flex flex-wrap items-center gap-x-4">
        <legend className="label text-second">For which kind of machine; none is any</legend>
        {machineClasses.map((one) => (
          <label key={one} className="flex min-h-9 cursor-pointer items-center gap-1.5">
            <input
              type="checkbox"
              checked={kit.classes.includes(one)}
              onChange={() => toggle(one)}
              className="accent-action size-4"
            />
            {classDefaults[one].title}
          </label>
        ))}
      </fieldset>
    </>
  );
}

function KitTorques({ kit: { id, kit }, set }: PartProps) {
  return (
    <section aria-label="Torques" className="border-rule mt-6 border-t pt-3">
      <h2 className="mb-2 font-semibold">Torques</h2>
      <TorqueList
        torques={kit.torques}
        set={(change) => set(({ torques }) => ({ torques: change(torques) }))}
        draftKey={`kit.${id}.torque`}
      />
    </section>
  );
}
