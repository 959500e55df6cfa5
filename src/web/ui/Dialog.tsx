import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import { useRef, type ReactNode } from 'react';

interface Props {
  open: boolean;
  onClose: () => void;
  title: string;
  description?: string;
  children: ReactNode;
}

/** A modal sheet of paper: titled, closed with Escape, focus kept inside and given back. */
export function Dialog({ open, onClose, title, description, children }: Props) {
  // No trigger of Radix's own opens it: where the focus was is remembered here.
  const opener = useRef<HTMLElement | null>(null);
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Radix.Content
          onOpenAutoFocus={() => (opener.current = document.activeElement as HTMLElement | null)}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            opener.current?.focus();
          }}
          className="bg-sheet border-ink fixed top-[12vh] left-1/2 z-50 max-h-[76vh] w-[min(560px,calc(100vw-32px))] -translate-x-1/2 overflow-y-auto border p-6"
          {...(description ? {} : { 'aria-describedby': undefined })}
        >
          <Radix.Close
            aria-label="Close"
            className="hover:bg-wash absolute top-4 right-4 flex size-9 items-center justify-center"
          >
            <X size={18} aria-hidden />
          </Radix.Close>
          <Radix.Title className="text-head pr-10 font-semibold">{title}</Radix.Title>
          {description && <Radix.Description className="text-second mt-1">{description}</Radix.Description>}
          <div className="mt-4">{children}</div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
