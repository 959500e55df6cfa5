import { positionText } from './positions.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import type { AtItsEnd, Finding, RunOut } from '#core/findings/finding.ts';
import type { Remedy } from '#core/findings/remedies/remedy.ts';
import type { MarginKind } from '#core/margins/index.ts';
import { mistakeWords } from './collarMistake.ts';
import { contradictionWords } from './contradictions.ts';
import { percent, type Say } from './figures.ts';
import { missingWords, springReasonWords } from './springVerdict.ts';
import { cornersTold } from './corners.ts';
import { checkWords, misfitWords } from './misfit.ts';
import { remedyWords } from './remedies.ts';
import { reasonWords } from './reasons.ts';
import { whichWords } from './which.ts';

/** A finding in words: what is so, and what to do about it, each way in its own sentences. */
export interface ToldFinding {
  what: string;
  ways: string[];
}

/**
 * A finding in the workshop's words; `say` writes mm in the reader's units. `remedies` are those that were tried on the
 * machine; without any, what is usually done.
 */
export function findingWords(finding: Finding, say: Say, remedies: readonly Remedy[] = []): ToldFinding {
  const { what, remedy } = toldOf(finding, say);
  const tried = remedies.map((one) => remedyWords(one, say));
  const cured = finding.code === 'run-out' && finding.when === 'now';
  if (cured) return { what, ways: ['This plan corrects it.'] };
  return { what, ways: tried.length > 0 ? tried : [remedy] };
}

function toldOf(finding: Finding, say: Say): { what: string; remedy: string } {
  switch (finding.code) {
    case 'run-out':
      return runOutWords(finding, finding.when === 'after', say);
    case 'doubt':
      return { what: misfitWords(finding.misfit, say), remedy: checkWords(finding.misfit) };
    case 'collar-elsewhere':
      return {
        what: `${capital(cornerNames[finding.corner])}: the collar reads ${say(finding.readMm)}, by what was turned it should read ${say(finding.expectedMm)}.`,
        remedy: 'Read it again, then correct the reading or what was turned.',
      };
    case 'unreachable': {
      const { what, lift } = reasonWords(finding.reason, say);
      const then = finding.then ? ` ${thenWords(finding.then, say)}` : '';
      return { what: `${what}${then}`, remedy: lift };
    }
    case 'contradiction':
      return contradictionWords(finding.question, say);
    case 'spring':
      return {
        what: `${capital(cornerNames[finding.corner])}: the spring is ${finding.verdict}. ${capital(springReasonWords(finding.because, say))}.`,
        remedy: `Look for a ${finding.verdict === 'too soft' ? 'stiffer' : 'softer'} one.`,
      };
    case 'spring-untold':
      return {
        what: `${capital(cornersTold(finding.corners))}: nothing can be told of the spring yet.`,
        remedy: `${capital(missingWords[finding.missing])}.`,
      };
    case 'adjuster-end':
      return {
        what: `${capital(cornerNames[finding.corner])}: ${percent(finding.share)} of the thread towards the spring is used up.`,
        remedy: 'Little is left for a load. A stiffer spring would leave more.',
      };
    case 'cam-high':
      return {
        what: `${capital(cornerNames[finding.corner])}: it stands at position ${positionText(finding.position)} of ${finding.positions}, above its middle.`,
        remedy: 'Little is left for a passenger or rough ground. No reason to leave a window that is met.',
      };
    case 'tender-open':
      return {
        what: `${capital(cornerNames[finding.corner])}, ${whichWords(finding.which)}: the tender is ${say(finding.openMm)} from solid where the machine rests.`,
        remedy: 'It works as a soft spring there. Fit a softer tender where it should be solid.',
      };
    case 'collar-for-height': {
      const { what, cure } = mistakeWords(finding.mistake, say);
      return { what: `${capital(cornerNames[finding.mistake.corner])}: ${what}`, remedy: cure };
    }
  }
}

/** What an adjuster at its end does to the rest. */
function thenWords({ cross, others }: AtItsEnd, say: Say): string {
  const tenths = (share: number) => (100 * share).toFixed(1);
  const shift = cross
    ? [`Cross weight then goes from ${tenths(cross.now)} to ${tenths(cross.after)} %.`]
    : [];
  const off = others.map(
    ({ corner, offMm }) => `${cornerNames[corner]} ${say(Math.abs(offMm))} ${offMm > 0 ? 'high' : 'low'}`,
  );
  return [...shift, ...(off.length > 0 ? [`The others are planned around it: ${off.join(', ')}.`] : [])].join(
    ' ',
  );
}

