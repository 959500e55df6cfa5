import { Pencil } from 'lucide-react';
import { useSearchParams } from 'react-router';
import { limits } from '#contract/limits.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { TextField } from '../../forms/TextField.tsx';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';

/** Shows the dialog with what a job is called and whose it is; as part of the address, so that lists can lead to it. */
const ASKED = 'about';

const texts = [
  { name: 'customer', label: 'Customer' },
  { name: 'phone', label: 'Telephone number' },
  { name: 'plate', label: 'Plate or frame number' },
  { name: 'technician', label: 'Technician' },
] as const;

/** What a job is called, whose machine it is and who works on it. */
export function AboutJob() {
  const job = useThisJob();
  const [params, setParams] = useSearchParams();
  const { id, document } = job.record;
  const show = (open: boolean) =>
    setParams(
      (now) => {
        if (open) now.set(ASKED, '');
        else now.delete(ASKED);
        return now;
      },
      { replace: true },
    );
  const { about } = document;
  return (
    <>
      <button
        type="button"
        aria-label="Rename, details"
        aria-haspopup="dialog"
        onClick={() => show(true)}
        className="text-second -my-1 grid size-8 shrink-0 place-items-center print:hidden"
      >
        <Pencil size={15} aria-hidden />
      </button>
      <Dialog open={params.has(ASKED)} onClose={() => show(false)} title="Details of the job">
        <div className="grid grid-cols-2 gap-x-6 gap-y-4 max-sm:grid-cols-1">
          <TextField
            label="Job name"
            required
            value={document.name}
            draftKey={pathKey(id, ['name'])}
            maxLength={limits.nameLength}
            onCommit={(to) => job.actions.change('Job name', [['name'], to])}
          />
          {texts.map(({ name, label }) => (
            <TextField
              key={name}
              label={label}
              value={about[name]}
              draftKey={pathKey(id, ['about', name])}
              maxLength={limits.nameLength}
              onCommit={(to) => job.actions.change(label, [['about', name], to])}
            />
          ))}
          <NumberField
            label="Odometer"
            showLabel
            order={1}
            quantity="distance"
            decimals={0}
            range={limits.odometerKm}
            draftKey={pathKey(id, ['about', 'odometerKm'])}
            value={about.odometerKm}
            onCommit={(km) => job.actions.change('Odometer', [['about', 'odometerKm'], km])}
          />
          <label>
            <span className="label text-second block">Came in on</span>
            <input
              type="date"
              value={about.cameIn ?? ''}
              onChange={(event) =>
                job.actions.change('Day it came in', [['about', 'cameIn'], event.target.value || null])
              }
              className="border-second/70 h-9 w-full border-b bg-transparent"
            />
          </label>
        </div>
        <Button look="main" className="mt-6" onClick={() => show(false)}>
          Done
        </Button>
      </Dialog>
    </>
  );
}
