import { createContext, use } from 'react';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { axleOf, twinOf, type Axle, type CornerId } from '#core/kinds/corners.ts';
import type { JobDocument } from '#core/document/types.ts';
import { valueAt } from '../../jobStore/draftKeys.ts';

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

/** A cell for every corner; one for both sides where what stands at these paths ("reference.kind") is the same and nobody asked to see them apart. */
export function cellsOf(
  document: JobDocument,
  paths: readonly string[] | undefined,
  apart: ReadonlySet<Axle>,
): Cell[] {
  const alike = (id: CornerId) => {
    const twin = twinOf(id);
    return (
      paths !== undefined &&
      twin !== null &&
      !apart.has(axleOf(id)) &&
      paths.every((path) => {
        const at = (one: CornerId) => JSON.stringify(valueAt(document, ['corners', one, ...path.split('.')]));
        return at(id) === at(twin);
      })
    );
  };
  return cornersIn(document).flatMap((id): Cell[] => {
    if (!alike(id)) return [{ id, both: false }];
    return id.startsWith('L') ? [{ id, both: true }] : [];
  });
}

/** The cells of a row of a table by corners. */
export function useCells(document: JobDocument, paths: readonly string[] | undefined): Cell[] {
  return cellsOf(document, paths, use(ApartContext).axles);
}
