/** One word of the trade as Margin uses it. */
export interface Entry {
  /** Its place on the help page. */
  id: string;
  term: string;
  /** What else it is called. */
  also: readonly string[];
  /** What it is, then what follows from it. */
  means: readonly string[];
}

/** The words of the trade that stand on the pages, in the order of the alphabet. */
export const glossary: readonly Entry[] = [
  {
    id: 'bump',
    term: 'Bump',
    also: ['compression travel'],
    means: [
      'The way a wheel moves up towards the body.',
      'At full bump the suspension is on metal: bump travel left is what it can still rise.',
    ],
  },
  {
    id: 'bump-stop',
    term: 'Bump stop',
    also: ['bump rubber'],
    means: ['A soft block that is squeezed near full bump, so that metal does not hit metal.'],
  },
  {
    id: 'coil-bind',
    term: 'Coil bind',
    also: ['spring solid', 'coils touching'],
    means: [
      'All coils touch and the spring cannot get shorter.',
      'The margin “Coil space at full bump” says how much is left before that.',
    ],
  },
  {
    id: 'collar',
    term: 'Spring collar',
    also: ['spring seat', 'perch', 'preload ring'],
    means: [
      'The ring on the damper’s thread that holds one end of the spring.',
      'Towards the spring raises the machine. On some dampers that is up, on others down: look where the collar sits.',
    ],
  },
  {
    id: 'cross-weight',
    term: 'Cross weight',
    also: ['wedge', 'diagonal weight'],
    means: [
      'The weight on right front and left rear, as a share of all four wheels.',
      'Raising one corner loads it and the corner across from it.',
    ],
  },
  {
    id: 'crossover',
    term: 'Crossover ring',
    also: ['stop ring', 'crossover collar'],
    means: [
      'With two springs in a row, a ring stops the slider between them.',
      'From there only the stiffer spring works: the rate goes up. A smaller gap makes it come earlier.',
    ],
  },
  {
    id: 'damper',
    term: 'Damper',
    also: ['shock', 'shock absorber', 'strut'],
    means: ['What slows the movement of the wheel. Most springs sit around one.'],
  },
  {
    id: 'droop',
    term: 'Droop',
    also: ['extension travel', 'rebound travel'],
    means: [
      'The way a wheel moves down, away from the body.',
      'At full droop the suspension is topped out: droop left is what it can still extend.',
    ],
  },
  {
    id: 'friction-band',
    term: 'Friction band',
    also: ['stiction'],
    means: [
      'How much two readings differ: pressed down and let go, then lifted and let go.',
      'The true height is in the middle of the two.',
    ],
  },
  {
    id: 'lower-mount',
    term: 'Lower mount',
    also: ['threaded body', 'body length'],
    means: [
      'A threaded end that makes the damper longer or shorter.',
      'It sets height alone. Preload and travel stay as they are.',
    ],
  },
  {
    id: 'margin',
    term: 'Margin',
    also: ['what remains'],
    means: ['What is left before something runs out: thread, travel, coil space, clearance.'],
  },
  {
    id: 'motion-ratio',
    term: 'Motion ratio',
    also: ['leverage ratio', 'installation ratio', 'ratio'],
    means: [
      'How far the damper moves for each millimetre of the wheel. 0.5 is half as far.',
      'With 0.5, 1 mm of collar moves the machine 2 mm.',
    ],
  },
  {
    id: 'plus-or-minus',
    term: 'Plus or minus',
    also: ['±', 'spread', 'how sure', 'standard deviation'],
    means: [
      'What stands behind ± says how far the truth may be from the figure.',
      'Two times in three it is within that, and 19 times in 20 within twice that.',
      'A figure that was read has no ±: it is what the tape said.',
    ],
  },
  {
    id: 'preload',
    term: 'Preload',
    also: ['initial compression'],
    means: [
      'How far the spring is squeezed with the wheel hanging.',
      'More preload raises the machine. It does not make the spring stiffer.',
      'With the same load on, the spring is as long as before. The machine stands higher by what its seat rose.',
      'What gets less is the travel left to drop into holes. By hand it feels harder, since a push tries just that travel.',
    ],
  },
  {
    id: 'rake',
    term: 'Rake',
    also: [],
    means: ['Rear height minus front height, measured at like points.'],
  },
  {
    id: 'ride-height',
    term: 'Ride height',
    also: ['height'],
    means: ['How high the machine stands, between two points that the sheet names.'],
  },
  {
    id: 'sag',
    term: 'Sag',
    also: ['rider sag', 'race sag', 'static sag', 'free sag'],
    means: [
      'How far the machine settles from fully extended.',
      'Rider sag is with the rider on. Static sag is with the machine alone.',
      'Preload moves both by as much. If they do not fit together, the spring is wrong.',
    ],
  },
  {
    id: 'settling',
    term: 'Settling',
    also: ['sacking', 'taking a set'],
    means: ['The height that new springs lose in their first few hundred kilometres.'],
  },
  {
    id: 'spring-rate',
    term: 'Spring rate',
    also: ['stiffness', 'spring constant'],
    means: ['The force for each millimetre that the spring is squeezed: N/mm or lb/in.'],
  },
  {
    id: 'tender',
    term: 'Tender and helper',
    also: ['helper spring', 'keeper spring'],
    means: [
      'A helper only keeps the main spring in place. It is solid when the machine stands.',
      'A tender works with the main spring until a ring or its own coils stop it.',
    ],
  },
  {
    id: 'engagement',
    term: 'Thread engaged',
    also: ['thread engagement'],
    means: ['How deep a lower mount is screwed in. Too little and the mount can let go.'],
  },
  {
    id: 'thread-pitch',
    term: 'Thread pitch',
    also: ['pitch', 'mm a turn'],
    means: [
      'How far the collar goes in one turn.',
      'Measure over ten threads with a caliper. A tenth of that is the pitch. A wrong pitch makes every count of turns wrong by the same share.',
    ],
  },
  {
    id: 'tolerance',
    term: 'Tolerance',
    also: [],
    means: ['How far a height may be off its target and still be good.'],
  },
  {
    id: 'topped-out',
    term: 'Topped out',
    also: ['fully extended'],
    means: ['The suspension hangs at its end: there is no droop left.'],
  },
  {
    id: 'travel',
    term: 'Wheel travel',
    also: ['stroke at the wheel'],
    means: ['The whole way of a wheel, from full droop to metal. Travel used counts from full droop.'],
  },
];

/** Entries that have a drawing beside them. */
export const drawnTerms = ['cross-weight', 'crossover', 'droop', 'motion-ratio', 'preload', 'sag'] as const;

export type DrawnTerm = (typeof drawnTerms)[number];

/** Whether an entry has a drawing. */
export function isDrawn(id: string): id is DrawnTerm {
  return drawnTerms.some((one) => one === id);
}
