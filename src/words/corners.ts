import { cornerNames, type CornerId } from '#core/kinds/corners.ts';

/** Corners in a sentence: "front left, front right and rear left". */
export function cornersTold(corners: readonly CornerId[]): string {
  const names = corners.map((id) => cornerNames[id]);
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}
