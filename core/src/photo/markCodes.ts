import { seeded } from '../geometry/random.ts'

/** Cells along a side of a mark's coded field. */
export const CODE_CELLS = 5
const BITS = CODE_CELLS * CODE_CELLS
/** Any two codes differ in so many cells, however either is turned, and a code from itself turned. */
export const APART = 5
/** So many cells may be misread: fewer than half of APART, so that no code is taken for another. */
const MISREAD = 1

/** How many codes there are. Those of marks that were printed must stay what they are: more may follow, none may change. */
export const CODE_COUNT = 308
const SEED = 20

/** The field turned by a quarter: its cell (column, row) comes from (row, last - column). Bit k is cell (k % 5, k / 5). */
export function quarterTurned(code: number): number {
  let out = 0
  for (let row = 0; row < CODE_CELLS; row++) {
    for (let column = 0; column < CODE_CELLS; column++) {
      const from = (CODE_CELLS - 1 - column) * CODE_CELLS + row
      if ((code >>> from) & 1) out |= 1 << (row * CODE_CELLS + column)
    }
  }
  return out
}

/** Cells in which two codes differ. */
export function cellsApart(a: number, b: number): number {
  let rest = a ^ b
  let count = 0
  for (; rest !== 0; rest &= rest - 1) count++
  return count
}

const turnsOf = (code: number): number[] => {
  const out = [code]
  for (let k = 1; k < 4; k++) out.push(quarterTurned(out[k - 1]!))
  return out
}

/** All codes: drawn by chance, kept when far enough from every other in every turn (a greedy code, Gilbert 1952). */
function drawn(): number[] {
  const random = seeded(SEED)
  const codes: number[] = []
  while (codes.length < CODE_COUNT) {
    const code = Math.floor(random() * 2 ** BITS)
    const turns = turnsOf(code)
    const ones = cellsApart(code, 0)
    // Half black, half white: neither a blank field nor a blot is a mark.
    if (ones < 9 || ones > 16) continue
    if (turns.slice(1).some((t) => cellsApart(code, t) < APART)) continue
    if (codes.every((other) => turns.every((t) => cellsApart(other, t) >= APART))) codes.push(code)
  }
  return codes
}

let known: readonly number[] | null = null
/** The codes of the marks, by their number: bit k is 1 where cell (k % 5, k / 5 rounded down), counted from the upper left, is white. */
export const markCodes = (): readonly number[] => (known ??= drawn())

/** Which mark a field shows, and by how many quarters the field has to be turned to stand upright; null for none. */
export function readCode(field: number): { mark: number; quarters: number } | null {
  const codes = markCodes()
  let turned = field
  for (let quarters = 0; quarters < 4; quarters++) {
    for (let mark = 0; mark < codes.length; mark++) {
      if (cellsApart(codes[mark]!, turned) <= MISREAD) return { mark, quarters }
    }
    turned = quarterTurned(turned)
  }
  return null
}
