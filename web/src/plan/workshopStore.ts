import type { Last, Material, PairDecisions, PlanInput, RuleFigures } from '@gentle-awl/core'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, type Stored } from '../api/client.ts'

/** Lasts, materials and house rules: what every pair draws on. */
export const useWorkshop = defineStore('workshop', () => {
  const lasts = ref<Stored<Last>[]>([])
  const materials = ref<Stored<Material>[]>([])
  const houseRules = ref<RuleFigures>({})
  const houseRulesVersion = ref(0)
  const loaded = ref(false)

  let loading: Promise<void> | null = null

  /** Fetches all three; calls that come while it runs share it. */
  function load(): Promise<void> {
    loading ??= fetchAll().finally(() => (loading = null))
    return loading
  }

  async function fetchAll(): Promise<void> {
    const [l, m, r] = await Promise.all([api.lasts.list(), api.materials.list(), api.houseRules()])
    lasts.value = l
    materials.value = m
    houseRules.value = r.houseRules
    houseRulesVersion.value = r.version
    loaded.value = true
  }

  const lastOf = (id: string | null | undefined) => lasts.value.find((l) => l.id === id) ?? null

  /** What a pair's decisions are planned from; null when its last is not on the shelf. */
  function inputOf(decisions: PairDecisions): PlanInput | null {
    const last = lastOf(decisions.lastId)
    if (!last) return null
    const leftLast = lastOf(decisions.left?.lastId)
    return { decisions, last, leftLast, materials: materials.value, houseRules: houseRules.value }
  }

  return { lastOf, inputOf, lasts, materials, houseRules, houseRulesVersion, loaded, load }
})
