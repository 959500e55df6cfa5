import { cornerNames } from '#core/kinds/corners.ts';
import { type Reason } from '#core/planning/reasons.ts';

/** A reason in the workshop's words; `say` writes mm in the reader's units. */
export function reasonWords(reason: Reason, say: (mm: number) => string): { what: string; lift: string } {
  const abs = (mm: number) => say(Math.abs(mm));
  const where = 'corner' in reason ? cornerNames[reason.corner] : '';
  switch (reason.kind) {
    case 'thread':
      return {
        what: `The ${where} seat would have to move ${abs(reason.neededMm)}, and ${abs(reason.roomMm)} of thread is left that way. ${endsAt(reason.missingHeightMm, say)}`.trim(),
        lift: threadLift(reason, say),
      };
    case 'positions':
      return {
        what: `The ${where} cam is at its ${reason.up ? 'last' : 'first'} position. ${endsAt(reason.missingHeightMm, say)}`.trim(),
        lift: `${reason.up ? 'Stiffer' : 'Softer'} springs, or a ${reason.up ? 'lower' : 'higher'} target, would lift this.`,
      };
    case 'pressure':
      return {
        what: `The ${where} air spring would need ${reason.neededBar > 0 ? 'more pressure than its second chamber holds' : 'less pressure than none'}. ${endsAt(reason.missingHeightMm, say)}`.trim(),
        lift:
          reason.neededBar > 0
            ? 'More pressure in the second chamber, set first, or a lower target would lift this.'
            : 'A larger air chamber or a higher target would lift this.',
      };
    case 'mount':
      return {
        what: `The ${where} lower mount would have to move ${abs(reason.neededMm)}, and ${abs(reason.roomMm)} is left before ${reason.neededMm > 0 ? 'it holds too little thread' : 'it is screwed in all the way'}. ${reason.met ? 'The seat does the rest: preload and droop change with it.' : endsAt(reason.missingHeightMm, say)}`,
        lift:
          reason.neededMm > 0
            ? 'A longer damper body or a lower target would lift this; the rest can come from the seat if the preload may change.'
            : 'A shorter damper body or a higher target would lift this; the rest can come from the seat if the preload may change.',
      };
    case 'droop':
      return {
        what: `The ${where} target is ${say(reason.aboveMm)} above full droop: the damper tops out first.${reason.guessed ? ' That goes by an assumed travel.' : ''}`,
        lift: 'A longer damper or a lower target would lift this. More preload would not.',
      };
    case 'fixed':
    case 'step':
    case 'others':
    case 'pressed':
    case 'ground':
      return leftOverWords(reason, say);
    case 'ring-holds':
      return {
        what: `The ${where} slider rests on its crossover ring, so the seat behind it moves nothing. ${endsAt(reason.missingHeightMm, say)}`,
        lift: 'Let the ring follow the seat, set it to a gap, or fit a stiffer upper spring.',
      };
    case 'loose':
      return {
        what: `With the wheel hanging, the ${where} springs are ${say(reason.looseMm)} loose: they can leave their seats.`,
        lift: 'A helper spring, or a softer one with preload, would lift this. A longer one would not: it stands as high as before on a seat further back.',
      };
    case 'sag':
      return {
        what: `The ${where} would sag ${abs(reason.missingMm)} too ${reason.missingMm > 0 ? 'little' : 'much'}${sagCause[reason.because].why}`,
        lift: sagCause[reason.because].lift,
      };
    case 'cross':
      return {
        what: `${reason.what === 'front' ? 'The right front would carry' : 'Cross weight would be'} ${percent(reason.after)}${reason.what === 'front' ? ' of the front' : ''}, not ${percent(reason.target)}.`,
        lift: reason.tied
          ? 'Let left and right seats differ: only that moves it.'
          : 'The heights asked for, or a thread, hold it there. Bring one height to the other three, or give it more room. Scales shows what each costs the other.',
      };
    case 'rigid-body':
      return {
        what: `The four targets twist against the body. About ${say(reason.mm)} stays at each corner, up on one diagonal and down on the other.`,
        lift: 'Check the floor and the measuring points first, then bring one target to the other three.',
      };
    case 'tied':
      return {
        what: `Equal seats leave ${abs(reason.differenceMm)} between the sides at the ${where.split(' ')[0]}.`,
        lift: 'Let left and right differ, or accept the difference.',
      };
  }
}

