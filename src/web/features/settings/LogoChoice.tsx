import { useRef } from 'react';
import type { ShopSettings } from '#contract/door.ts';
import { faultOf } from '../../api/faultOf.ts';
import { logoAddress, useKeepLogo } from '../../api/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Fault } from '../../ui/Fault.tsx';

/** The shop's logo, for the head of its sheets. */
export function LogoChoice({ settings }: { settings: ShopSettings }) {
  const input = useRef<HTMLInputElement>(null);
  const keep = useKeepLogo();
  const address = logoAddress(settings);
  return (
    <div className="mt-4">
      <p className="label text-second">
        Logo, beside it. A PNG, JPEG or WebP; the background may be see-through.
      </p>
      <div className="mt-1 flex flex-wrap items-center gap-3">
        {address && (
          <img
            src={address}
            alt="Logo of the shop"
            className="border-rule h-14 max-w-60 border bg-white p-1"
          />
        )}
        <Button look="quiet" disabled={keep.isPending} onClick={() => input.current?.click()}>
          {address ? 'Choose another' : 'Choose a logo'}
        </Button>
        {address && (
          <Button look="quiet" disabled={keep.isPending} onClick={() => keep.mutate(null)}>
            Remove it
          </Button>
        )}
        <input
          ref={input}
          type="file"
          accept="image/png,image/jpeg,image/webp"
          aria-label="Logo"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            event.target.value = '';
            if (file) keep.mutate(file);
          }}
        />
      </div>
      <Fault words={keep.error && faultOf(keep.error)} />
    </div>
  );
}
