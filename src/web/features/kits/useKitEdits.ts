import type { Kit, KitValues } from '#core/kits/kit.ts';
import { refetchKits, usePutKit, useRemoveKit } from '../../api/kits.ts';
import { useEdits } from '../../api/useEdits.ts';

/** Changing kits, by the fields of their sheets. */
export function useKitEdits() {
  const put = usePutKit();
  const removal = useRemoveKit();
  const { add, ...edits } = useEdits<Kit, Partial<KitValues>>({
    put: put.mutateAsync,
    remove: removal.mutateAsync,
    refetch: refetchKits,
    nameOf: ({ kit }) => kit.name,
    changed: (one, part) => ({ ...one, kit: { ...one.kit, ...part } }),
    sameOf: (part, { kit }) =>
      Object.fromEntries((Object.keys(part) as (keyof KitValues)[]).map((key) => [key, kit[key]])),
  });
  /** Keeps a new kit; gives its id. */
  const addKit = (kit: KitValues): string => {
    const id = crypto.randomUUID();
    add({ id, kit, version: null });
    return id;
  };
  return { ...edits, add: addKit };
}

export type KitEdits = ReturnType<typeof useKitEdits>;
