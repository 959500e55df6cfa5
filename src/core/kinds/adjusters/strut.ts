import { plain, type Adjuster } from './adjuster.ts';

/** A strut whose seat is read from the hole of its mounting bolt. */
export const strut: Adjuster = {
  ...plain,
  title: 'strut, seat read from its hole',
  does: 'a seat whose place is read from the mounting hole’s centre',
  on: ['wheels'],
  goes: { by: 'thread' },
  onDamper: true,
  cautions: ['thread', 'top-nut'],
  datum: 'centre of the mounting hole',
};
