/** Says that work beside the page came to nothing: the rest of the page holds. */
export function WorkFailed() {
  return (
    <p role="alert" className="text-short mt-3">
      This could not be calculated in this browser. Reload the page to try again. Everything else is still
      correct.
    </p>
  );
}
