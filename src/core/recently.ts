import equal from 'fast-deep-equal';

/**
 * A function that remembers what it made of the last `most` inputs it was given, and gives that again for an input that says
 * the same, whoever it comes from. For what takes long and follows from plain data alone.
 */
export function recently<Input, Made>(make: (input: Input) => Made, most: number): (input: Input) => Made {
  /** The one asked for last at the end. */
  const known: { input: Input; made: Made }[] = [];
  return (input) => {
    const at = known.findLastIndex((one) => equal(one.input, input));
    const [found] = at < 0 ? [] : known.splice(at, 1);
    const one = found ?? { input, made: make(input) };
    known.push(one);
    if (known.length > most) known.shift();
    return one.made;
  };
}
