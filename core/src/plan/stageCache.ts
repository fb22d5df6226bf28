/**
 * Results of the pipeline's stages. A stage is named; it is computed again only when one of its inputs changed
 * (compared with Object.is, so pass strings, numbers, or results of other stages). The last few results of every
 * stage are kept, so that undo and a second pair on the same last cost nothing.
 */
export class StageCache {
  private readonly kept = new Map<string, { inputs: readonly unknown[]; value: unknown }[]>()
  /** How often each stage was really computed: what the tests and the bench look at. */
  readonly computed = new Map<string, number>()

  constructor(private readonly keep = 6) {}

  stage<T>(name: string, inputs: readonly unknown[], compute: () => T): T {
    const list = this.kept.get(name) ?? []
    const hit = list.findIndex(
      (e) => e.inputs.length === inputs.length && e.inputs.every((v, i) => Object.is(v, inputs[i])),
    )
    if (hit >= 0) {
      const [entry] = list.splice(hit, 1)
      list.unshift(entry)
      // Only this method writes entries, and always under the name whose computation returned T.
      return entry.value as T
    }
    const value = compute()
    this.computed.set(name, (this.computed.get(name) ?? 0) + 1)
    list.unshift({ inputs, value })
    list.length = Math.min(list.length, this.keep)
    this.kept.set(name, list)
    return value
  }
}
