import type { NewPartKind } from '#core/kinds/newParts.ts';

/** What can be put in, by its name in the workshop. */
export const newPartNames: Record<NewPartKind, string> = {
  springs: 'springs',
  kit: 'springs and dampers',
  dampers: 'dampers',
  leaf: 'leaf or block',
  spacer: 'spacer',
  tyres: 'tyres',
  links: 'arms or links',
  bar: 'anti-roll bar',
  right: 'something put right',
};

/** What no longer holds once it is on, and what does. */
export const newPartMeans: Record<NewPartKind, string> = {
  springs: 'The rates and places of the old springs are forgotten; what the ratio was learnt to be stays.',
  kit: 'The old springs, collars and threads are forgotten; what the ratio was learnt to be stays.',
  dampers: 'Collars are read again; the springs and the ratio stay.',
  leaf: 'What it lifts is measured, not guessed; what the ratio was learnt to be stays.',
  spacer: 'What it lifts is measured; springs and ratio stay.',
  tyres: 'Heights over the ground are read again; springs and ratio stay.',
  links: 'The wheel moves its damper in another way now: the ratio is learnt again.',
  bar: 'Heights are read again; springs and ratio stay.',
  right: 'It is read again as it stands now; springs and ratio stay.',
};
