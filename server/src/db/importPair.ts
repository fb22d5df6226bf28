import {
  MOST_REVISIONS,
  ruleOf,
  withMaterials,
  type PairDecisions,
  type PairFile,
  type RuleFigures,
} from '@gentle-awl/core'
import { eq } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { cupSoleEntity } from './entities/cupSoles.ts'
import { lastEntity } from './entities/lasts.ts'
import { materialEntity } from './entities/materials.ts'
import { readHouseRules } from './houseRules.ts'
import type { Tx } from './open.ts'
import { others } from './others.ts'
import { createPair } from './pairs.ts'
import { made, readings, setbacks, stepEvents } from './recordSchema.ts'
import { pairs } from './schema.ts'

/**
 * The pair's own rules, so that it plans here as it did where it comes from: wherever that workshop's figure differs
 * from ours, the pair carries it.
 */
function carriedRules(own: RuleFigures, theirs: RuleFigures, ours: RuleFigures): RuleFigures {
  const rules = { ...own }
  for (const key of new Set([...Object.keys(theirs), ...Object.keys(ours)])) {
    const book = ruleOf(key)?.value
    const there = own[key] ?? theirs[key] ?? book
    const here = own[key] ?? ours[key] ?? book
    if (there !== undefined && there !== here) rules[key] = there
  }
  return rules
}

/** A pair that comes in has room left for more revisions than anybody makes, so that its own file comes back in as well. */
const HIGHEST = 0.9 * MOST_REVISIONS

/** So many entries are written at once. */
const PORTION = 500

function* portions<T>(all: readonly T[]): Generator<T[]> {
  for (let i = 0; i < all.length; i += PORTION) yield all.slice(i, i + PORTION)
}

/**
 * Brings a pair file in with its last, materials and log. A pair that is here already is never overwritten: it comes in
 * as a copy.
 */
export async function importPair(tx: Tx, file: PairFile): Promise<string> {
  const lastId = await lastEntity.bring(tx, file.last)
  const { left } = file.decisions
  const leftLastId = left?.lastId && file.leftLast ? await lastEntity.bring(tx, file.leftLast) : null
  const cupSoleId = file.decisions.cupSoleId && file.cupSole ? await cupSoleEntity.bring(tx, file.cupSole) : null
  const moved = new Map<string, string>()
  for (const material of file.materials) moved.set(material.id, await materialEntity.bring(tx, material))
  const { houseRules } = await readHouseRules(tx)
  const decisions: PairDecisions = {
    ...file.decisions,
    lastId,
    cupSoleId,
    left: left && { ...left, lastId: leftLastId },
    ...withMaterials(file.decisions, (id) => moved.get(id) ?? id),
    rules: carriedRules(file.decisions.rules, file.houseRules, houseRules),
  }
  const [taken] = await tx.select({ id: pairs.id }).from(pairs).where(eq(pairs.id, file.id))
  const label = taken ? { ...file.label, name: `${file.label.name.slice(0, 70)} (copy)` } : file.label
  const id = await createPair(tx, label, decisions, taken ? uuid() : file.id, Math.min(file.revision, HIGHEST))
  for (const some of portions(file.log)) {
    await tx.insert(stepEvents).values(some.map((event) => ({ id: uuid(), pairId: id, ...event })))
    await others()
  }
  for (const some of portions(file.made)) {
    await tx.insert(made).values(some.map((one) => ({ id: uuid(), pairId: id, ...one })))
    await others()
  }
  for (const some of portions(file.readings)) {
    await tx.insert(readings).values(some.map((one) => ({ id: uuid(), pairId: id, ...one })))
    await others()
  }
  for (const some of portions(file.setbacks)) {
    await tx.insert(setbacks).values(some.map((one) => ({ id: uuid(), pairId: id, ...one })))
  }
  if (file.givenUp) await tx.update(pairs).set({ givenUp: file.givenUp }).where(eq(pairs.id, id))
  return id
}
