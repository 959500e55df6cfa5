interface Props {
  /** Where no label stands around it. */
  label?: string;
  value: string;
  options: readonly { value: string; words: string }[];
  onChange: (value: string) => void;
  /** Width and letters, where it does not stand in a cell. */
  look?: string;
}

/** A choice of one among a few. */
export function Select({
  label,
  value,
  options,
  onChange,
  look = 'w-full text-[13px] [font-stretch:82%]',
}: Props) {
  return (
    <select
      aria-label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      className={`bg-sheet border-second/70 h-9 border-b ${look}`}
    >
      {options.map(({ value: one, words }) => (
        <option key={one} value={one}>
          {words}
        </option>
      ))}
    </select>
  );
}
