import type { Plan, Upper } from '@gentle-awl/core'
import { Sender, type Parcel } from '../parcel.ts'

/** The uppers of both feet, sent ahead of the plan that they belong to. */
export interface Uppers {
  right: Upper
  left: Upper | null
}

export const uppersOf = ({ upper, left }: Plan): Uppers => ({ right: upper, left: left && left.upper })

/** Sends plans to the page, their uppers ahead of them. */
export class PlanSender extends Sender<Plan> {
  /** The last plan with other uppers in it: null when the page has both, or nothing to put them in. */
  ahead({ right, left }: Uppers): Parcel | null {
    const plan = this.sent
    if (!plan || (plan.left === null) !== (left === null)) return null
    return this.sendIfOther({ ...plan, upper: right, left: plan.left && left && { ...plan.left, upper: left } })
  }
}
