import type { Rule, RuleBook } from '../trade/rules.ts'
import { texOf, threadThickness, type ThreadSize } from '../units/thread.ts'
import { seamRules } from './rules.ts'
import type { SewnWith } from './seam.ts'

/** Thread, needle and awl that go together. */
export interface Notions {
  thread: ThreadSize
  tex: number
  /** Of the thread, mm. */
  thickness: number
  /** Size of a machine needle: hundredths of a mm; null by hand. */
  needle: number | null
  /** Of the awl, mm; null by machine. */
  awl: number | null
  /** Of the hole that is made, mm. */
  hole: number
}

/** Sizes in which machine needles come, hundredths of a mm. */
const NEEDLES = [60, 65, 70, 75, 80, 85, 90, 100, 110, 120, 130, 140, 160, 180, 200, 230, 250]

/** What a seam is sewn with (docs/trade.md, "Seams and holes"). Ticket 40 is 75 tex, 0.33 mm thick: a needle of 100. */
export function notionsFor(what: SewnWith, book: RuleBook): Notions {
  const linen = (plies: Rule): ThreadSize => ({
    kind: 'linen',
    plies: book.value(plies),
    lea: book.value(seamRules.linenLea),
  })
  switch (what) {
    case 'machine':
      return byMachine({ kind: 'ticket', ticket: book.value(seamRules.machineTicket) }, book)
    case 'hand':
      return byHand(linen(seamRules.linenPlies), book)
    case 'sole':
      return byHand(linen(seamRules.solePlies), book)
  }
}

function byHand(thread: ThreadSize, book: RuleBook): Notions {
  const tex = texOf(thread)
  const thickness = threadThickness(tex)
  const awl = Math.round(10 * thickness * book.value(seamRules.awl)) / 10
  return { thread, tex, thickness, needle: null, awl, hole: awl }
}

function byMachine(thread: ThreadSize, book: RuleBook): Notions {
  const tex = texOf(thread)
  const thickness = threadThickness(tex)
  const wanted = 100 * thickness * book.value(seamRules.needle)
  // The nearest: a needle comes in steps.
  const needle = NEEDLES.reduce((best, n) => (Math.abs(n - wanted) < Math.abs(best - wanted) ? n : best))
  return { thread, tex, thickness, needle, awl: null, hole: needle / 100 }
}
