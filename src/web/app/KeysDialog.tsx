import { Dialog } from '../ui/Dialog.tsx';
import { keyTable } from '../ui/keys.ts';

export function KeysDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} title="Keys">
      <dl className="grid grid-cols-[160px_1fr] gap-x-4 gap-y-2">
        {keyTable.map(({ keys, what }) => (
          <div key={what} className="contents">
            <dt className="flex gap-1">
              {keys.map((key) => (
                <kbd key={key} className="border-rule border px-1.5 font-sans text-[13px]">
                  {key}
                </kbd>
              ))}
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <p className="label text-second mt-4" data-testid="version">
        Margin {MARGIN_VERSION}
      </p>
    </Dialog>
  );
}
