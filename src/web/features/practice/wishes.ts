import { axleOf, cornerNames, twinOf, type CornerId } from '#core/kinds/corners.ts';

/** What is wanted, said once for both sides where it is the same at both: where, and mm. */
export function wishes(targets: Partial<Record<CornerId, number>>): { where: string; mm: number }[] {
  const corners = Object.entries(targets) as [CornerId, number][];
  return corners.flatMap(([id, mm]) => {
    const twin = twinOf(id) as CornerId | null;
    const alike = twin !== null && targets[twin] === mm;
    if (alike && corners.findIndex(([one]) => one === twin) < corners.findIndex(([one]) => one === id))
      return [];
    return [{ where: alike ? `at the ${axleOf(id)}` : `at the ${cornerNames[id]}`, mm }];
  });
}
