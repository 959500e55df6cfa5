/** A way of stating where a crossover ring sits. */
interface RingSchool {
  id: 'gap' | 'datum' | 'share';
  title: string;
  why: string;
}

/** The three there are; lengths to be filled in. */
export const ringSchools: readonly RingSchool[] = [
  {
    id: 'gap',
    title: 'gap at ride height',
    why: 'larger at the end that squats, so that both ends cross over alike in motion; change it by about {10} at a time',
  },
  {
    id: 'datum',
    title: 'place from a datum',
    why: 'the kit sheet’s figure: a start, for the kit’s own load',
  },
  { id: 'share', title: 'share of bump travel', why: 'the same wherever the ride height is set' },
];
