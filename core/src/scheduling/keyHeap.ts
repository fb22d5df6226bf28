/** Numbers with keys, the smallest key first (a binary heap, Williams 1964); equal keys come by number. */
export class KeyHeap {
  private readonly items: number[] = []
  private readonly keys: Float64Array
  constructor(size: number) {
    this.keys = new Float64Array(size)
  }
  clear(): void {
    this.items.length = 0
  }
  private less(a: number, b: number): boolean {
    const { keys } = this
    return keys[a]! < keys[b]! || (keys[a] === keys[b] && a < b)
  }
  /** Of one number only one entry is kept at a time: its key may not change while it is in. */
  push(item: number, key: number): void {
    const { items, keys } = this
    keys[item] = key
    let i = items.length
    items.push(item)
    while (i > 0) {
      const parent = (i - 1) >> 1
      if (!this.less(item, items[parent]!)) break
      items[i] = items[parent]!
      i = parent
    }
    items[i] = item
  }
  /** The number with the smallest key, -1 when there is none. */
  pop(): number {
    const { items } = this
    const top = items[0]
    const last = items.pop()
    if (top === undefined || last === undefined) return -1
    const size = items.length
    if (size === 0) return top
    let i = 0
    for (;;) {
      let child = 2 * i + 1
      if (child >= size) break
      if (child + 1 < size && this.less(items[child + 1]!, items[child]!)) child++
      if (!this.less(items[child]!, last)) break
      items[i] = items[child]!
      i = child
    }
    items[i] = last
    return top
  }
}
