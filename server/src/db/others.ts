/** Lets the process see to others between two pieces of work: a long log is no reason to keep them waiting. */
export const others = () => new Promise<void>((resolve) => setImmediate(resolve))
