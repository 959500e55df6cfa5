import { createContext, use } from 'react';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { axleOf, twinOf, type Axle, type CornerId } from '#core/kinds/corners.ts';
import type { JobDocument, JobRecord } from '#core/document/types.ts';
import { pathKey, valueAt } from '../../jobStore/draftKeys.ts';
import { useDrafts } from '../../jobStore/drafts.ts';

interface Apart {
  /** The axles whose sides are shown each by itself, though they are alike. */
  axles: ReadonlySet<Axle>;
  show: (axle: Axle, apart: boolean) => void;
}

export const ApartContext = createContext<Apart>({ axles: new Set(), show: () => undefined });

/** One cell of a row: a corner by itself, or for both sides of its axle. */
export interface Cell {
  id: CornerId;
  both: boolean;
}

/**
 * A cell for every corner; one for both sides where what stands at these paths ("reference.kind") is the same, nobody asked
 * to see them apart, and nothing of the right side is being `typed` ("RF.reference.kind"): no field goes with words in it.
 */
export function cellsOf(
  document: JobDocument,
  paths: readonly string[] | undefined,
  apart: ReadonlySet<Axle>,
  typed: readonly string[] = [],
): Cell[] {
  const alike = (id: CornerId) => {
    const twin = twinOf(id);
    if (paths === undefined || twin === null || apart.has(axleOf(id))) return false;
    const right = isLeft(id) ? twin : id;
    return paths.every((path) => {
      const at = (one: CornerId) => JSON.stringify(valueAt(document, ['corners', one, ...path.split('.')]));
      return at(id) === at(twin) && !typed.some((key) => `${key}.`.startsWith(`${right}.${path}.`));
    });
  };
  return cornersIn(document).flatMap((id): Cell[] => {
    if (!alike(id)) return [{ id, both: false }];
    return isLeft(id) ? [{ id, both: true }] : [];
  });
}

const isLeft = (id: CornerId) => id.startsWith('L');

/** The cells of a row of a table by corners. */
export function useCells({ id, document }: JobRecord, paths: readonly string[] | undefined): Cell[] {
  const start = pathKey(id, ['corners', '']);
  // As one text, so that a key pressed in a field that is already being typed in draws nothing anew.
  const typed = useDrafts(({ drafts }) =>
    Object.keys(drafts)
      .flatMap((key) => (key.startsWith(start) ? [key.slice(start.length)] : []))
      .join('\n'),
  );
  return cellsOf(document, paths, use(ApartContext).axles, typed.split('\n'));
}
