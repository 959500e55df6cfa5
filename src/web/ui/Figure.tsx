import {
  decimalParts,
  fineLengthText,
  lengthParts,
  sizeParts,
  type NumberParts,
} from '#core/units/formatLength.ts';
import { turnParts, turnWord } from '#core/units/turns.ts';
import { useLengthStyle } from './settings.ts';

/** A number taken apart, set with a true minus and a real fraction. */
function Parts({ parts, signed = false }: { parts: NumberParts; signed?: boolean }) {
  const zero = parts.digits === '0' && !parts.fraction;
  return (
    <>
      {parts.negative ? '−' : signed && !zero ? '+' : ''}
      {parts.digits}
      {parts.fraction && (
        <>
          {/* Copied text keeps a gap between whole and fraction; the eye does not need it. */}
          {parts.digits && <span className="inline-block w-0 overflow-hidden align-bottom"> </span>}
          <span className="fraction">
            {parts.fraction.numerator}/{parts.fraction.denominator}
          </span>
        </>
      )}
    </>
  );
}

interface LengthProps {
  mm: number;
  decimals?: number;
  signed?: boolean;
  /** Leaves the unit out, where a neighbour shows it. */
  bare?: boolean;
}

/** A length in the reader's units, its unit small and light after a thin space. */
export function Length({ mm, decimals = 1, signed = false, bare = false }: LengthProps) {
  const style = useLengthStyle(decimals);
  return (
    <span className="figures whitespace-nowrap">
      <Parts parts={lengthParts(mm, style)} signed={signed} />
      {!bare && <span className="text-[0.72em] font-normal">{`\u2009${style.system}`}</span>}
    </span>
  );
}

/** A length that no tape reads (a collar, a thread, a spread): decimals in either system, of an inch one more. */
export function SizeLength({ mm, decimals = 1, signed = false, bare = false }: LengthProps) {
  const style = useLengthStyle(decimals);
  return (
    <span className="figures whitespace-nowrap">
      <Parts parts={sizeParts(mm, style, decimals)} signed={signed} />
      {!bare && <span className="text-[0.72em] font-normal">{`\u2009${style.system}`}</span>}
    </span>
  );
}

/** A length too small for fractions of an inch: in tenths of a mm or thousandths of an inch. */
export function FineLength({ mm, sd, signed = false }: { mm: number; sd?: number; signed?: boolean }) {
  const { system } = useLengthStyle(1);
  const partsOf = (text: string) => /^(\S+) (\S+)$/.exec(text) ?? [];
  const [, number = '', unit = ''] = partsOf(fineLengthText(mm, system, signed));
  // Nothing is known better than its last digit.
  const shown = sd === undefined ? undefined : partsOf(fineLengthText(sd, system, false))[1];
  const spread = shown === undefined ? '' : ` ± ${/[1-9]/.test(shown) ? shown : shown.replace(/0$/, '1')}`;
  return (
    <span className="figures whitespace-nowrap">
      {number}
      {spread}
      <span className="text-[0.72em] font-normal">{`\u2009${unit}`}</span>
    </span>
  );
}

/** Turns to the eighth, unsigned. */
export function Turns({ turns }: { turns: number }) {
  const size = Math.abs(turns);
  return (
    <span className="figures whitespace-nowrap">
      <Parts parts={turnParts(size)} /> {turnWord(size)}
    </span>
  );
}

/** A plain number. */
export function Plain({ value, decimals }: { value: number; decimals: number }) {
  return (
    <span className="figures">
      <Parts parts={decimalParts(value, decimals)} />
    </span>
  );
}
