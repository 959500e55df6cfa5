import type { ButtonHTMLAttributes } from 'react';

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  /** `main` is the one next action on a screen; `quiet` looks like ruled text. */
  look?: 'main' | 'plain' | 'quiet';
}

const looks = {
  main: 'bg-action text-on-action border-action font-semibold px-4 hover:opacity-90',
  plain: 'border-ink/60 px-3 hover:border-ink',
  quiet: 'border-transparent text-action font-semibold px-0 underline decoration-1 underline-offset-4',
};

export function Button({ look = 'plain', className = '', type = 'button', ...rest }: Props) {
  return (
    <button
      type={type}
      className={`min-h-9 border py-1 text-left disabled:cursor-not-allowed disabled:opacity-50 ${looks[look]} ${className}`}
      {...rest}
    />
  );
}
