import {
  foamRules,
  RuleBook,
  traitsOf,
  type ConstructionName,
  type CupSole,
  type Last,
  type Material,
  type MaterialRole,
  type PairDecisions,
  type PlanInput,
  type RuleFigures,
  type ShelfLast,
} from '@gentle-awl/core'
import { defineStore } from 'pinia'
import { ref, shallowReactive, shallowRef } from 'vue'
import { type Stored } from '../api/ask.ts'
import { api } from '../api/client.ts'
import { choicesFor } from './choices.ts'

/** Lasts, materials, bought soles and house rules: what every pair draws on. */
export const useWorkshop = defineStore('workshop', () => {
  // Lists are replaced, never changed in place.
  const lasts = shallowRef<Stored<ShelfLast>[]>([])
  /** Lasts from a scan with their surface, fetched when a pair is planned on them. */
  const fetched = shallowReactive(new Map<string, Stored<Last>>())
  const materials = shallowRef<Stored<Material>[]>([])
  const cupSoles = shallowRef<Stored<CupSole>[]>([])
  const houseRules = shallowRef<RuleFigures>({})
  const houseRulesVersion = ref(0)
  const loaded = ref(false)

  let loading: Promise<void> | null = null

  /** Fetches all of it; calls that come while it runs share it. */
  function load(): Promise<void> {
    loading ??= fetchAll().finally(() => (loading = null))
    return loading
  }

  async function fetchAll(): Promise<void> {
    const [l, m, c, r] = await Promise.all([
      api.lasts.list(),
      api.materials.list(),
      api.cupSoles.list(),
      api.houseRules(),
    ])
    lasts.value = l
    materials.value = m
    cupSoles.value = c
    houseRules.value = r.houseRules
    houseRulesVersion.value = r.version
    loaded.value = true
  }

  /** A last with all that planning on it needs; null for one that is not on the shelf, or not fetched yet: see `hold`. */
  function lastOf(id: string | null | undefined): Stored<Last> | null {
    const listed = lasts.value.find((l) => l.id === id)
    if (!listed) return null
    if (isWhole(listed)) return listed
    const whole = fetched.get(listed.id)
    return whole?.version === listed.version ? whole : null
  }

  /** Fetches what is missing of a last on the shelf, and gives it. */
  async function wholeLast(id: string): Promise<Stored<Last> | null> {
    const known = lastOf(id)
    const listed = lasts.value.find((l) => l.id === id)
    if (known || !listed) return known
    const whole = await api.lasts.one(id)
    fetched.set(id, whole)
    // Changed since it was listed: the list says so as well from now on.
    if (whole.version !== listed.version) lasts.value = await api.lasts.list()
    return whole
  }

  /** Makes sure that the lasts of a pair are here with their surfaces. */
  const hold = async (decisions: PairDecisions): Promise<void> => {
    const ids = [decisions.lastId, decisions.left?.lastId ?? null].filter((id): id is string => id !== null)
    await Promise.all(ids.map(wholeLast))
  }

  /** What may serve in a role, the likeliest first, by this workshop's own figures. */
  const choices = (role: MaterialRole) =>
    choicesFor(role, materials.value, new RuleBook(houseRules.value, {}).value(foamRules.recovery))
  /** Bought soles that a way of making takes. */
  const solesFor = (way: ConstructionName) => cupSoles.value.filter((s) => s.form === traitsOf(way).bought)
  /** Padding needs a material: the one that was chosen, or the first fit one in the stores; null when there is none. */
  const paddingFor = ({ materials: m }: PairDecisions) => m.padding ?? choices('padding')[0]?.id ?? null

  /** What a pair's decisions are planned from; null when its last is not on the shelf. */
  function inputOf(decisions: PairDecisions): PlanInput | null {
    const last = lastOf(decisions.lastId)
    if (!last) return null
    const leftLast = lastOf(decisions.left?.lastId)
    const cupSole = cupSoles.value.find((c) => c.id === decisions.cupSoleId) ?? null
    return { decisions, last, leftLast, cupSole, materials: materials.value, houseRules: houseRules.value }
  }

  return {
    lastOf,
    wholeLast,
    hold,
    inputOf,
    choices,
    paddingFor,
    solesFor,
    lasts,
    materials,
    cupSoles,
    houseRules,
    houseRulesVersion,
    loaded,
    load,
  }
})

/** Does a last come with all there is of it in the list already? */
const isWhole = (last: Stored<ShelfLast>): last is Stored<ShelfLast & Last> => last.shape.kind !== 'kept'
