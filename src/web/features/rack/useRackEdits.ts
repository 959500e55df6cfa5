import { useState } from 'react';
import type { RackSpring, RackValues } from '#core/rack/spring.ts';
import { rackLeft, refetchRack, showSpring, usePutSpring, useRemoveSpring } from '../../api/rack.ts';
import { changedFields } from '../../api/leftBehind.ts';
import { useEdits } from '../../api/useEdits.ts';

/** Changing the rack, by the figures of its springs. */
export function useRackEdits(all: readonly RackSpring[] | undefined) {
  const put = usePutSpring();
  const removal = useRemoveSpring();
  /** The spring that was added last, by its id. */
  const [added, setAdded] = useState<string | null>(null);
  const { add, ...edits } = useEdits<RackSpring, Partial<RackValues>>({
    left: rackLeft,
    all,
    show: showSpring,
    put: put.mutateAsync,
    remove: removal.mutateAsync,
    refetch: refetchRack,
    nameOf: ({ name }) => name,
    changed: (spring, part) => ({ ...spring, ...part }),
    sameOf: (part, was) =>
      Object.fromEntries((Object.keys(part) as (keyof RackValues)[]).map((key) => [key, was[key]])),
    partBetween: ({ version: _was, ...was }, { version: _now, ...now }) =>
      changedFields<RackValues>(was, now),
  });
  const addSpring = (values: RackValues) =>
    add({ ...values, id: crypto.randomUUID(), version: null }, ({ id }) => setAdded(id));
  return { ...edits, add: addSpring, added };
}

export type RackEdits = ReturnType<typeof useRackEdits>;
