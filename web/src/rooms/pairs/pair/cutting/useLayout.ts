import {
  boxOf,
  laidPiece,
  layOrderOf,
  misplaced,
  sheetGround,
  stillToLay,
  tightAt,
  toLay,
  whereLaid,
  type CuttingGroup,
  type Hide,
  type LaidOn,
  type LaidPlace,
  type LayGround,
  type LayTurn,
  type Misplaced,
  type PairLayout,
  type ToLay,
} from '@gentle-awl/core'
import { StorageSerializers, useLocalStorage } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowReactive, shallowRef, watch } from 'vue'
import { type Stored } from '../../../../api/ask.ts'
import { api, type PairName } from '../../../../api/client.ts'
import { useNews } from '../../../../app/news.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { usualSheet, whatIsThere } from './layoutGrounds.ts'
import { useSearch } from './useSearch.ts'
import { useServerSearch } from './useServerSearch.ts'

/** Steps that can be taken back. */
const MOST_BACK = 60
/** What is changed by key after key is kept once they rest, ms. */
const REST = 500
const ELSEWHERE =
  'This layout was changed in another window, and that is what is shown. “Take back” shows yours again and keeps it.'

const same = (a: LaidPlace, b: LaidPlace) =>
  a.pair === b.pair && a.record === b.record && a.foot === b.foot && a.copy === b.copy

/**
 * How one stuff of a pair is laid out: on which hides, with which other pairs, and where each piece lies. Laid out by a
 * search, changed by hand, taken back step by step, and kept with the pair; what could not be kept yet stays in this browser.
 */
