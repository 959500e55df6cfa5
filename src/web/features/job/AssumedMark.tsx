/** Says of a figure that a guess went into it. */
export function AssumedMark() {
  return (
    <span className="text-second font-normal">
      , <span className="decoration-second underline decoration-dotted underline-offset-4">assumed</span>
    </span>
  );
}
