/** Blank boxes for a pen, on paper only. */
export function PenBoxes({ words }: { words: readonly string[] }) {
  return (
    <div className="mt-2 hidden gap-3 print:flex print:in-data-[corner^=R]:justify-end">
      {words.map((one) => (
        <div key={one}>
          <p className="label">{one}</p>
          <div className="h-8 w-20 border" />
        </div>
      ))}
    </div>
  );
}