function runOutWords(one: RunOut, after: boolean, say: Say): { what: string; remedy: string } {
  const { corner, which, loadCase, kind, leftMm } = one;
  // A low point has a name of its own: which corner lies nearest says nothing.
  const at = kind === 'ground' && which ? null : cornerNames[corner];
  const where = [at, which && whichWords(which), loadCase].filter(Boolean).join(', ');
  const { now, then, remedy } = runOut[kind];
  const past = say(Math.abs(Math.min(leftMm, 0)));
  const what = (after ? then : now).replace('{past}', past);
  return { what: `${capital(where)}: ${what}.`, remedy };
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

interface RunOutWords {
  /** As it stands, and as it would stand after the plan. */
  now: string;
  then: string;
  remedy: string;
}

const both = (now: string, then: string, remedy: string): RunOutWords => ({ now, then, remedy });

const runOut: Record<MarginKind, RunOutWords> = {
  droop: both(
    'it is topped out, no droop is left',
    'it would top out, no droop would be left',
    'Lower it. More preload would not help.',
  ),
  'bump-stop': both(
    'it stands on its bump stop',
    'it would stand on its bump stop',
    'Raise it, or fit a stiffer spring or a shorter stop.',
  ),
  'bump-metal': both(
    'it is bottomed, no bump travel is left',
    'it would be bottomed, no bump travel would be left',
    'Raise it, or fit a stiffer spring.',
  ),
  'damper-open': both(
    'its damper is fully open',
    'its damper would be fully open',
    'Lower it, or fit a longer damper.',
  ),
  'damper-closed': both(
    'its damper is fully closed',
    'its damper would be fully closed',
    'Raise it, or fit a stiffer spring or a shorter damper.',
  ),
  coil: both(
    'the coils touch {past} before the end of its travel',
    'the coils would touch {past} before the end of its travel',
    'Fit a spring with more room between its coils. Less preload helps too, but it then stands lower.',
  ),
  seated: both(
    'the spring is {past} loose with the wheel hanging',
    'the spring would be {past} loose with the wheel hanging',
    'It can leave its seat. Fit a helper spring, or a softer spring with preload.',
  ),
  clearance: both(
    'it is {past} nearer than it may be',
    'it would be {past} nearer than it may be',
    'Change the height, or what is in the way.',
  ),
  joint: both(
    'the shaft joint is past its angle, by {past} of height',
    'the shaft joint would be past its angle, by {past} of height',
    'Bring the height back, or fit a joint that bends further.',
  ),
  ground: both(
    'it hangs {past} lower over the ground than it may',
    'it would hang {past} lower over the ground than it may',
    'Ask for a greater height, or move the part.',
  ),
  'thread-up': both(
    'the collar stands {past} past the end of good thread towards the spring',
    'the collar would stand {past} past the end of good thread towards the spring',
    'Turn it back before the weight goes on.',
  ),
  'thread-down': both(
    'the collar stands {past} past the end of good thread away from the spring',
    'the collar would stand {past} past the end of good thread away from the spring',
    'Turn it back before the weight goes on.',
  ),
  engagement: both(
    'the lower mount holds {past} less thread than it must',
    'the lower mount would hold {past} less thread than it must',
    'Screw it back in before the machine is moved.',
  ),
  crossover: both(
    'the slider rests on its ring',
    'the slider would rest on its ring',
    'Set the ring further from the springs, or let it follow the seat.',
  ),
  'ring-order': both(
    'the coils touch {past} before the ring takes over',
    'the coils would touch {past} before the ring takes over',
    'Set the ring nearer to the slider.',
  ),
  cam: both('the cam is at its last position', 'the cam would be at its last position', 'Fit a stiffer spring.'),
  sag: both('the sag is {past} out of its window', 'the sag would be {past} out of its window', 'Turn its adjuster.'),
  height: both('the height is {past} out', 'the height would be {past} out', 'Turn its adjuster.'),
}; // oxfmt-ignore
