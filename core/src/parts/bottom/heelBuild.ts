import type { Path, Point } from '../../geometry/path.ts'
import { heightAt, type SideProfile } from './sideProfile.ts'

/** How a heel is built up, mm. */
export interface HeelBuild {
  /** x of its back and its breast, from the heel back of the last. */
  back: number
  breast: number
  /** Height of the sole's underside over the ground there: what the heel has to fill. */
  needed: { back: number; breast: number }
  topPiece: number
  lift: number
  lifts: number
  /** How many would go in by the rule. */
  byRule: number
  /** Height of the wedge that takes up the slope; negative where the lifts alone stand too high. */
  wedge: { back: number; breast: number }
  /** How far the back of the heel stands off the ground when all is put together. */
  offGround: number
  /** Bodies in side section, from the sole down: wedge, lifts, top piece. */
  bodies: { id: 'wedge' | 'lift' | 'topPiece'; name: string; outline: Path }[]
}

/**
 * The heel under a sole (docs/trade.md, "Bottom parts"): height needed less the top piece, divided by the lift stock;
 * the rest, with the slope of the seat, is a wedge. Without a wedge the lifts follow the seat and the heel stands on its
 * breast: it is off the ground behind by the fall of the seat.
 */
export function heelBuild(
  profile: SideProfile,
  back: number,
  breast: number,
  stock: { lift: number; topPiece: number; taper: number },
  decisions: { lifts: number | null; wedge: boolean },
): HeelBuild {
  const needed = { back: heightAt(profile.underside, back), breast: heightAt(profile.underside, breast) }
  const room = Math.min(needed.back, needed.breast) - stock.topPiece
  const byRule = Math.max(0, Math.floor(room / stock.lift + 1e-6))
  const lifts = decisions.lifts ?? byRule
  const built = stock.topPiece + lifts * stock.lift
  const wedge = { back: needed.back - built, breast: needed.breast - built }
  // Without a wedge, what is missing at the breast is missing all along: the shoe sinks, or rides, by it.
  const offGround = decisions.wedge
    ? Math.max(0, -wedge.back, -wedge.breast)
    : Math.max(Math.abs(wedge.breast), Math.abs(wedge.back))
  const n = 8
  const xs = Array.from({ length: n + 1 }, (_, k) => back + ((breast - back) * k) / n)
  // Each body is smaller than the one above it, all round.
  const inset = (k: number) => k * stock.taper
  const level = (height: number, k: number): Path => [
    [back + inset(k), height],
    [breast - inset(k), height],
  ]
  const body = (id: HeelBuild['bodies'][number]['id'], name: string, low: Path, high: Path) => ({
    id,
    name,
    outline: [...low, ...[...high].reverse()],
  })
  const follow = (by: number): Path => xs.map((x): Point => [x, heightAt(profile.underside, x) - by])
  const bodies: HeelBuild['bodies'] = []
  if (decisions.wedge) {
    bodies.push(body('wedge', 'Wedge', level(built, 0), follow(0)))
    for (let k = lifts; k > 0; k--) {
      const low = stock.topPiece + (k - 1) * stock.lift
      const at = lifts - k + 1
      bodies.push(body('lift', `Lift ${at}`, level(low, at), level(low + stock.lift, at)))
    }
    bodies.push(body('topPiece', 'Top piece', level(0, lifts + 1), level(stock.topPiece, lifts + 1)))
  } else {
    for (let k = 0; k < lifts; k++) {
      bodies.push(body('lift', `Lift ${k + 1}`, follow((k + 1) * stock.lift), follow(k * stock.lift)))
    }
    bodies.push(body('topPiece', 'Top piece', follow(built), follow(lifts * stock.lift)))
  }
  return { back, breast, needed, topPiece: stock.topPiece, lift: stock.lift, lifts, byRule, wedge, offGround, bodies }
}
