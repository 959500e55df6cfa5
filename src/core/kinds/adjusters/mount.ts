import { plain, type Adjuster } from './adjuster.ts';

/** A collar, and a lower mount on a thread of its own. */
export const mount: Adjuster = {
  ...plain,
  title: 'seat and lower mount',
  does: 'the mount sets height alone, the seat preload too',
  on: ['wheels'],
  goes: { by: 'thread' },
  beside: 'lower mount',
  onDamper: true,
  cautions: ['thread', 'engagement'],
};
