import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { jagged } from '../../test/jagged.ts'
import { placed } from '../../test/layoutFaults.ts'
import { translate, type Path, type Point } from '../geometry/path.ts'
import { commonArea } from '../geometry/polygonClip.ts'
import { seeded } from '../geometry/random.ts'
import { Contacts } from './contacts.ts'
import { stockOf } from './shapes.ts'

/** Where two just touch, either may be said, mm2. */
const TOUCH = 0.05
const wide = {
  outline: [
    [-900, -900],
    [900, -900],
    [900, 900],
    [-900, 900],
  ] as Path,
  holes: [],
}

/** About no centre of its own. */
const ragged = (random: () => number): Path => translate(jagged(random, 5 + Math.floor(9 * random()), 50), 8, -4)
const overXAxis = (path: Path): Path => path.map(([x, y]): Point => [x, -y])

describe('pieces in their turns', () => {
  it('touch each other where polygon operations say so, whichever of them are flipped, turned, or of a left shoe', () => {
    let [apart, over] = [0, 0]
    fc.assert(
      fc.property(fc.nat(), (seed) => {
        const random = seeded(seed)
        const [a, b] = [ragged(random), ragged(random)]
        const rotations = [0, 90, 180, 181 + Math.floor(170 * random())]
        const asked = (id: string, outline: Path) => ({ id, outline, count: 1, rotations, mirror: true })
        const pieces = [asked('a', a), asked('b', b), asked('left a', overXAxis(a)), asked('left b', overXAxis(b))]
        const stock = stockOf(pieces, 0)
        // What a left shoe has are the right one's shapes.
        expect(stock.shapes).toHaveLength(2)
        expect(stock.items.map((i) => i.turns.length)).toEqual([8, 8, 8, 8])
        const contacts = new Contacts(stock, wide)
        const pick = () => {
          const of = stock.items[Math.floor(4 * random())]!
          const turn = of.turns[Math.floor(8 * random())]!
          const { rotation, mirrored } = stock.turned[turn]!
          const at = (x: number, y: number) =>
            placed(pieces.find((p) => p.id === of.id)!.outline, {
              id: of.id,
              copy: 0,
              bin: 0,
              x,
              y,
              rotation,
              mirrored,
            })
          return { turn, at }
        }
        for (let k = 0; k < 20; k++) {
          const [moving, fixed] = [pick(), pick()]
          const [x, y] = [160 * (random() - 0.5), 160 * (random() - 0.5)]
          const common = commonArea(moving.at(x, y), fixed.at(0, 0))
          if (common > 0 && common < TOUCH) continue
          expect(contacts.overlaps(moving.turn, fixed.turn, x, y), `${seed}, ${k}`).toBe(common > 0)
          expect(contacts.depth(moving.turn, fixed.turn, x, y) > 0).toBe(common > 0)
          if (common > 0) over++
          else apart++
        }
      }),
      { numRuns: 60 },
    )
    expect(Math.min(over, apart)).toBeGreaterThan(200)
  })
  it('are the same where two pairs are cut by the same patterns, and others where one of them keeps off a place', () => {
    const outline = ragged(seeded(5))
    const piece = { count: 1, rotations: [0, 180], mirror: false, outline }
    const flaw = [ragged(seeded(6))]
    const stock = stockOf(
      [
        { ...piece, id: 'a' },
        { ...piece, id: 'b' },
        { ...piece, id: 'c', avoid: flaw },
      ],
      2,
    )
    const [a, b, c] = stock.items.map((i) => i.turns)
    expect(a).toEqual(b)
    expect(a!.filter((t) => c!.includes(t))).toEqual([])
    expect(stock.shapes).toHaveLength(1)
    expect(stock.turned[c![0]!]!.avoid).toHaveLength(1)
  })
})
