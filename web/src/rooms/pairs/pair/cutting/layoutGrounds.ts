import type { LaidOn, PairLayout } from '@gentle-awl/core'

type Grounds = Pick<PairLayout, 'grounds' | 'places'>

/** What is laid on before anybody said anything else. */
export const usualSheet: LaidOn = { length: 1200, width: 600 }

/** A layout on some of its hides, in this order (by their numbers): pieces stay on the hide that they are on, or go with it. */
export const onThese = ({ grounds, places }: Grounds, order: readonly number[]): Grounds => ({
  grounds: order.map((k) => grounds[k]!),
  places: places.flatMap((p) => (order.includes(p.on) ? [{ ...p, on: order.indexOf(p.on) }] : [])),
})

/**
 * A layout that begins on another hide or sheet. One that it lies on already comes to the front; on a new one the pieces of the
 * first stay where they are, and what is wrong there is seen. A straight sheet has no others beside it.
 */
export function beginOn(layout: Grounds, on: LaidOn): Grounds {
  const { grounds, places } = layout
  const numbers = grounds.map((_, k) => k)
  if (!('hide' in on)) return { grounds: [on], places: places.filter((p) => p.on === 0) }
  const was = grounds.findIndex((g) => 'hide' in g && g.hide === on.hide)
  if (was >= 0) return onThese(layout, [was, ...numbers.filter((k) => k !== was)])
  return { grounds: [on, ...grounds.slice(1)], places }
}

/**
 * A layout without pairs that have gone meanwhile, and without hides that have left the stores: what lay on those has to be laid
 * again. `note` says so, and is empty where all is there.
 */
export function whatIsThere(
  given: PairLayout,
  isPair: (id: string) => boolean,
  isThere: (on: LaidOn) => boolean,
): { layout: PairLayout; note: string } {
  if (!given.also.every(isPair)) {
    const also = given.also.filter(isPair)
    const { layout } = whatIsThere(
      { ...given, also, places: given.places.filter((p) => isPair(p.pair)) },
      isPair,
      isThere,
    )
    return { layout, note: 'A pair that was cut with this one is not there any more.' }
  }
  const there = given.grounds.flatMap((on, k) => ('hide' in on && !isThere(on) ? [] : [k]))
  if (there.length === given.grounds.length) return { layout: given, note: '' }
  return {
    layout: { ...given, ...(there.length > 0 ? onThese(given, there) : { grounds: [usualSheet], places: [] }) },
    note: 'A hide of this layout is not in the stores any more: what lay on it has to be laid again.',
  }
}
