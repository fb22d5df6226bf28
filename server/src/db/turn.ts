/** One at a time, in the order asked for: a second SQLite writer in this process would only wait for the first. */
export function inTurn(): <T>(work: () => Promise<T>) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve()
  return (work) => {
    const result = last.then(work, work)
    // The next one waits for this one to end, well or badly; its own caller sees the error.
    last = result.catch(() => undefined)
    return result
  }
}
