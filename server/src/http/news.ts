import type { RequestHandler, Response } from 'express'

/** A line now and then keeps the connection from being taken for a dead one, ms. */
const HEARTBEAT = 25_000

/**
 * What was just written, told to every page that listens (server-sent events): the path of the request that changed
 * something. A page asks for what it shows anew; nothing but the path is sent, and a page that missed some news asks again
 * when it is connected anew.
 */
export class News {
  private readonly listeners = new Set<Response>()
  private readonly beat: NodeJS.Timeout

  constructor() {
    this.beat = setInterval(() => this.send(': still here\n\n'), HEARTBEAT).unref()
  }

  /** A page begins to listen. */
  readonly listen: RequestHandler = (_req, res) => {
    // Not packed: a packed answer is held back until there is enough of it.
    res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache, no-transform' })
    res.flushHeaders()
    res.write('retry: 2000\n\n')
    this.listeners.add(res)
    res.on('close', () => this.listeners.delete(res))
  }

  /** Tells of every request that changed something, once it was answered. */
  readonly tellOf: RequestHandler = (req, res, next) => {
    if (req.method !== 'GET' && req.method !== 'HEAD') {
      const { path } = req
      res.on('finish', () => {
        if (res.statusCode < 400) this.tell(path)
      })
    }
    next()
  }

  /** Tells of something that pages may want to ask about. */
  readonly tell = (path: string): void => this.send(`data: ${JSON.stringify({ path })}\n\n`)

  private send(text: string): void {
    for (const res of this.listeners) res.write(text)
  }

  /** Lets every page go, so that the server can stop. */
  end(): void {
    clearInterval(this.beat)
    for (const res of this.listeners) res.end()
    this.listeners.clear()
  }
}
