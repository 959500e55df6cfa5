import type { InputHTMLAttributes } from 'react';

interface Props extends Omit<InputHTMLAttributes<HTMLInputElement>, 'onChange'> {
  label: string;
  value: string;
  onChange: (value: string) => void;
}

/** A line of text under its label, as it is typed: for what is sent by a button beside it. */
export function LineField({ label, onChange, className = 'h-10 w-full', ...rest }: Props) {
  return (
    <label className="block">
      <span className="label text-second block">{label}</span>
      <input
        {...rest}
        onChange={(event) => onChange(event.target.value)}
        className={`border-second/70 border-b bg-transparent ${className}`}
      />
    </label>
  );
}
