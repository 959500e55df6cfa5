/** What went wrong, where it was typed; nothing where all is well. */
export function Fault({ words }: { words: string | null }) {
  if (!words) return null;
  return (
    <p role="alert" className="text-short mt-2">
      {words}
    </p>
  );
}
