import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { OwnStep, Ways } from '@gentle-awl/core'
import { eq } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { migrations } from '../../../test/testServer.ts'
import { demoCupSoles, demoFoundLasts, demoLasts } from '../../demo/lasts.ts'
import { demoHides } from '../../demo/hides.ts'
import { demoFeet, demoMaterials, demoPairs } from '../../demo/workshop.ts'
import { openStore, type Store } from '../open.ts'
import { createPair } from '../pairs.ts'
import { materials } from '../schema.ts'
import { cupSoleEntity } from './cupSoles.ts'
import { feetEntity } from './feet.ts'
import { hideEntity } from './hides.ts'
import { howToEntity } from './howTos.ts'
import { lastEntity } from './lasts.ts'
import { materialEntity } from './materials.ts'
import { waySetEntity } from './waySets.ts'

const folder = mkdtempSync(join(tmpdir(), 'gentle-awl-entity-'))
let store: Store
beforeAll(async () => {
  store = await openStore(folder, migrations)
})
afterAll(async () => {
  await store.close()
  rmSync(folder, { recursive: true, force: true })
})

const last = demoFoundLasts().find((l) => l.shape.kind === 'kept')!
const { id: _last, ...lastFields } = last
const { id: _feet, ...feetFields } = demoFeet[0]!
const { id: _cup, ...cupFields } = demoCupSoles()[0]!
const { id: _hide, ...hideFields } = { ...demoHides(demoMaterials)[0]!, materialId: null }
const { id: _material, ...materialFields } = demoMaterials[0]!

const waySet = {
  name: 'Winter boots',
  note: 'For the ferry crews.',
  ways: Ways.parse({ puff: 'formed on the last' }),
  recipe: 'Rye flour, water.',
  own: [OwnStep.parse({ id: 'own.stamp', name: 'Stamp the sole', group: 'bottom', after: ['trim-sole'] })],
}

/** Each kind with a document of it, and the same document changed. */
const kinds = [
  { entity: lastEntity, fields: lastFields, changed: { ...lastFields, note: 'Worn at the toe.' } },
  { entity: materialEntity, fields: materialFields, changed: { ...materialFields, thickness: 1.9 } },
  { entity: feetEntity, fields: feetFields, changed: { ...feetFields, trade: 'rigger' } },
  { entity: hideEntity, fields: hideFields, changed: { ...hideFields, tight: 12, used: true } },
  {
    entity: waySetEntity,
    fields: waySet,
    changed: { ...waySet, ways: Ways.parse({ lasting: 'lining first', paste: 'white glue' }), recipe: '' },
  },
  {
    entity: howToEntity,
    fields: { name: 'A waxed end', text: 'Roll it on the knee.', steps: ['sew-welt'] },
    changed: { name: 'A waxed end', text: 'Roll it on the bench.', steps: [] },
  },
  { entity: cupSoleEntity, fields: cupFields, changed: { ...cupFields, seat: null, flipped: !cupFields.flipped } },
]

describe.each(kinds)('$entity.what', ({ entity: kind, fields, changed }) => {
  // What differs between the kinds is their fields, which each case brings along.
  const entity = kind as typeof materialEntity
  const [first, second] = [fields, changed] as unknown as (typeof materialFields)[]

  it('is read as it was written, and as nothing of the store in a pair file', async () => {
    const row = await entity.add(store, first!)
    expect(row).toMatchObject({ ...first, version: 1 })
    expect(await entity.has(store.db, row.id)).toBe(true)
    expect(await entity.document(store.db, row.id)).toEqual({ ...first, id: row.id })
    // What is carried out is what the schema reads again, no field more.
    expect(entity.fields.parse(entity.plain(row))).toEqual(first)
    const listed = (await entity.list(store.db)) as { id: string }[]
    expect(listed.map((l) => l.id)).toContain(row.id)
  })

  it('is changed on the version that it was changed from, and on no other', async () => {
    const { id } = await entity.add(store, first!)
    expect(await entity.change(store, id, 1, second!)).toMatchObject({ ...second, version: 2 })
    const stale = await entity.change(store, id, 1, first!).catch((e: unknown) => e)
    expect(stale).toMatchObject({ reason: 'changed meanwhile', more: { current: { ...second, version: 2 } } })
    expect(await entity.document(store.db, id)).toEqual({ ...second, id })
    expect(await entity.remove(store, id, 1).catch((e: unknown) => e)).toMatchObject({ reason: 'changed meanwhile' })
    await entity.remove(store, id, 2)
    expect(await entity.has(store.db, id)).toBe(false)
  })

  it('that is not there is said so, whatever is asked of it', async () => {
    const id = uuid()
    expect(await entity.row(store.db, id)).toBeUndefined()
    for (const asked of [
      () => entity.document(store.db, id),
      () => entity.change(store, id, 1, first!),
      () => entity.remove(store, id, 1),
    ]) {
      expect(await asked().catch((e: unknown) => e)).toMatchObject({ reason: 'not there' })
    }
  })

  it('is brought in once; another under its id comes in beside it, and what was there stays', async () => {
    const document = { ...first!, id: uuid() }
    const bring = (some: typeof document) => store.write((tx) => entity.bring(tx, some))
    expect(await bring(document)).toBe(document.id)
    expect(await bring(structuredClone(document))).toBe(document.id)
    const other = await bring({ ...second!, id: document.id })
    expect(other).not.toBe(document.id)
    expect(await entity.document(store.db, document.id)).toEqual(document)
    expect(await entity.document(store.db, other)).toEqual({ ...second, id: other })
  })
})

it('what a pair was ever planned with is not deleted, and the pair is named', async () => {
  const pair = demoPairs[0]!
  const ids = new Set([pair.decisions.lastId, ...Object.values(pair.decisions.materials)])
  await store.write(async (tx) => {
    for (const l of demoLasts) if (ids.has(l.id)) await lastEntity.bring(tx, l)
    for (const m of demoMaterials) await materialEntity.bring(tx, m)
    await createPair(tx, pair.label, pair.decisions, pair.id)
  })
  for (const [entity, id] of [
    [lastEntity, pair.decisions.lastId],
    [materialEntity, pair.decisions.materials.upper],
  ] as const) {
    const refused = await entity.remove(store, id, 1).catch((e: unknown) => e)
    expect(refused).toMatchObject({ reason: 'in the way' })
    expect((refused as Error).message).toContain(`"${pair.label.name}"`)
  }
  const [kept] = await store.db.select().from(materials).where(eq(materials.id, pair.decisions.materials.upper))
  expect(kept).toBeDefined()
})
