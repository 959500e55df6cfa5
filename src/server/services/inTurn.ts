/** Runs what it is given one after the other, in the order it came; what fails does not hold up the next. */
export function inTurn(): <T>(work: () => Promise<T>) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve();
  return (work) => {
    const mine = last.then(work, work);
    last = mine.catch(() => undefined);
    return mine;
  };
}
