import { UnitsTable } from '../features/settings/UnitsTable.tsx';
import { Dialog } from '../ui/Dialog.tsx';

export function UnitsDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title="Units"
      description="What is not chosen by itself goes with the length. A figure typed with its unit counts anywhere."
    >
      <UnitsTable />
    </Dialog>
  );
}
