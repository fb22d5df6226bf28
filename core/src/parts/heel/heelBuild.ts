import type { Path, Point } from '../../geometry/path.ts'
import { heightAt, type SideProfile } from '../sole/sideProfile.ts'
import { SAME } from '../../geometry/tolerance.ts'

/** How a heel is built up, mm. */
export interface HeelBuild {
  /** x of its back and its breast, from the heel back of the last. */
  back: number
  breast: number
  /** Height of the sole's underside over the ground there: what the heel has to fill. */
  needed: { back: number; breast: number }
  /** The top piece at its thickest; 0 where there is no heel. */
  topPiece: number
  /** What is left of a top piece that is pared to the seat, under a sole too low for its whole thickness; null where it is whole. */
  pared: { back: number; breast: number } | null
  lift: number
  lifts: number
  /** How many would go in by the rule. */
  byRule: number
  /** Height of the wedge that takes up the slope; negative where the lifts alone stand too high, 0 where none is built in. */
  wedge: { back: number; breast: number }
  /** How far the back of the heel stands off the ground when all is put together. */
  offGround: number
  /** Bodies in side section, from the sole down: wedge, lifts, top piece. */
  bodies: { id: 'wedge' | 'lift' | 'topPiece'; name: string; outline: Path }[]
}

/** What a heel is built of: thickness of a lift and of the top piece, taper, and the thinnest heel that is built, mm. */
export interface HeelStock {
  lift: number
  topPiece: number
  taper: number
  thinnest: number
}

/** Less than this is no wedge: nobody cuts it, mm. */
const NO_WEDGE = 0.3

/**
 * The heel under a sole (docs/trade.md, "Bottom parts"): height needed less the top piece, divided by the lift stock;
 * the rest, with the slope of the seat, is a wedge. Without a wedge the lifts follow the seat and the heel stands on its
 * breast: it is off the ground behind by the fall of the seat. Under a low seat the top piece is pared to what there
 * is, and under one lower than the thinnest heel there is none.
 */
export function heelBuild(
  profile: SideProfile,
  back: number,
  breast: number,
  stock: HeelStock,
  decisions: { lifts: number | null; wedge: boolean },
): HeelBuild {
  const needed = { back: heightAt(profile.underside, back), breast: heightAt(profile.underside, breast) }
  const low = Math.min(needed.back, needed.breast)
  const byRule = Math.max(0, Math.floor((low - stock.topPiece) / stock.lift + SAME))
  const lifts = decisions.lifts ?? byRule
  const place = { back, breast, needed, lift: stock.lift, lifts, byRule }
  if (lifts === 0 && low < stock.topPiece - SAME) return lowHeel(profile, place, stock)
  const built = stock.topPiece + lifts * stock.lift
  const wedge = { back: needed.back - built, breast: needed.breast - built }
  // Without a wedge, what is missing at the breast is missing all along: the shoe sinks, or rides, by it.
  const offGround = decisions.wedge
    ? Math.max(0, -wedge.back, -wedge.breast)
    : Math.max(Math.abs(wedge.breast), Math.abs(wedge.back))
  const { level, follow } = drawn(profile, place, stock.taper)
  const bodies: HeelBuild['bodies'] = []
  if (decisions.wedge) {
    if (Math.max(wedge.back, wedge.breast) >= NO_WEDGE) bodies.push(body('wedge', 'Wedge', level(built, 0), follow(0)))
    for (let k = lifts; k > 0; k--) {
      const under = stock.topPiece + (k - 1) * stock.lift
      const at = lifts - k + 1
      bodies.push(body('lift', `Lift ${at}`, level(under, at), level(under + stock.lift, at)))
    }
    bodies.push(body('topPiece', 'Top piece', level(0, lifts + 1), level(stock.topPiece, lifts + 1)))
  } else {
    for (let k = 0; k < lifts; k++) {
      bodies.push(body('lift', `Lift ${k + 1}`, follow((k + 1) * stock.lift), follow(k * stock.lift)))
    }
    bodies.push(body('topPiece', 'Top piece', follow(built), follow(lifts * stock.lift)))
  }
  return { ...place, topPiece: stock.topPiece, pared: null, wedge, offGround, bodies }
}

type Place = Pick<HeelBuild, 'back' | 'breast' | 'needed' | 'lift' | 'lifts' | 'byRule'>

const body = (id: HeelBuild['bodies'][number]['id'], name: string, low: Path, high: Path) => ({
  id,
  name,
  outline: [...low, ...[...high].reverse()],
})

/** Lines of a heel in side section: level at a height, each smaller than the one above it; and along the sole's underside. */
function drawn(profile: SideProfile, { back, breast }: Place, taper: number) {
  const n = 8
  const xs = Array.from({ length: n + 1 }, (_, k) => back + ((breast - back) * k) / n)
  const inset = (k: number) => k * taper
  return {
    xs,
    level: (height: number, k: number): Path => [
      [back + inset(k), height],
      [breast - inset(k), height],
    ],
    follow: (by: number): Path => xs.map((x): Point => [x, heightAt(profile.underside, x) - by]),
  }
}

/** Under a seat lower than the top piece is thick: none at all, or a top piece pared to it, with what stands over it as a wedge. */
function lowHeel(profile: SideProfile, place: Place, stock: HeelStock): HeelBuild {
  const { needed } = place
  const none = { back: 0, breast: 0 }
  if (Math.max(needed.back, needed.breast) < stock.thinnest) {
    const offGround = Math.max(Math.abs(needed.back), Math.abs(needed.breast))
    return { ...place, topPiece: 0, pared: null, wedge: none, offGround, bodies: [] }
  }
  const cut = (height: number) => Math.min(stock.topPiece, Math.max(0, height))
  const pared = { back: cut(needed.back), breast: cut(needed.breast) }
  const over = { back: Math.max(0, needed.back - pared.back), breast: Math.max(0, needed.breast - pared.breast) }
  const wedge = Math.max(over.back, over.breast) >= NO_WEDGE ? over : none
  const { xs, level, follow } = drawn(profile, place, stock.taper)
  const top = xs.map((x): Point => [x, cut(heightAt(profile.underside, x))])
  return {
    ...place,
    topPiece: Math.max(pared.back, pared.breast),
    pared,
    wedge,
    offGround: Math.max(0, -needed.back, -needed.breast),
    bodies: [
      ...(wedge === none ? [] : [body('wedge', 'Wedge', top, follow(0))]),
      body('topPiece', 'Top piece', level(0, 0), top),
    ],
  }
}

/** Is a wedge cut for this heel? */
export const hasWedge = (heel: HeelBuild): boolean => heel.bodies.some((b) => b.id === 'wedge')
