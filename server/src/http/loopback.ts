import type { RequestHandler } from 'express'
import { Problem } from './problem.ts'

const LOCAL = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/
const READS = ['GET', 'HEAD', 'OPTIONS']
/** What the browser says of who asks: the page itself, or a person who typed the address. */
const OWN = ['same-origin', 'none']

const refused = () =>
  new Problem(403, 'Not from here', 'Gentle Awl answers only its own pages, opened on this computer.')

/** Only this machine is served: a page elsewhere that points a name of its own at the loopback address is refused. */
export const onlyLocal: RequestHandler = (req, _res, next) => {
  next(LOCAL.test(req.get('host') ?? '') ? undefined : refused())
}

/**
 * Only the application's own pages are answered: no page from elsewhere, nor one of another program on this computer
 * (another port is another origin), may write anything, or set work going with the address of a picture. What is no
 * browser says nothing of where it comes from, and is let in.
 */
export const onlyOwnPages: RequestHandler = (req, _res, next) => {
  const site = req.get('sec-fetch-site')
  const origin = req.get('origin')
  const foreignSite = site !== undefined && !OWN.includes(site)
  const foreignOrigin = origin !== undefined && origin !== `http://${req.get('host') ?? ''}`
  // Without the newer header the origin alone decides, and a read that names none is harmless: it is not told the answer.
  next(foreignSite || (foreignOrigin && (!READS.includes(req.method) || site === undefined)) ? refused() : undefined)
}
