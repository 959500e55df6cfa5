import { useShopSettings } from '../../api/shop.ts';
import { classDefaults } from '#core/kinds/classes/index.ts';
import { sizeText } from '#core/units/formatLength.ts';
import { pathWords } from '#words/fields.ts';
import { PathField } from '../../forms/fields.tsx';
import { TextField } from '../../forms/TextField.tsx';
import { pathKey, valueAt } from '../../jobStore/draftKeys.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Select } from '../../ui/Select.tsx';
import { useLengthStyle } from '../../ui/settings.ts';
import { capital } from '../../ui/words.ts';
import { PartChoice } from './PartChoice.tsx';
import { SideChoice } from './SideChoice.tsx';

/** How near is near enough, which end comes first, what machine it is and what is aboard. */
export function JobFields() {
  return (
    <div
      data-fields
      className="border-rule relative mt-2 grid grid-cols-4 items-end gap-x-4 gap-y-2 border-t pt-2 max-md:grid-cols-2"
    >
      <PathField path={['toleranceMm']} label="Tolerance, each corner ±" showLabel order={1} />
      <TolerancePreset />
      <HardEnd />
      <PartChoice stacked />
      <SideChoice />
      <MachineText path={['machine', 'title']} label="Machine" most={80} />
      <MachineText path={['load']} label="Load on board while measuring" most={200} />
    </div>
  );
}

function MachineText({ path, label, most }: { path: string[]; label: string; most: number }) {
  const { record, actions } = useThisJob();
  return (
    <div className="md:col-span-2">
      <TextField
        label={label}
        value={valueAt(record.document, path) as string}
        draftKey={pathKey(record.id, path)}
        maxLength={most}
        onCommit={(value) => actions.change(capital(pathWords(path)), [path, value])}
      />
    </div>
  );
}

/** What makers allow and careful people want, corner to corner; where to start from, not dogma. */
const tolerancePresets = [
  { mm: 3, words: 'careful' },
  { mm: 6, words: 'as car makers allow' },
  { mm: 13, words: 'as truck makers allow' },
  { mm: 25, words: 'as side-by-side makers allow' },
];

function TolerancePreset() {
  const job = useThisJob();
  const style = useLengthStyle(0);
  const { document } = job.record;
  const now = document.toleranceMm;
  const shop = useShopSettings().data?.tolerances[document.machine.class];
  const presets =
    shop === undefined
      ? tolerancePresets
      : [{ mm: shop, words: 'this shop' }, ...tolerancePresets.filter(({ mm }) => mm !== shop)];
  const known = presets.some(({ mm }) => mm === now);
  return (
    <label className="min-w-0">
      <span className="label text-second block">Tolerance from</span>
      <Select
        look="w-full"
        value={now === null ? '' : known ? String(now) : 'own'}
        options={[
          {
            value: '',
            words: `this class: ${sizeText(classDefaults[document.machine.class].toleranceMm, style.system)}`,
          },
          ...presets.map(({ mm, words }) => ({
            value: String(mm),
            words: `${words}: ${sizeText(mm, style.system)}`,
          })),
          ...(now !== null && !known ? [{ value: 'own', words: 'own' }] : []),
        ]}
        onChange={(to) =>
          to !== 'own' && job.actions.change('Tolerance', [['toleranceMm'], to === '' ? null : Number(to)])
        }
      />
    </label>
  );
}

/** Which end means taking things apart: it is turned first. */
function HardEnd() {
  const job = useThisJob();
  return (
    <label className="min-w-0">
      <span className="label text-second block">Harder end to reach</span>
      <Select
        look="w-full"
        value={job.record.document.hardEnd ?? ''}
        options={[
          { value: '', words: 'neither end' },
          { value: 'front', words: 'the front: set first' },
          { value: 'rear', words: 'the rear: set first' },
        ]}
        onChange={(to) => job.actions.change('Harder end to reach', [['hardEnd'], to || null])}
      />
    </label>
  );
}
