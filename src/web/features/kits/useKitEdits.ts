import type { Kit, KitValues } from '#core/kits/kit.ts';
import { kitsLeft, refetchKits, showKit, usePutKit, useRemoveKit } from '../../api/kits.ts';
import { changedFields } from '../../api/leftBehind.ts';
import { useEdits } from '../../api/useEdits.ts';

/** What is changed of a sheet, from how it is when its turn comes: several changes may be on their way. */
export type KitChange = (kit: KitValues) => Partial<KitValues>;

/** Changing kits, by the fields of their sheets. */
export function useKitEdits(all: readonly Kit[] | undefined) {
  const put = usePutKit();
  const removal = useRemoveKit();
  const { add, ...edits } = useEdits<Kit, KitChange>({
    left: kitsLeft,
    all,
    show: showKit,
    put: put.mutateAsync,
    remove: removal.mutateAsync,
    refetch: refetchKits,
    nameOf: ({ kit }) => kit.name,
    changed: (one, change) => ({ ...one, kit: { ...one.kit, ...change(one.kit) } }),
    sameOf: (change, { kit }) => {
      const before = Object.fromEntries(
        (Object.keys(change(kit)) as (keyof KitValues)[]).map((key) => [key, kit[key]]),
      );
      return () => before;
    },
    partBetween: (was, now) => {
      const part = changedFields(was.kit, now.kit);
      return part && (() => part);
    },
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
