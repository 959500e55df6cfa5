import { useState } from 'react';
import { Plus, Trash2 } from 'lucide-react';
import * as ranges from '#core/document/description/ranges.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { TextField } from '../../forms/TextField.tsx';
import { Button } from '../../ui/Button.tsx';

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

/** Bolts by name, each with its torque; added, typed over, removed. A bolt counts once its torque is typed: none is guessed. */
export function TorqueList({ torques, set, draftKey }: Props) {
  /** What the bolt that is being added is called; null while none is. */
  const [begun, setBegun] = useState<string | null>(null);
  const change = (k: number, part: Partial<Torque>) =>
    set((all) => all.map((one, i) => (i === k ? { ...one, ...part } : one)));
  const keep = (nm: number | null) => {
    if (nm === null) return;
    set((all) => [...all, { what: begun || `bolt ${all.length + 1}`, nm }]);
    setBegun(null);
  };
  return (
    <>
      {torques.map(({ what, nm }, k) => (
        <Bolt
          key={k}
          k={k}
          draftKey={draftKey}
          what={what}
          nm={nm}
          name={(text) => change(k, { what: text })}
          tighten={(value) => value !== null && change(k, { nm: value })}
          remove={() => set((all) => all.filter((_, i) => i !== k))}
        />
      ))}
      {begun !== null && (
        <Bolt
          k={torques.length}
          draftKey={`${draftKey}.new`}
          what={begun}
          nm={null}
          name={setBegun}
          tighten={keep}
          remove={() => setBegun(null)}
        />
      )}
      {begun === null && (
        <Button look="quiet" onClick={() => setBegun('')}>
          <Plus size={15} aria-hidden className="mr-1 inline" />
          Add a torque
        </Button>
      )}
    </>
  );
}

interface BoltProps {
  /** Its place in the list. */
  k: number;
  draftKey: string;
  what: string;
  nm: number | null;
  name: (what: string) => void;
  tighten: (nm: number | null) => void;
  remove: () => void;
}

function Bolt({ k, draftKey, what, nm, name, tighten, remove }: BoltProps) {
  return (
    <div className="mb-5 flex flex-wrap items-end gap-4">
      <div className="w-64">
        <TextField
          label={`Bolt ${k + 1}`}
          value={what}
          required={nm !== null}
          draftKey={`${draftKey}.${k}.what`}
          maxLength={ranges.mostName}
          placeholder="which one"
          onCommit={name}
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
        onCommit={tighten}
      />
      <Button look="quiet" aria-label={`Remove bolt ${k + 1}`} onClick={remove}>
        <Trash2 size={15} aria-hidden />
      </Button>
    </div>
  );
}
