import { Search } from 'lucide-react';

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
}

/** Words that a list is narrowed by as they are typed. */
export function FindBox({ label, value, onChange }: Props) {
  return (
    <label className="border-second/70 flex h-9 items-center gap-2 border-b">
      <Search aria-hidden size={16} className="text-second" />
      <span className="sr-only">{label}</span>
      <input
        type="search"
        value={value}
        placeholder={label}
        maxLength={80}
        onChange={(event) => onChange(event.target.value)}
        className="placeholder:text-second w-full min-w-0 bg-transparent outline-none"
      />
    </label>
  );
}