/** What keeps a height off beside an adjuster that runs out. */
function leftOverWords(
  reason: Extract<Reason, { kind: 'fixed' | 'step' | 'others' | 'pressed' | 'ground' }>,
  say: (mm: number) => string,
): { what: string; lift: string } {
  const where = cornerNames[reason.corner];
  switch (reason.kind) {
    case 'fixed':
      return {
        what: `Nothing can be turned ${where}. ${endsAt(reason.missingHeightMm, say)}`,
        lift: 'Take the height it has as its target, or fit something that can be adjusted.',
      };
    case 'step':
      return {
        what: `One step moves the ${where} by ${say(reason.stepMm)}. ${endsAt(reason.missingHeightMm, say)}`,
        lift: 'That is the nearest step there is. Accept it, or widen the tolerance.',
      };
    case 'others':
      return {
        what: `What is asked of the other corners holds the ${where}. ${endsAt(reason.missingHeightMm, say)}`,
        lift: 'Bring its target nearer to the others, or let theirs go.',
      };
    case 'pressed':
      return reason.end === 'metal'
        ? {
            what: `The ${where} has no bump travel left. Nothing is planned there until it stands off its end. ${endsAt(reason.missingHeightMm, say)}`,
            lift: 'Check its spring and what is on board first. A stiffer or longer spring would lift it off.',
          }
        : {
            what: `The ${where} hangs at full droop. Nothing is planned there until it stands off its end. ${endsAt(reason.missingHeightMm, say)}`,
            lift: 'Less preload would bring it down. A longer damper would let it rise.',
          };
    case 'ground':
      return {
        what: `${reason.name.charAt(0).toUpperCase()}${reason.name.slice(1)} has to stay ${say(reason.leastMm)} over the ground, and decides the height: ${reason.raised.map(({ corner, askedMm, toMm }) => `${cornerNames[corner]} ${say(toMm)} in place of ${say(askedMm)}`).join(', ')}.`,
        lift: 'Move the part, or give it less room, to have the height asked for.',
      };
  }
}

const sagCause = {
  height: {
    why: ': no place of the adjuster gives height and sag together.',
    lift: 'A lower mount sets height without preload; failing that another spring, or the one target given up for the other.',
  },
  thread: {
    why: ' with its adjuster at the end.',
    lift: 'Another spring is the cure: preload moves the sag, it does not make the spring stiffer.',
  },
  positions: {
    why: ' in the nearest position.',
    lift: 'Accept it if it lies in the window, or fit springs of another rate.',
  },
  other: {
    why: ', whatever the adjuster does.',
    lift: 'Another spring, or another sag to aim at.',
  },
} as const;

const percent = (share: number) => `${(100 * share).toFixed(1)} %`;

function endsAt(missingHeightMm: number | null, say: (mm: number) => string): string {
  if (missingHeightMm === null) return '';
  return `This plan ends ${say(Math.abs(missingHeightMm))} ${missingHeightMm > 0 ? 'low' : 'high'} there.`;
}

function threadLift(
  { neededMm, spring, mounted }: Extract<Reason, { kind: 'thread' }>,
  say: (mm: number) => string,
): string {
  const up = neededMm > 0;
  const longer = `a spring ${say(Math.abs(spring.longerMm))} ${up ? 'longer' : 'shorter'}`;
  const rate =
    spring.stiffer === null
      ? `a ${up ? 'stiffer' : 'softer'} one`
      : `one about ${Math.abs(100 * spring.stiffer).toFixed(0)} % ${up ? 'stiffer' : 'softer'}`;
  const others = [
    ...(up ? ['a spacer under the seat'] : []),
    ...(mounted ? ['the lower mount, where it has thread left'] : ['a damper with a threaded lower mount']),
    `a ${up ? 'lower' : 'higher'} target`,
  ];
  const text = `${longer} or ${rate}, ${others.slice(0, -1).join(', ')}, or ${others.at(-1) ?? ''} would lift this.`;
  return text.charAt(0).toUpperCase() + text.slice(1);
}
