import { useId } from 'react';

/** Opens one of the reader's pictures: looks like a button, and is a file field to keyboard and screen reader. */
export function FileButton({
  label,
  accept,
  multiple = false,
  onFiles,
}: {
  label: string;
  accept: string;
  multiple?: boolean;
  onFiles: (files: File[]) => void;
}) {
  const id = useId();
  return (
    <label
      htmlFor={id}
      className="border-ink/60 hover:border-ink focus-within:outline-action inline-flex min-h-9 cursor-pointer items-center border px-3 py-1 focus-within:outline-2"
    >
      {label}
      <input
        id={id}
        type="file"
        accept={accept}
        multiple={multiple}
        aria-label={label}
        className="sr-only"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = '';
          if (files.length > 0) onFiles(files);
        }}
      />
    </label>
  );
}
