import type { Part } from '#core/calculation/part.ts';
import type { Finding } from '#core/findings/finding.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { whichWords } from '../which.ts';
import { marginNamed } from './marginNames.ts';
import type { SumInput } from './types.ts';

type Code = Exclude<Finding['code'], 'run-out'>;

/** What the figures behind each finding are called, by their symbols. */
const names: Record<Code, Readonly<Record<string, string>>> = {
  doubt: {
    c: 'seat moved, as recorded',
    'r before': 'collar before',
    r: 'collar after',
    'L before': 'height before',
    L: 'height after',
    off: 'off its target',
  },
  'collar-elsewhere': { c: 'seat moved, as recorded', 'r before': 'collar before', r: 'collar read' },
  unreachable: {
    c: 'move that would be needed',
    left: 'what is left that way',
    above: 'target above full droop',
    off: 'ends below what is wanted',
    step: 'one step, at the wheel',
    least: 'least over the ground',
    p: 'preload with the wheel hanging',
    share: 'share after the plan',
    wanted: 'share wanted',
    twist: 'twist of the four targets',
    apart: 'between the sides',
  },
  contradiction: {
    'W wheels': 'wheels together',
    'W sheet': 'machine as given, with what is on board',
    k: 'its rate',
    'k twin': 'rate across from it',
    L: 'height as typed',
    'L likely': 'height, were it in cm',
    p: 'preload as given',
    'p most': 'most that it can be',
    z: 'travel used, as read',
    'z max': 'travel there is',
    P: 'its pressure',
    'P twin': 'pressure across from it',
    'P wanted': 'pressure wanted',
    floor: 'floor under it, over the level',
  },
  spring: { z: 'sag with the rider on', 'z₀': 'sag with nobody on' },
  'spring-untold': {},
  'adjuster-end': { r: 'collar read' },
  'cam-high': { k: 'position' },
  'tender-open': { free: 'free length', solid: 'solid length', x: 'it is compressed at rest' },
  'collar-for-height': { c: 'seat moved', p: 'preload left', z: 'droop left' },
};

const isCorner = (of: string): of is CornerId => of in cornerNames;

/** What a finding goes by, each figure with its name, its corner where there are several, and where it is from. */
export function findingInputs(finding: Finding): SumInput[] {
  const { parts } = finding.evidence;
  if (finding.code === 'run-out') return parts.map((part) => marginNamed(finding.kind, part));
  const { code } = finding;
  return parts.map((part) => named(names[code], part));
}

function named(known: Readonly<Record<string, string>>, { of, ...part }: Part): SumInput {
  const name = known[part.symbol] ?? part.symbol;
  if (of === undefined) return { ...part, name };
  const where = typeof of === 'string' ? (isCorner(of) ? cornerNames[of] : of) : whichWords(of);
  return { ...part, name: `${name}, ${where}` };
}
