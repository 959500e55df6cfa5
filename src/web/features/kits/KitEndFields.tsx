import { Plus, Trash2 } from 'lucide-react';
import * as ranges from '#core/document/description/ranges.ts';
import { blankSpring } from '#core/document/spring.ts';
import { referenceKinds, type ReferenceKind } from '#core/geometry/reference.ts';
import type { Axle } from '#core/kinds/corners.ts';
import type { KitEnd } from '#core/kits/kit.ts';
import type { Range } from '#core/document/description/field.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import type { QuantityName } from '../../forms/quantity.ts';
import { TextField } from '../../forms/TextField.tsx';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Select.tsx';
import { capital } from '../../ui/words.ts';

interface Props {
  id: string;
  axle: Axle;
  end: KitEnd;
  /** Told what to make of the end, as it is when its turn comes. */
  onChange: (change: (end: KitEnd) => Partial<KitEnd>) => void;
}

/** Numbers of an end. */
const numbers = {
  seatMm: { label: 'seat stands at', quantity: 'size', range: ranges.collarMm },
  ringMm: { label: 'ring stands at', quantity: 'size', range: ranges.collarMm },
  ringGapMm: { label: 'gap at the ring, at ride height', quantity: 'size', range: ranges.gapMm },
  heightMm: { label: 'ride height', quantity: 'length', range: ranges.heightMm },
  preloadMm: { label: 'preload', quantity: 'size', range: ranges.preloadMm },
} as const satisfies Partial<Record<keyof KitEnd, { label: string; quantity: QuantityName; range: Range }>>;
type NumberKey = keyof typeof numbers;

const isReference = (value: string): value is ReferenceKind => value in referenceKinds;

/** What the sheet has for one end, typed over. */
export function KitEndFields({ id, axle, end, onChange }: Props) {
  const name = capital(axle);
  const field = (key: NumberKey, order: number) => (
    <NumberField
      label={`${name}: ${numbers[key].label}`}
      showLabel
      order={(axle === 'front' ? 0 : 100) + order}
      quantity={numbers[key].quantity}
      decimals={1}
      range={numbers[key].range}
      placeholder="not on the sheet"
      draftKey={`kit.${id}.${axle}.${key}`}
      value={end[key]}
      onCommit={(value) => onChange(() => ({ [key]: value }))}
    />
  );
  const from = (key: 'seatFrom' | 'ringFrom', what: string) => (
    <TextField
      label={`${name}: ${what} measured from`}
      value={end[key]}
      draftKey={`kit.${id}.${axle}.${key}`}
      maxLength={ranges.mostName}
      placeholder="top edge of the body"
      onCommit={(text) => onChange(() => ({ [key]: text }))}
    />
  );
  return (
    <div className="grid grid-cols-3 gap-x-5 gap-y-6 narrow:grid-cols-1">
      {field('seatMm', 0)}
      {from('seatFrom', 'seat')}
      <label className="block">
        <span className="label text-second block">{name}: that reading, as the machine is raised</span>
        <Select
          label={`${name}: that reading, as the machine is raised`}
          value={end.grows}
          options={[
            { value: 'with-seat', words: 'grows' },
            { value: 'against-seat', words: 'shrinks' },
          ]}
          onChange={(grows) =>
            onChange(() => ({ grows: grows === 'with-seat' ? 'with-seat' : 'against-seat' }))
          }
        />
      </label>
      {field('ringMm', 1)}
      {from('ringFrom', 'ring')}
      {field('ringGapMm', 2)}
      {field('heightMm', 3)}
      <label className="block">
        <span className="label text-second block">{name}: height measured by</span>
        <Select
          label={`${name}: height measured by`}
          value={end.reference ?? ''}
          options={[
            { value: '', words: 'not on the sheet' },
            ...Object.entries(referenceKinds).map(([value, { title }]) => ({ value, words: title })),
          ]}
          onChange={(value) => onChange(() => ({ reference: isReference(value) ? value : null }))}
        />
      </label>
      {field('preloadMm', 4)}
      <Springs id={id} axle={axle} end={end} onChange={onChange} />
      <Options id={id} axle={axle} end={end} onChange={onChange} />
    </div>
  );
}

