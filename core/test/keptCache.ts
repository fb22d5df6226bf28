import { StageCache, type Keeper } from '../src/plan/stageCache.ts'

const kept = new Map<string, unknown>()
/** What is dear (lasts, formes, sheets laid flat), found again by its content by every test of one thread. */
const keeper: Keeper = { get: (key) => kept.get(key), put: (key, value) => void kept.set(key, value) }

/** A cache of stages that begins empty but for what is dear: for tests that ask what a plan is, and not how it is kept. */
export const keptCache = (results = 12): StageCache => new StageCache(results, keeper)
