import { wrap, type Remote } from 'comlink'

/**
 * The way to one worker: its thread begins when something is first asked, and again after it was ended. `start` makes the
 * thread (written out where it is used: the bundler follows the address).
 */
export class Channel<W> {
  private thread: Worker | null = null
  private remote: Remote<W> | null = null

  constructor(private readonly start: () => Worker) {}

  get ask(): Remote<W> {
    if (!this.remote) {
      this.thread = this.start()
      this.remote = wrap<W>(this.thread)
    }
    return this.remote
  }

  /** Is this still the thread that was asked? What one that was ended still says is out of date. */
  is(remote: Remote<W>): boolean {
    return this.remote === remote
  }

  /** Ends the thread, with whatever it does and holds. */
  end(): void {
    this.thread?.terminate()
    this.thread = null
    this.remote = null
  }
}
