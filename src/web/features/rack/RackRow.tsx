import { Check, Layers, Pencil, Trash2 } from 'lucide-react';
import { Link } from 'react-router';
import { plainSetup } from '#core/lab/setup.ts';
import { springFromRack, type RackSpring } from '#core/rack/spring.ts';
import { Button } from '../../ui/Button.tsx';
import { toLink } from '../lab/labLink.ts';
import { MeasureSpring } from './MeasureSpring.tsx';
import { cells } from './rackCells.tsx';
import { TorsionFields } from './TorsionFields.tsx';
import type { RackEdits } from './useRackEdits.ts';

interface Props {
  spring: RackSpring;
  /** Place on the page, for the order of its fields. */
  rank: number;
  edits: RackEdits;
  open: boolean;
  onOpen: (open: boolean) => void;
}

/** A spring to be read; opened, every figure can be typed over and what else can be done stands under it. */
export function RackRow({ spring, rank, edits, open, onOpen }: Props) {
  return (
    <>
      <tr data-spring={spring.name} className={`border-rule border-t ${open ? 'bg-wash/40' : ''}`}>
        {cells.map(({ id, Read, Cell }, c) => (
          <td key={id} className="relative h-9 pr-3 align-middle">
            {open ? <Cell spring={spring} edits={edits} order={20 * rank + c} /> : <Read spring={spring} />}
          </td>
        ))}
        <td className="text-right">
          <button
            type="button"
            aria-label={`${open ? 'Done with' : 'Edit'} ${spring.name}`}
            aria-expanded={open}
            onClick={() => onOpen(!open)}
            className="text-action label inline-flex min-h-8 items-center gap-1 font-semibold"
          >
            {open ? <Check size={14} aria-hidden /> : <Pencil size={14} aria-hidden />}
            {open ? 'Done' : 'Edit'}
          </button>
        </td>
      </tr>
      {open && (
        <tr className="bg-wash/40">
          <td colSpan={cells.length + 1} className="pb-2">
            <TorsionFields spring={spring} edits={edits} />
            <Actions spring={spring} edits={edits} />
          </td>
        </tr>
      )}
    </>
  );
}

function Actions({ spring, edits }: Pick<Props, 'spring' | 'edits'>) {
  const document = springFromRack(spring);
  return (
    <div className="flex flex-wrap items-center gap-x-6">
      <MeasureSpring spring={spring} edits={edits} />
      {document && (
        <Link
          to={`/stack?s=${toLink([{ ...plainSetup, name: spring.name, springs: [document] }])}`}
          aria-label={`${spring.name} to the stack lab`}
          className="text-action inline-flex min-h-9 items-center gap-1.5 font-semibold underline underline-offset-4"
        >
          <Layers size={15} aria-hidden />
          To the stack lab
        </Link>
      )}
      <Button look="quiet" aria-label={`Remove ${spring.name}`} onClick={() => edits.remove(spring)}>
        <Trash2 size={15} aria-hidden className="mr-1.5 inline" />
        Remove
      </Button>
    </div>
  );
}
