import { changeBetween, changed, type Change } from './change.ts'

/** A value on its way between threads: what makes it out of the one before. */
export interface Parcel {
  /** Which parcel this is; the one before must have come. */
  nth: number
  change: Change
}

/** Sends one value after the other over one way: only what the last one did not have goes over. */
export class Sender<T> {
  private nth = 0
  /** What the other side has. */
  protected sent: T | null = null

  send(value: T): Parcel {
    return this.parcel(value, changeBetween(this.sent, value))
  }

  /** Null when the other side has just that. */
  sendIfOther(value: T): Parcel | null {
    const change = changeBetween(this.sent, value)
    return change && this.parcel(value, change)
  }

  private parcel(value: T, change: Change): Parcel {
    this.sent = value
    return { nth: this.nth++, change }
  }
}

/** Puts together what comes over one way. What has not changed is the very same object as before. */
export class Receiver<T> {
  private nth = 0
  private have: unknown = null

  /** Throws when a parcel before this one did not come. */
  receive({ nth, change }: Parcel): T {
    if (nth !== this.nth) throw new Error(`Parcel ${nth} came, but ${this.nth} did not.`)
    this.nth++
    this.have = changed(this.have, change)
    // Values of one kind only are sent, and a change of one makes another of its kind.
    return this.have as T
  }
}
