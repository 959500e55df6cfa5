/** Links to the parts of a long page. */
export function PartsNav({ label, parts }: { label: string; parts: readonly (readonly [string, string])[] }) {
  return (
    <nav aria-label={label} className="mt-2 flex flex-wrap gap-x-5 gap-y-1 print:hidden">
      {parts.map(([id, title]) => (
        <a
          key={id}
          href={`#${id}`}
          className="text-action min-h-8 font-semibold underline underline-offset-4"
        >
          {title}
        </a>
      ))}
    </nav>
  );
}
