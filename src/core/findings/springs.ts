import { part } from '../calculation/part.ts';
import { camDegrees, camPosition } from '../document/taken.ts';
import { springWhich } from '../document/which.ts';
import { collarMistake } from '../judgement/collarMistake.ts';
import {
  cornerVerdict,
  missingForVerdict,
  preloadShare,
  sagParts,
  type MissingForVerdict,
} from '../judgement/cornerVerdict.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { Answer } from '../planning/answerShape.ts';
import type { CornerAnswer } from '../planning/cornerAnswer.ts';
import type { Finding } from './finding.ts';

/** share. A seat whose thread is used up to here has little left for a load. */
const NEAR_ITS_END = 0.9;
/** mm of a tender's way to solid that says it is open. */
const OPEN_MM = 1;

/** What there is to say of a corner's spring and its adjuster as they stand now. */
export function springFindings(answer: Answer): Finding[] {
  return [
    ...answer.corners.flatMap((corner) => [
      ...verdict(answer, corner),
      ...forHeight(answer, corner),
      ...adjuster(answer, corner),
      ...openTenders(answer, corner),
    ]),
    ...untold(answer),
  ];
}

/** Springs of which nothing can be told yet, those together that lack the same. */
function untold(answer: Answer): Finding[] {
  const lacking = new Map<MissingForVerdict, CornerId[]>();
  for (const { id } of answer.corners) {
    const missing = missingForVerdict(answer, id);
    if (missing) lacking.set(missing, [...(lacking.get(missing) ?? []), id]);
  }
  return [...lacking].map(([missing, corners]) => ({
    code: 'spring-untold',
    corners,
    missing,
    severity: 'hint',
    when: 'now',
    evidence: { parts: [], onGuess: false },
  }));
}

function verdict(answer: Answer, corner: CornerAnswer): Finding[] {
  const { id } = corner;
  const told = cornerVerdict(answer, id);
  if (!told || told.verdict === 'right' || told.verdict === 'adjust first') return [];
  const evidence = { parts: sagParts(answer, corner), onGuess: false };
  return [
    {
      code: 'spring',
      corner: id,
      verdict: told.verdict,
      because: told.because,
      severity: 'warn',
      when: 'now',
      evidence,
    },
  ];
}

function forHeight(answer: Answer, { id }: CornerAnswer): Finding[] {
  const mistake = collarMistake(answer, id);
  if (!mistake) return [];
  const evidence = {
    parts: [
      part('c', mistake.movedMm, 'length', 'measured'),
      part('p', mistake.preloadMm, 'length', 'computed'),
      part('z', mistake.droopMm, 'length', 'computed'),
    ],
    onGuess: false,
  };
  return [{ code: 'collar-for-height', mistake, severity: 'warn', when: 'now', evidence }];
}

function adjuster(answer: Answer, { id, cam, collarMm }: CornerAnswer): Finding[] {
  const share = preloadShare(answer, id);
  const { torsion } = answer.document.corners[id];
  if (share === null) return [];
  if (cam && torsion) {
    const positions = camPosition(torsion, camDegrees(torsion).length - 1);
    const position = camPosition(torsion, cam.now);
    const evidence = { parts: [part('k', position, 'count', 'measured')], onGuess: false };
    return share > 0.5
      ? [
          {
            code: 'cam-high',
            corner: id,
            position,
            positions,
            severity: 'hint',
            when: 'now',
            evidence,
          },
        ]
      : [];
  }
  const evidence = { parts: [part('r', collarMm ?? 0, 'length', 'measured')], onGuess: false };
  return share >= NEAR_ITS_END && share <= 1
    ? [{ code: 'adjuster-end', corner: id, share, severity: 'hint', when: 'now', evidence }]
    : [];
}

/** Tenders that are not solid where the machine rests: they were meant to be. */
function openTenders({ document, machine, now, predictAt }: Answer, { id }: CornerAnswer): Finding[] {
  const i = machine.corners.indexOf(id);
  const { solver } = predictAt(now).outcome;
  const corner = solver.corners[i];
  const stack = corner?.stack;
  if (!corner || !stack || machine.sources[id].springs === 'assumed') return [];
  const pressedMm = corner.springAt(solver.z[i] ?? 0) + corner.preloadMm;
  const { preload } = machine.sources[id];
  return document.corners[id].springs.flatMap(
    ({ tender, name, freeLengthMm, solidLengthMm }, k): Finding[] => {
      if (!tender || freeLengthMm === null || solidLengthMm === null) return [];
      const wayMm = freeLengthMm - solidLengthMm;
      const openMm = wayMm - stack.springCompression(k, pressedMm);
      if (openMm < OPEN_MM) return [];
      const evidence = {
        parts: [
          part('free', freeLengthMm, 'length', 'sheet'),
          part('solid', solidLengthMm, 'length', 'sheet'),
          part('x', wayMm - openMm, 'length', 'computed'),
        ],
        onGuess: preload === 'assumed',
      };
      const which = springWhich(name, k);
      return [{ code: 'tender-open', corner: id, which, openMm, severity: 'hint', when: 'now', evidence }];
    },
  );
}
