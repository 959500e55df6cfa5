/** A choice in a cell. */
export function Select({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: readonly { value: string; words: string }[];
  onChange: (value: string) => void;
}) {
  return (
    <select
      aria-label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      className="bg-sheet border-second/70 h-9 w-full border-b text-[13px] [font-stretch:82%]"
    >
      {options.map(({ value: one, words }) => (
        <option key={one} value={one}>
          {words}
        </option>
      ))}
    </select>
  );
}
