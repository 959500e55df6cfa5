import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';
import { TermMark } from '../ui/Term.tsx';
import { useFieldInHand } from './fieldInHand.ts';
import { focusNextField } from './nextField.ts';
import { useNumberField, type FieldState, type NumberFieldOptions } from './useNumberField.ts';

interface Props extends NumberFieldOptions {
  /** Shows the label to the eye as well as to the screen reader; `narrow`: only where no column heading does. */
  showLabel?: boolean | 'narrow';
  /** Place in measuring order within the group. */
  order: number;
  /** What is assumed until something is typed, in the core's unit; null where nothing is. */
  assumed?: number | null | undefined;
  /** What stands in the empty field where nothing is assumed. */
  placeholder?: string | undefined;
  unsent?: boolean;
  showUnit?: boolean;
  /** Too narrow for its words: they stand under the nearest positioned group instead of under the field. */
  narrow?: boolean;
  /** Where Enter leads instead of the next field. */
  onEnter?: () => void;
  className?: string;
}

/** Makes this the field that an instrument's reading goes to, while it is there. */
function useHeldField(
  id: string,
  label: string,
  quantity: NumberFieldOptions['quantity'],
  field: ReturnType<typeof useNumberField>,
): () => void {
  const latest = useRef(field);
  const held = useRef<((text: string) => void) | null>(null);
  useEffect(() => {
    latest.current = field;
  });
  useEffect(
    () => () => {
      const { field: now } = useFieldInHand.getState();
      if (now && now.put === held.current) useFieldInHand.setState({ field: null });
    },
    [],
  );
  return () => {
    const put = (text: string) => {
      latest.current.type(text);
      if (!latest.current.commit()) return;
      const input = document.getElementById(id);
      if (input instanceof HTMLInputElement) focusNextField(input);
    };
    held.current = put;
    useFieldInHand.setState({ field: { label, quantity, put } });
  };
}

const tones = {
  empty: 'text-second',
  understood: 'text-second',
  questioned: 'text-tight',
  refused: 'text-short',
};

/**
 * The one field for numbers: takes what people write, says how it was understood, refuses the impossible, questions the
 * unlikely, goes on with Enter, steps with the arrow keys (Shift for ten steps), and forgets with Escape.
 */
export function NumberField({
  label,
  showLabel = false,
  order,
  assumed = null,
  placeholder,
  unsent = false,
  showUnit = true,
  narrow = false,
  onEnter,
  className = '',
  ...options
}: Props) {
  const field = useNumberField({ ...options, label });
  const [focused, setFocused] = useState(false);
  const id = useId();
  const hold = useHeldField(id, label, options.quantity, field);
  const words = wordsFor(field.state, unsent);
  const refused = field.state.kind === 'refused' && !(focused && field.text.length < 2);

  const mark = markFor(field.state.kind, refused, unsent);
  return (
    <div className={`min-w-0 ${narrow ? '' : 'relative'} ${className}`}>
      <label htmlFor={id} className={labelClass(showLabel)}>
        {label}
      </label>
      {showLabel === true && !narrow && <TermMark label={label} />}
      <div
        className={`flex h-9 items-baseline border-b ${refused ? 'border-short' : focused ? 'border-action bg-wash/50' : 'border-second/70'}`}
      >
        <input
          id={id}
          data-order={order}
          data-dirty={field.dirty}
          inputMode="text"
          autoComplete="off"
          spellCheck={false}
          value={field.text}
          placeholder={assumed === null ? placeholder : `${field.write(assumed)} assumed`}
          aria-invalid={refused}
          aria-describedby={`${id}-words`}
          onChange={(event) => field.type(event.target.value)}
          onFocus={(event) => {
            setFocused(true);
            hold();
            event.target.select();
          }}
          onBlur={() => {
            setFocused(false);
            field.commit();
          }}
          onKeyDown={(event) => onKey(event, field, onEnter)}
          className={`figures placeholder:text-second h-full w-full min-w-0 bg-transparent font-semibold ${sizeOf(field.text, narrow)} outline-none placeholder:text-[13px] placeholder:font-normal placeholder:opacity-100`}
        />
        {mark && (
          <span aria-hidden className={`label font-semibold ${mark.tone}`}>
            {mark.glyph}
          </span>
        )}
        {showUnit && field.unit && <span className="text-second label pr-0.5 pl-0.5">{field.unit}</span>}
      </div>
      <p
        id={`${id}-words`}
        aria-live={focused ? 'polite' : 'off'}
        className={wordsClass(focused && words !== '', refused, field.state.kind)}
      >
        {words}
      </p>
    </div>
  );
}

function labelClass(show: boolean | 'narrow'): string {
  if (show === 'narrow') return 'label text-second block wide:sr-only';
  return show ? 'label text-second block' : 'sr-only';
}

/** The mark in a field that is not at rest: not sent, questioned or refused. Its words show when the field has the focus. */
function markFor(kind: FieldState['kind'], refused: boolean, unsent: boolean) {
  if (refused) return { glyph: '×', tone: 'text-short' };
  if (unsent) return { glyph: 'unsent', tone: 'text-tight' };
  return kind === 'questioned' ? { glyph: '?', tone: 'text-tight' } : null;
}

function wordsFor(state: FieldState, unsent: boolean): string {
  if (state.kind === 'empty') return '';
  return unsent ? `${state.words} Not sent yet.` : state.words;
}

/** Words float under the field that has the focus; a refusal stays where it is read. */
function wordsClass(floats: boolean, refused: boolean, kind: FieldState['kind']): string {
  if (floats)
    return `label bg-sheet absolute top-full left-0 z-10 w-max max-w-full pt-0.5 pr-1 ${tones[refused ? 'refused' : kind]}`;
  return refused ? 'label text-short pt-0.5' : 'sr-only';
}

/** Long fractions and inches of a rate are set closer, so that nothing of them is cut off. */
function sizeOf(text: string, narrow: boolean): string {
  if (text.length > 5)
    return narrow ? 'text-[14px] [font-stretch:76%]' : 'px-0.5 text-[16px] [font-stretch:82%]';
  return narrow ? 'text-[15px] [font-stretch:85%]' : 'px-0.5 text-[17px]';
}

/** Enter goes on, arrows step, Escape forgets. */
function onKey(
  event: KeyboardEvent<HTMLInputElement>,
  field: ReturnType<typeof useNumberField>,
  onEnter?: () => void,
): void {
  if (event.key === 'Enter') {
    event.preventDefault();
    if (!field.commit()) return;
    if (onEnter && !event.shiftKey) onEnter();
    else focusNextField(event.currentTarget, event.shiftKey ? -1 : 1);
  } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
    event.preventDefault();
    field.nudge((event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1));
  } else if (event.key === 'Escape') {
    field.cancel();
  }
}
