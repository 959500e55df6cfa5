/**
 * Runs work that says on its way how far it is. From another thread that comes by a port of its own and may arrive after
 * the result, so what comes late is dropped.
 */
export async function untilDone<Told, Result>(
  work: (tell: (told: Told) => void) => Promise<Result>,
  tell: (told: Told) => void,
): Promise<Result> {
  let done = false;
  try {
    return await work((told) => {
      if (!done) tell(told);
    });
  } finally {
    done = true;
  }
}
