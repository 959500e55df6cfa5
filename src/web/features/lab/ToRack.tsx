import { Archive, Check } from 'lucide-react';
import { useState } from 'react';
import type { SpringDocument } from '#core/document/spring.ts';
import { rackFromSpring } from '#core/rack/spring.ts';
import { usePutSpring } from '../../api/rack.ts';

/** Puts a spring of the bench on the rack. */
export function ToRack({ spring }: { spring: SpringDocument }) {
  const put = usePutSpring();
  const [kept, setKept] = useState<SpringDocument | null>(null);
  const there = kept === spring;
  const name = spring.name || 'spring';
  const words = there
    ? `${name} is on the rack`
    : put.isError
      ? `${name} is not on the rack: try again`
      : `Put ${name} on the rack`;
  return (
    <button
      type="button"
      aria-label={words}
      title={words}
      disabled={there || put.isPending}
      className={`inline-flex size-9 items-center justify-center ${put.isError ? 'text-short' : 'text-action'}`}
      onClick={() =>
        put.mutate(
          { ...rackFromSpring(spring), id: crypto.randomUUID(), version: null },
          { onSuccess: () => setKept(spring) },
        )
      }
    >
      {there ? <Check size={16} aria-hidden /> : <Archive size={16} aria-hidden />}
    </button>
  );
}
