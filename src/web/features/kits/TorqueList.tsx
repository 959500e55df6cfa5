import { Plus, Trash2 } from 'lucide-react';
import * as ranges from '#core/document/description/ranges.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { TextField } from '../../forms/TextField.tsx';
import { Button } from '../../ui/Button.tsx';

/** N m. A torque that is added begins here, and is typed over. */
const COMMON_TORQUE_NM = 90;

/** What a bolt is tightened to. */
export interface Torque {
  what: string;
  nm: number;
}

interface Props {
  torques: readonly Torque[];
  /** Told what to make of the list, as it is when its turn comes. */
  set: (change: (torques: readonly Torque[]) => Torque[]) => void;
  draftKey: string;
}

/** Bolts by name, each with its torque; added, typed over, removed. */
export function TorqueList({ torques, set, draftKey }: Props) {
  const change = (k: number, part: Partial<Torque>) =>
    set((all) => all.map((one, i) => (i === k ? { ...one, ...part } : one)));
  return (
    <>
      {torques.map(({ what, nm }, k) => (
        <div key={k} className="mb-5 flex flex-wrap items-end gap-4">
          <div className="w-64">
            <TextField
              label={`Bolt ${k + 1}`}
              value={what}
              required
              draftKey={`${draftKey}.${k}.what`}
              maxLength={ranges.mostName}
              onCommit={(text) => change(k, { what: text })}
            />
          </div>
          <NumberField
            className="w-28"
            label={`Torque of bolt ${k + 1}`}
            showLabel
            order={300 + k}
            quantity="torque"
            range={ranges.torqueNm}
            draftKey={`${draftKey}.${k}.nm`}
            value={nm}
            onCommit={(value) => value !== null && change(k, { nm: value })}
          />
          <Button
            look="quiet"
            aria-label={`Remove bolt ${k + 1}`}
            onClick={() => set((all) => all.filter((_, i) => i !== k))}
          >
            <Trash2 size={15} aria-hidden />
          </Button>
        </div>
      ))}
      <Button
        look="quiet"
        onClick={() => set((all) => [...all, { what: `bolt ${all.length + 1}`, nm: COMMON_TORQUE_NM }])}
      >
        <Plus size={15} aria-hidden className="mr-1 inline" />
        Add a torque
      </Button>
    </>
  );
}