export function useLayout(pairId: string, group: () => CuttingGroup) {
  const { material } = group()
  const key = (what: string) => `gentle-awl.${what}.${material}`
  /** As the next pair is laid of this stuff. */
  const usual = useLocalStorage<{ on: LaidOn; gap: number; turn: LayTurn; hidesFlaws: boolean }>(key('laid'), {
    on: usualSheet,
    gap: 2,
    turn: 'along',
    hidesFlaws: false,
  })
  const draft = useLocalStorage<{ version: number; layout: PairLayout } | null>(
    `gentle-awl.layout-draft.${pairId}.${material}`,
    null,
    { serializer: StorageSerializers.object },
  )
  const blank = (): PairLayout => {
    const { on, gap, turn, hidesFlaws } = usual.value
    return { material, grounds: [on], gap, turn, hidesFlaws, also: [], places: [] }
  }
  const layout = shallowRef<PairLayout>(blank())
  const version = ref(0)
  const ready = ref(false)
  const before = shallowRef<PairLayout[]>([])
  const hides = shallowRef<Stored<Hide>[]>([])
  /** All pairs, to be cut with this one. */
  const pairs = shallowRef<PairName[]>([])
  const note = ref('')
  const { problem: cannotLoad, attempt: attemptLoad } = useAttempt()
  const { problem: cannotKeep, attempt } = useAttempt()
  const search = useSearch()
  const server = useServerSearch(pairId, material)
  const busy = computed(() => search.progress.value !== null || server.active.value)
  /** Whatever looks for it looks no more. */
  function stop(): Promise<void> {
    search.stop()
    return server.stop()
  }

  /** What other pairs have of this stuff; null where that is nothing. */
  const others = shallowReactive(new Map<string, CuttingGroup | null>())
  const { problem: cannotAdd, attempt: attemptAdd } = useAttempt()
  watch(
    () => layout.value.also,
    async (also) => {
      for (const id of also.filter((o) => !others.has(o))) {
        await attemptAdd(async () => {
          const groups = await api.cutting(id)
          others.set(id, groups.find((g) => g.material === material) ?? null)
        })
      }
    },
    { immediate: true },
  )
  const pieces = computed<ToLay[]>(() => [
    ...toLay(pairId, group()),
    ...layout.value.also.flatMap((id) => {
      const other = others.get(id)
      return other ? toLay(id, other) : []
    }),
  ])
  /** Other pairs that are being planned for what is cut of them. */
  const waiting = computed(() => layout.value.also.some((id) => !others.has(id)))
  const hideOf = (on: LaidOn): Stored<Hide> | null =>
    'hide' in on ? (hides.value.find((h) => h.id === on.hide) ?? null) : null
  const grounds = computed<LayGround[]>(() =>
    layout.value.grounds.map((on) =>
      'hide' in on ? (hideOf(on) ?? sheetGround({ length: 50, width: 50 })) : sheetGround(on),
    ),
  )
  /** Places of pieces that are cut still: a pair may have been changed since it was laid out. */
  const places = computed(() => layout.value.places.filter((p) => laidPiece(pieces.value, p) !== null))
  const unlaid = computed(() => stillToLay(pieces.value, places.value))
  /** While one piece is pulled, only what concerns it is looked at again. */
  const pulled = shallowRef<{ at: number; rest: Misplaced[] } | null>(null)
  const wrong = computed<Misplaced[]>(() => {
    if (busy.value) return []
    const one = pulled.value
    const found = misplaced(pieces.value, grounds.value, places.value, layout.value, one?.at)
    return one ? [...one.rest, ...found] : found
  })
  function hold(place: LaidPlace): void {
    const at = places.value.findIndex((p) => same(p, place))
    const concerns = (w: Misplaced) => w.at === at || ('other' in w && w.other === at)
    pulled.value = { at, rest: wrong.value.filter((w) => !concerns(w)) }
  }
  function letGo(): void {
    pulled.value = null
    if (resting !== undefined) void keep()
  }

  async function load(): Promise<void> {
    await attemptLoad(async () => {
      await server.look()
      const [found, all, names] = await Promise.all([api.layouts(pairId), api.hides.list(), api.pairNames()])
      hides.value = all
      pairs.value = names
      const kept = found.find((l) => l.material === material)
      version.value = kept?.version ?? 0
      let next: PairLayout = kept ?? blank()
      if (draft.value) {
        // Not kept yet: goes on where it was, or is one step back where somebody else was first.
        if (draft.value.version === version.value) next = draft.value.layout
        else {
          before.value = [draft.value.layout]
          note.value = ELSEWHERE
        }
      }
      layout.value = withoutLost(next)
      ready.value = true
      if (draft.value?.version === version.value) void keep()
    })
  }
  /** What is changed or looked for here is not overrun by what was written elsewhere. */
  const isAtWork = () =>
    !ready.value || draft.value !== null || pulled.value !== null || keeping !== null || search.progress.value !== null
  /** Shows what was written since: by a search on the server, or in another window. */
  async function follow(): Promise<void> {
    await attemptLoad(async () => {
      await server.look()
      const found = isAtWork() ? [] : await api.layouts(pairId)
      const kept = found.find((l) => l.material === material)
      if (isAtWork() || !kept || kept.version === version.value) return
      if (server.newest(version.value) !== kept.version) {
        step()
        note.value = ELSEWHERE
      }
      version.value = kept.version
      layout.value = withoutLost(kept)
    })
  }
  useNews(
    () => [`/layouts/${pairId}`, `/pairs/${pairId}/layouts`],
    () => void follow(),
  )
  function withoutLost(given: PairLayout): PairLayout {
    const isPair = (id: string) => id === pairId || pairs.value.some((p) => p.id === id)
    const there = whatIsThere(given, isPair, (on) => hideOf(on) !== null)
    if (there.note !== '') note.value = there.note
    return there.layout
  }

  let last: LaidPlace | null = null
  let resting: ReturnType<typeof setTimeout> | undefined
  let keeping: Promise<void> | null = null
  let again = false
  /** Writes it down as it lies; what is changed while that is under way is written once more afterwards, never beside it. */
  function keep(): Promise<void> {
    clearTimeout(resting)
    resting = undefined
    again = true
    return (keeping ??= writeAll())
  }
  async function writeAll(): Promise<void> {
    while (again) {
      again = false
      await write()
    }
    keeping = null
  }
  async function write(): Promise<void> {
    if (server.stopping()) await server.stopping()
    version.value = server.newest(version.value)
    const sent = layout.value
    await attempt(
      async () => {
        const all = await api.keepLayout(pairId, version.value, sent)
        version.value = all.find((l) => l.material === material)?.version ?? version.value
        if (layout.value === sent) draft.value = null
        else draft.value = { version: version.value, layout: layout.value }
      },
      async (refusal) => {
        if (!('status' in refusal) || refusal.status !== 409) {
          cannotKeep.value = refusal.message
          return
        }
        const mine = layout.value
        draft.value = null
        await load()
        before.value = [...before.value, mine]
        note.value = ELSEWHERE
      },
    )
  }
  function set(next: PairLayout, rests = false): void {
    layout.value = next
    draft.value = { version: version.value, layout: next }
    clearTimeout(resting)
    if (rests) resting = setTimeout(() => void keep(), REST)
    else void keep()
  }
  /** A step that can be taken back. */
  function step(): void {
    note.value = ''
    before.value = [...before.value.slice(1 - MOST_BACK), layout.value]
  }
  function change(some: Partial<PairLayout>): void {
    // What is still being found is of what was asked before.
    void stop()
    step()
    const next = { ...layout.value, ...some }
    usual.value = { on: next.grounds[0]!, gap: next.gap, turn: next.turn, hidesFlaws: next.hidesFlaws }
    set(next)
  }
  function back(): void {
    const last = before.value.at(-1)
    if (!last) return
    void stop()
    before.value = before.value.slice(0, -1)
    note.value = ''
    set(withoutLost(last))
  }
  /** Puts one piece elsewhere; it stays there when the rest is laid again. `first` begins what is taken back as one step. */
  function move(place: LaidPlace, some: Partial<LaidPlace>, { first = true, rests = false } = {}): void {
    void stop()
    // Key after key moves it as one step.
    const goesOn = rests && resting !== undefined && last !== null && same(last, place)
    if (first && !goesOn) step()
    last = place
    const moved = { ...place, pinned: true, ...some }
    const all = layout.value.places
    set({ ...layout.value, places: all.map((p) => (same(p, place) ? moved : p)) }, rests)
  }
  /** Puts a piece that lies nowhere on a hide, its middle at a place. */
  function put(piece: ToLay, on: number, [x, y]: readonly [number, number]): void {
    const { pair, cut } = piece
    const record = piece.piece.record
    const copies = places.value.filter((p) => p.pair === pair && p.record === record && p.foot === cut.foot)
    let copy = 0
    while (copies.some((p) => p.copy === copy)) copy++
    const rotation = tightAt(grounds.value[on]!, [x, y]) - cut.tight
    const b = boxOf(whereLaid(cut.outline, { x: 0, y: 0, rotation }))
    const at = { x: x - (b.minX + b.maxX) / 2, y: y - (b.minY + b.maxY) / 2 }
    change({
      places: [...layout.value.places, { pair, record, foot: cut.foot, copy, on, ...at, rotation, pinned: true }],
    })
  }
  function takeOff(place: LaidPlace): void {
    change({ places: layout.value.places.filter((p) => !same(p, place)) })
  }
  /** What was cut lies there no more, and the hides have holes: both are as they are in the stores now. */
  async function cutOut(cut: readonly LaidPlace[]): Promise<void> {
    change({ places: layout.value.places.filter((p) => !cut.some((c) => same(c, p))) })
    hides.value = await api.hides.list()
  }
  /** Lays all that was not put where it is by hand, for so many seconds. */
  async function layOut(seconds: number): Promise<void> {
    step()
    const order = layOrderOf(layout.value, pieces.value, grounds.value)
    const show = (found: readonly LaidPlace[]) => (layout.value = { ...layout.value, places: [...found] })
    const was = layout.value.places
    const done = await search.layOut(order, seconds, (news) => show(news.places))
    if (done) show(done.places)
    // Stopped before all lay that lay there: that stays.
    else if (layout.value.places.length < was.length) show(was)
    if (search.problem.value === '') set(layout.value)
  }
  /** The same on the server, where it goes on when this page is closed. */
  async function leaveToServer(seconds: number): Promise<void> {
    step()
    set(layout.value)
    await keeping
    if (draft.value === null) await server.begin(version.value, seconds)
  }
  onScopeDispose(() => {
    if (resting !== undefined) void keep()
  })
  void load()
  return {
    layout,
    version,
    ready,
    hides,
    pairs,
    hideOf,
    grounds,
    pieces,
    places,
    unlaid,
    wrong,
    others,
    waiting,
    before,
    note,
    search,
    server,
    busy,
    stop,
    follow,
    cannotLoad,
    cannotKeep,
    cannotAdd,
    load,
    keep,
    change,
    move,
    hold,
    letGo,
    put,
    takeOff,
    cutOut,
    back,
    layOut,
    leaveToServer,
  }
}
export type LayoutRoom = ReturnType<typeof useLayout>
