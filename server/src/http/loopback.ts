import type { RequestHandler } from 'express'
import { Problem } from './problem.ts'

const LOCAL = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/

/**
 * Only this machine is served: a page elsewhere that points a name of its own at the loopback address, or posts
 * from another origin, is refused.
 */
export const onlyLocal: RequestHandler = (req, _res, next) => {
  const host = req.get('host') ?? ''
  const origin = req.get('origin')
  const foreign = origin !== undefined && origin !== 'null' && !LOCAL.test(origin.replace(/^https?:\/\//, ''))
  if (!LOCAL.test(host) || foreign || origin === 'null') {
    next(new Problem(403, 'Not from here', 'Gentle Awl answers only pages opened on this computer.'))
    return
  }
  next()
}