function Springs({ id, axle, end, onChange }: Props) {
  const { springs } = end;
  const set = (k: number, part: Partial<KitEnd['springs'][number]>) =>
    onChange((now) => ({ springs: now.springs.map((one, i) => (i === k ? { ...one, ...part } : one)) }));
  return (
    <div className="col-span-full">
      {springs.map((spring, k) => (
        <div key={k} className="mb-5 flex flex-wrap items-end gap-x-4 gap-y-5">
          <div className="w-44">
            <TextField
              label={`${capital(axle)} spring ${k + 1}: its name`}
              value={spring.name}
              draftKey={`kit.${id}.${axle}.spring.${k}.name`}
              maxLength={ranges.mostName}
              placeholder="as its sticker has it"
              onCommit={(name) => set(k, { name })}
            />
          </div>
          <NumberField
            className="w-32"
            label={`${capital(axle)} spring ${k + 1}: rate`}
            showLabel
            order={(axle === 'front' ? 20 : 120) + 3 * k}
            quantity="rate"
            decimals={1}
            range={ranges.springRateNPerMm}
            placeholder="not known"
            draftKey={`kit.${id}.${axle}.spring.${k}.rate`}
            value={spring.rateNPerMm}
            onCommit={(rateNPerMm) => set(k, { rateNPerMm })}
          />
          <NumberField
            className="w-44"
            label={`${capital(axle)} spring ${k + 1}: free length`}
            showLabel
            order={(axle === 'front' ? 21 : 121) + 3 * k}
            quantity="size"
            decimals={0}
            range={ranges.partMm}
            placeholder="not known"
            draftKey={`kit.${id}.${axle}.spring.${k}.free`}
            value={spring.freeLengthMm}
            onCommit={(freeLengthMm) => set(k, { freeLengthMm })}
          />
          <Button
            look="quiet"
            aria-label={`Remove ${axle} spring ${k + 1}`}
            onClick={() => onChange((now) => ({ springs: now.springs.filter((_, i) => i !== k) }))}
          >
            <Trash2 size={15} aria-hidden />
          </Button>
        </div>
      ))}
      {springs.length < ranges.mostSprings && (
        <Button look="quiet" onClick={() => onChange((now) => ({ springs: [...now.springs, blankSpring] }))}>
          <Plus size={15} aria-hidden className="mr-1 inline" />
          {capital(axle)}: add a spring
        </Button>
      )}
    </div>
  );
}

/** mm. An option's preload begins at the sheet's plain one, or at what is common. */
const COMMON_PRELOAD_MM = 10;

function Options({ id, axle, end, onChange }: Props) {
  const { options } = end;
  const set = (k: number, part: Partial<KitEnd['options'][number]>) =>
    onChange((now) => ({ options: now.options.map((one, i) => (i === k ? { ...one, ...part } : one)) }));
  return (
    <div className="col-span-full">
      {options.map((option, k) => (
        <div key={k} className="mb-5 flex flex-wrap items-end gap-4">
          <div className="w-56">
            <TextField
              label={`${capital(axle)} option ${k + 1}: when`}
              value={option.name}
              required
              draftKey={`kit.${id}.${axle}.option.${k}.name`}
              maxLength={ranges.mostName}
              onCommit={(name) => set(k, { name })}
            />
          </div>
          <NumberField
            className="w-48"
            label={`${capital(axle)} option ${k + 1}: preload`}
            showLabel
            order={(axle === 'front' ? 50 : 150) + k}
            quantity="size"
            decimals={1}
            range={ranges.preloadMm}
            draftKey={`kit.${id}.${axle}.option.${k}.preload`}
            value={option.preloadMm}
            onCommit={(mm) => mm !== null && set(k, { preloadMm: mm })}
          />
          <Button
            look="quiet"
            aria-label={`Remove ${axle} option ${k + 1}`}
            onClick={() => onChange((now) => ({ options: now.options.filter((_, i) => i !== k) }))}
          >
            <Trash2 size={15} aria-hidden />
          </Button>
        </div>
      ))}
      <Button
        look="quiet"
        onClick={() =>
          onChange((now) => ({
            options: [
              ...now.options,
              { name: `heavy load ${now.options.length + 1}`, preloadMm: now.preloadMm ?? COMMON_PRELOAD_MM },
            ],
          }))
        }
      >
        <Plus size={15} aria-hidden className="mr-1 inline" />
        {capital(axle)}: add a preload for a heavy load
      </Button>
    </div>
  );
}
