import {
  foamRules,
  RuleBook,
  type CupSole,
  type Last,
  type Material,
  type MaterialRole,
  type PairDecisions,
  type PlanInput,
  type RuleFigures,
} from '@gentle-awl/core'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, type Stored } from '../api/client.ts'
import { choicesFor } from './choices.ts'

/** Lasts, materials, cup soles and house rules: what every pair draws on. */
export const useWorkshop = defineStore('workshop', () => {
  const lasts = ref<Stored<Last>[]>([])
  const materials = ref<Stored<Material>[]>([])
  const cupSoles = ref<Stored<CupSole>[]>([])
  const houseRules = ref<RuleFigures>({})
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

  const lastOf = (id: string | null | undefined) => lasts.value.find((l) => l.id === id) ?? null

  /** What may serve in a role, the likeliest first, by this workshop's own figures. */
  const choices = (role: MaterialRole) =>
    choicesFor(role, materials.value, new RuleBook(houseRules.value, {}).value(foamRules.recovery))
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
    inputOf,
    choices,
    paddingFor,
    lasts,
    materials,
    cupSoles,
    houseRules,
    houseRulesVersion,
    loaded,
    load,
  }
})
