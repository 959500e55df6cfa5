import { questionWords } from '#words/questions.ts';
import { useThisJob } from '../jobStore/jobContext.ts';
import { useSides } from '../jobStore/bothSides.tsx';
import { described } from './described.ts';
import { numbered, numberOf, type FactPlace, type NumberedKind } from '#core/document/factKinds.ts';
import { factAt } from '#core/document/facts.ts';
import { questionHeight, questionTarget } from '#core/judgement/questions.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { meanOf } from '#core/numerics/mean.ts';
import { lengthText } from '#core/units/formatLength.ts';
import { limits } from '#contract/limits.ts';
import { useLengthStyle } from '../ui/settings.ts';
import { useChangeUnsent, useFactUnsent } from '../api/unsentParts.ts';
import { asKept, factKey, pathKey, valueAt } from '../jobStore/draftKeys.ts';
import type { Job } from '../jobStore/useJob.ts';
import { capital } from '../ui/words.ts';
import { factWords, pathWords } from '#words/fields.ts';
import type { QuantityName, Range } from './quantity.ts';
import { NumberField } from './NumberField.tsx';

interface FactFieldProps {
  place: FactPlace<NumberedKind>;
  label: string;
  order: number;
  range: Range;
  quantity?: QuantityName;
  placeholder?: string;
  assumed?: number | null;
  showLabel?: boolean | 'narrow';
  showUnit?: boolean;
  narrow?: boolean;
  question?: (value: number) => string | null;
}

/** A number that becomes a fact: typing again corrects it, emptying withdraws it; the old one stays on record. */
export function FactField({
  place,
  range,
  quantity = place.kind === 'collar' ? 'size' : 'length',
  ...rest
}: FactFieldProps) {
  const job = useThisJob();
  const standing = factAt(job.facts, place);
  const words = capital(factWords(place));
  return (
    <NumberField
      {...rest}
      draftKey={factKey(job.record.id, place)}
      quantity={quantity}
      decimals={2}
      range={range}
      value={standing ? numberOf(standing.fact) : null}
      unsent={useFactUnsent(job.record.id, standing?.id)}
      onCommit={(value, typed) =>
        value === null
          ? job.actions.clear(`${words} taken back`, place)
          : job.actions.record(words, {
              ...numbered(place, value),
              typed: asKept(typed),
            })
      }
    />
  );
}

interface PathFieldProps {
  path: string[];
  label?: string;
  order: number;
  /** Where only some of what is possible would fit what stands beside it. */
  range?: Range;
  /** What stands in the empty field in place of what is assumed of it. */
  placeholder?: string;
  /** What is assumed here, where that is not the same for all machines of a class. */
  assumed?: number;
  showLabel?: boolean;
  showUnit?: boolean;
  question?: ((value: number) => string | null) | undefined;
  className?: string;
}

/** A number of the description, or none: then the class's value is assumed and stands in the field as a hint. */
export function PathField({ path, label, placeholder, assumed, ...rest }: PathFieldProps) {
  const job = useThisJob();
  const { named } = useSides();
  const [root, corner] = path;
  const words = capital(pathWords(path, root === 'corners' ? named(corner as CornerId) : undefined));
  const { assumed: usual, ...field } = described(job.record.document, path);
  return (
    <NumberField
      {...field}
      {...rest}
      assumed={placeholder === undefined ? (assumed ?? usual) : null}
      placeholder={placeholder}
      label={label ?? words}
      draftKey={pathKey(job.record.id, path)}
      decimals={2}
      value={valueAt(job.record.document, path) as number | null}
      unsent={useChangeUnsent(job.record.id, path)}
      onCommit={(value) => job.actions.change(words, [path, value])}
    />
  );
}

/** Asks about a height reading that is far off its twin or its repeats. */
export function useHeightQuestion(job: Job, id: CornerId, round: number) {
  const style = useLengthStyle(1);
  const here = job.state.rounds[round];
  return (slot: string) => (value: number) => {
    const others = job.facts.filter(
      ({ fact }) =>
        fact.kind === 'height' && fact.round === round && fact.corner === id && fact.slot !== slot,
    );
    const question = questionHeight(
      value,
      id,
      here,
      others.flatMap(({ fact }) => numberOf(fact) ?? []),
      expectedAt(job, id, round),
    );
    return question && questionWords(question, (mm) => lengthText(mm, style));
  };
}

/**
 * What a reading should come to, as the tape shows it. The newest round by what was really done in it; one that is still
 * being turned, or is past, by what was issued for it; the baseline by nothing: whatever came after says nothing of it.
 */
function expectedAt({ state, record, answer }: Job, id: CornerId, round: number) {
  // What something new lifts, nobody knows beforehand.
  if (round === 0 || state.rounds[round]?.fitted.length) return null;
  const { offsetMm } = record.document.corners[id].reference;
  const now = round === state.current && !state.turning ? answer?.expectedNow()[id] : undefined;
  if (now) return { mm: now.mm - offsetMm, sdMm: now.sdMm };
  const told = (round > state.current ? state.turning?.told : state.rounds[round]?.told)?.corners[id];
  if (told?.heightMm !== undefined) return { mm: told.heightMm - offsetMm, sdMm: told.heightSdMm ?? 0 };
  const before = state.rounds[round - 1]?.heights[id];
  return before ? { mm: meanOf(before), sdMm: 0 } : null;
}

/** Asks about a target that is far from what these corners read. */
export function useTargetQuestion(job: Job, ids: readonly CornerId[]) {
  const style = useLengthStyle(1);
  return (value: number) => {
    const read = job.answer?.corners.find(({ id }) => ids.includes(id))?.nowMm ?? null;
    const question = questionTarget(value, read);
    return question && questionWords(question, (mm) => lengthText(mm, style));
  };
}

export const ranges = {
  height: limits.heightMm,
  collar: limits.collarMm,
  travel: limits.travelMm,
  travelUsed: { min: 0, max: limits.travelMm.max },
  move: limits.moveMm,
  offset: limits.offsetMm,
  ratio: limits.ratio,
  pitch: limits.pitchMm,
  stop: limits.stopMm,
  tolerance: limits.toleranceMm,
  base: limits.baseMm,
} as const;
