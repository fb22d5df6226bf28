import type { Response } from 'express'

/** Says when the one who asked has gone without waiting for the answer. */
export function goneSignal(res: Response): AbortSignal {
  const gone = new AbortController()
  res.once('close', () => {
    if (!res.writableFinished) gone.abort()
  })
  return gone.signal
}
