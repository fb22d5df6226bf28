import type { PairDecisions, PairLabel } from './pair.ts'
import type { PairCard } from './pairCard.ts'

/** How far the work of a pair is: read off its card and its log. */
export interface PairStanding {
  done: number
  of: number
  /** Names of the step on the bench and of the next one. */
  running: string | null
  next: string | null
}

/** What a row of the list shows besides its label. */
export interface PairCardState {
  card: Pick<PairCard, 'problem' | 'worst' | 'shapes'>
  standing: PairStanding
}

/** A pair as the list has it: small, and without a card while that has not been made. */
export interface PairRow {
  id: string
  version: number
  updatedAt: string
  label: PairLabel
  lastName: string
  construction: PairDecisions['construction'] | null
  size: PairDecisions['size'] | null
  card: PairCardState['card'] | null
  standing: PairStanding | null
  /** It is not made on. */
  givenUp: boolean
  /** Why it cannot be read, in a sentence; empty for any other. */
  unreadable: string
}

export interface PairPage {
  pairs: PairRow[]
  /** Pairs that match, on all pages. */
  total: number
  page: number
  pages: number
}

/** Orders in which the list can be asked for. */
export const pairSorts = ['changed', 'order', 'name'] as const
export type PairSort = (typeof pairSorts)[number]

/** A pair as other rooms name it, with the lasts it is made on: short, so all of them are sent. */
export interface PairName {
  id: string
  order: string
  name: string
  lastId: string
  leftLastId: string | null
}

/** An earlier pair to go by, with what was decided for it. */
export interface PairLike {
  id: string
  order: string
  name: string
  decisions: PairDecisions
}

/** What a change of each house rule would touch. */
export interface RuleReach {
  /** By the rule's key: pairs that go by the workshop's figure, the first few of them by order, and pairs with a figure of their own. */
  rules: Record<string, { pairs: number; own: number; orders: string[] }>
  /** All pairs of the workshop, and those of which it is not known yet. */
  pairs: number
  unknown: number
}
