import type { Request, Response } from 'express'
import { Problem } from './problem.ts'

/** The version a write was made on, from If-Match. Throws 428 without it: no write is ever made blind. */
export function ifMatch(req: Request): number {
  const header = req.get('if-match')
  const match = header ? /^"(\d+)"$/.exec(header.trim()) : null
  if (!match) {
    throw new Problem(428, 'Which version?', 'Send the version that was changed in If-Match, for example "3".')
  }
  return Number(match[1])
}

export function sendVersioned(res: Response, body: { version: number }, status = 200): void {
  res.status(status).set('ETag', `"${body.version}"`).json(body)
}
