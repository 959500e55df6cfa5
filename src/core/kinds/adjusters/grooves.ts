import { plain, type Adjuster } from './adjuster.ts';

/** A seat that clips into grooves of the damper. */
export const grooves: Adjuster = {
  ...plain,
  title: 'seat on grooves',
  does: 'goes in fixed steps',
  on: ['wheels', 'bikes'],
  bikeEnd: 'rear',
  goes: { by: 'steps', step: { one: 'groove', many: 'grooves' }, counted: 'towards the spring' },
  onDamper: true,
  cautions: ['top-nut'],
};
