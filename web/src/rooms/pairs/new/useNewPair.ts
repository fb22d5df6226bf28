import {
  constructions,
  isBoard,
  materialRoles,
  mayStayOpen,
  nextOrder,
  pieceRole,
  shelfFigures,
  sizeFromLast,
  styleBook,
  traitsOf,
  type ConstructionName,
  type MaterialRole,
  type PairLike,
  type SizeSystem,
  type StyleName,
} from '@gentle-awl/core'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { alike } from '../../../app/alike.ts'
import { api, type PairName } from '../../../api/client.ts'
import { useAttempt } from '../../../app/useAttempt.ts'
import { rolesIn } from '../../../stores/rolesIn.ts'
import { useWorkshop } from '../../../stores/workshopStore.ts'
import { capital } from '../../../ui/capital.ts'

const allRoles = Object.keys(materialRoles) as MaterialRole[]

/** An upper is cut to be turned one way or the other: a way that wants the other one cannot be had in this style. */
export const goesWith = (style: StyleName, way: ConstructionName): boolean =>
  (styleBook[style].bottom === 'turned-out margin') === traitsOf(way).outwards
/** The way itself where it can be had in this style, else the first that can. */
export const wayFor = (style: StyleName, way: ConstructionName): ConstructionName =>
  goesWith(style, way) ? way : (constructions.find((w) => goesWith(style, w)) ?? way)

/**
 * What is decided for a new pair. All that is known is filled in: the number that comes next, a name, the size that the
 * last reads, materials of the newest pair of the style. What somebody typed or chose, no proposal writes over.
 */
export function useNewPair() {
  const workshop = useWorkshop()
  /** Where materials would come from cannot be asked: the form goes on with what is likeliest. */
  const { problem: unlike, attempt } = useAttempt()
  const label = reactive({ order: '', name: '', trade: '', note: '' })
  const lastId = ref('')
  const style = ref<StyleName>('derby')
  const way = ref<ConstructionName>('welted')
  const cupSoleId = ref<string | null>(null)
  const system = ref<SizeSystem>('paris')
  const size = ref<number | null>(null)
  const materials = reactive({} as Record<MaterialRole, string>)
  const touched = new Set<MaterialRole | 'name' | 'size' | 'system'>()

  const pairs = shallowRef<PairName[]>([])
  /** A customer may have a second pair; two pairs by mistake are worth a word. */
  const doubled = computed(() => {
    const same = pairs.value.find((p) => alike(p.order, label.order))
    return same ? `Order ${same.order} has a pair already: ${same.name}.` : ''
  })
  const last = computed(() => workshop.lasts.find((l) => l.id === lastId.value))

  /** The size that the chosen last reads, to the half. */
  function offerSize(): void {
    if (!last.value || touched.has('size')) return
    const reads = sizeFromLast(system.value, shelfFigures(last.value.shape).length)
    size.value = system.value === 'mondopoint' ? Math.round(reads / 5) * 5 : Math.round(reads * 2) / 2
  }
  watch([last, system], offerSize)
  watch([last, style], () => {
    if (last.value && !touched.has('name')) label.name = `${capital(style.value)} on ${last.value.name}`.slice(0, 80)
  })

  /** The pair that the materials come from; null when there is none of this style yet. */
  const like = shallowRef<PairLike | null>(null)
  /** Pieces that were cut from something else than their like in that pair, of stuff that is still in the stores. */
  const ownPieces = computed(() =>
    Object.entries(like.value?.decisions.pieceMaterials ?? {}).flatMap(([piece, id]) => {
      const role = pieceRole(piece)
      const material = role && workshop.choices(role).find((m) => m.id === id)
      return material ? [{ piece, material }] : []
    }),
  )
  /** Whether they are cut so again. */
  const piecesToo = ref(true)
  const roles = computed(() => rolesIn(style.value, way.value))
  function proposeMaterials(): void {
    const from = like.value?.decisions
    for (const role of allRoles) {
      if (touched.has(role)) continue
      const choices = workshop.choices(role)
      const before = from?.materials[role]
      const padded = role !== 'padding' || from?.sock.padding !== 'none'
      if (padded && choices.some((m) => m.id === before)) materials[role] = before ?? ''
      else materials[role] = mayStayOpen(role) ? '' : (choices[0]?.id ?? '')
    }
    // Where the insole carries a holdfast leather is the likely one, else board.
    if (from?.construction === way.value || touched.has('insole')) return
    const { welted } = traitsOf(way.value)
    const fitting = workshop.choices('insole').find((m) => isBoard(m) === !welted)
    if (fitting) materials.insole = fitting.id
  }
  let asked = 0
  async function goByNewestOfStyle(): Promise<void> {
    const mine = ++asked
    const found = await api.pairLike(style.value, way.value)
    if (mine !== asked) return
    like.value = found
    if (found && !touched.has('system')) system.value = found.decisions.size.system
    const soles = workshop.solesFor(way.value)
    const before = soles.find((s) => s.id === found?.decisions.cupSoleId) ?? soles[0]
    cupSoleId.value = before?.id ?? null
    proposeMaterials()
  }
  watch([style, way], () => void attempt(goByNewestOfStyle))

  function chooseStyle(next: StyleName): void {
    style.value = next
    way.value = wayFor(next, way.value)
  }
  function chooseMaterial(role: MaterialRole, id: string | null): void {
    touched.add(role)
    materials[role] = id ?? ''
  }
  function chooseSystem(next: SizeSystem): void {
    touched.add('system')
    system.value = next
  }
  function typeSize(next: number | null): void {
    touched.add('size')
    size.value = next
  }

  /** Fetches what proposals come from, and makes the first of them. Throws ApiError. */
  async function load(askedFor: unknown): Promise<void> {
    const [names] = await Promise.all([api.pairNames(), workshop.load()])
    pairs.value = names
    lastId.value = (workshop.lasts.find((l) => l.id === askedFor) ?? workshop.lasts[0])?.id ?? ''
    label.order ||= nextOrder(names.map((p) => p.order))
    await goByNewestOfStyle()
    offerSize()
  }

  /** What would be stored, in this style and way; what was not filled in well is left to the schema. */
  function decisionsAs(inStyle: StyleName, inWay: ConstructionName) {
    const padding = materials.padding || null
    const before = like.value?.decisions.sock.padding ?? 'none'
    return {
      lastId: lastId.value,
      size: { system: system.value, value: size.value },
      construction: inWay,
      upper: { style: inStyle },
      cupSoleId: workshop.solesFor(inWay).some((s) => s.id === cupSoleId.value) ? cupSoleId.value : null,
      pieceMaterials: Object.fromEntries(
        piecesToo.value && inStyle === style.value ? ownPieces.value.map((p) => [p.piece, p.material.id]) : [],
      ),
      materials: Object.fromEntries(allRoles.map((r) => [r, materials[r] || null])),
      // Worked as the last one of this style was, but for the order of its own steps.
      ...(like.value ? { work: { ...like.value.decisions.work, order: [] } } : {}),
      // Half is the careful beginning: it leaves joint and waist their girth.
      sock: { padding: padding === null ? 'none' : before === 'none' ? 'half' : before },
    }
  }
  return {
    label,
    nameTyped: () => touched.add('name'),
    doubled,
    lastId,
    last,
    style,
    chooseStyle,
    way,
    cupSoleId,
    system,
    chooseSystem,
    size,
    typeSize,
    materials,
    roles,
    chooseMaterial,
    like,
    ownPieces,
    piecesToo,
    unlike,
    load,
    decisionsAs,
  }
}
