/** Pieces smaller than this are not cut further. */
const LEAF = 24

/**
 * Nested dissection of a graph (George 1973): `order[new] = old`. The graph is cut in two by the middle level of a
 * breadth-first search from a far end, both halves likewise, and each cut comes after what it parts; so a factor fills
 * in little. Works for any mesh.
 */
export function nestedDissection(links: readonly number[][]): Int32Array {
  const n = links.length
  const order = new Int32Array(n)
  /** Which piece a vertex belongs to now; placed ones belong to none. */
  const piece = new Int32Array(n)
  const level = new Int32Array(n).fill(-1)
  let end = n
  let pieces = 1
  const place = (vertices: readonly number[]) => {
    for (const v of vertices) {
      order[--end] = v
      piece[v] = -1
    }
  }

  /** The vertices of a piece that can be reached from a start, in order of their level. */
  const search = (start: number, id: number): number[] => {
    const queue = [start]
    level[start] = 0
    for (let i = 0; i < queue.length; i++) {
      const v = queue[i]!
      for (const w of links[v]!) {
        if (piece[w] !== id || level[w]! >= 0) continue
        level[w] = level[v]! + 1
        queue.push(w)
      }
    }
    return queue
  }
  const forget = (queue: readonly number[]) => {
    for (const v of queue) level[v] = -1
  }

  // The order is filled from its end: the cut first, then both sides, whichever comes off the stack.
  const stack: number[][] = [Array.from({ length: n }, (_, v) => v)]
  for (let list = stack.pop(); list; list = stack.pop()) {
    const id = pieces++
    for (const v of list) piece[v] = id
    if (list.length <= LEAF) {
      place(list)
      continue
    }
    const near = search(list[0]!, id)
    forget(near)
    const far = search(near[near.length - 1]!, id)
    if (far.length < list.length) {
      // Not one piece: what was reached and the rest are taken on their own.
      const reached = far.slice()
      forget(far)
      const inside = new Set(reached)
      stack.push(
        reached,
        list.filter((v) => !inside.has(v)),
      )
      continue
    }
    const middle = level[far[far.length >> 1]!]!
    const cut = far.filter((v) => level[v] === middle)
    const before = far.filter((v) => level[v]! < middle)
    const after = far.filter((v) => level[v]! > middle)
    forget(far)
    place(cut)
    if (before.length > 0) stack.push(before)
    if (after.length > 0) stack.push(after)
  }
  return order
}
