import type { ReactNode } from 'react';

interface Props {
  chosen: boolean;
  onClick: () => void;
  /** None where there is nothing to draw. */
  picture?: ReactNode;
  title: string;
  about: ReactNode;
}

/** One of several pictures to pick from. */
export function PictureButton({ chosen, onClick, picture, title, about }: Props) {
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={onClick}
      className={`hover:bg-wash flex flex-col items-center justify-center border p-2 text-center ${chosen ? 'border-action bg-wash' : 'border-rule'}`}
    >
      {picture}
      <span className="mt-1 font-semibold">{title}</span>
      <span className="label text-second">{about}</span>
    </button>
  );
}

/** What is picked so far, as a line to press to pick another. */
export function PickedButton({
  label,
  onClick,
  children,
}: {
  label: string;
  onClick: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      onClick={onClick}
      aria-haspopup="dialog"
      aria-label={label}
      className="border-second/70 hover:bg-wash flex min-h-11 w-full items-center gap-2 border-b py-1 text-left"
    >
      {children}
    </button>
  );
}
