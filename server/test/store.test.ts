import { copyFileSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { LeftShoe, PAIR_FORMAT, PAIR_VERSION, type Last, type PairFile } from '@gentle-awl/core'
import { eq } from 'drizzle-orm'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { importPair } from '../src/db/importPair.ts'
import { openStore, type Store } from '../src/db/open.ts'
import { pairFile } from '../src/db/pairFile.ts'
import { createPair, viewPair } from '../src/db/pairs.ts'
import { readLog } from '../src/db/stepLog.ts'
import { stepEvents } from '../src/db/recordSchema.ts'
import { lasts, materials, pairRevisions, pairs, workshop } from '../src/db/schema.ts'
import { seedDemo } from '../src/demo/seed.ts'
import { demoLasts, demoMeasures } from '../src/demo/lasts.ts'
import { materialEntity } from '../src/db/entities/materials.ts'
import { demoMaterials, demoPairs } from '../src/demo/workshop.ts'
import { migrations } from './testServer.ts'
import { keptCache } from '../../core/test/keptCache.ts'

const heelOf = ({ shape }: Last) => (shape.kind === 'kept' ? null : shape.measures.heelHeight)

let folder: string
let store: Store
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gentle-awl-store-'))
  store = await openStore(folder, migrations)
})
afterEach(async () => {
  await store.close()
  rmSync(folder, { recursive: true, force: true })
})

/** The demo's plans are the same in every database. */
const cache = keptCache(16)
const derby = demoPairs[0]!
const file = (change: Partial<PairFile> = {}): PairFile => ({
  format: PAIR_FORMAT,
  version: PAIR_VERSION,
  id: '01930000-00aa-7000-8000-000000000001',
  revision: 4,
  label: derby.label,
  decisions: derby.decisions,
  last: demoLasts[2]!,
  leftLast: null,
  cupSole: null,
  materials: demoMaterials,
  houseRules: {},
  log: [{ step: 'print', what: 'started', at: '2026-01-05T08:00:00.000Z' }],
  made: [{ part: 'insole', name: 'Insole', how: 'printed', print: 'aa', revision: 3, at: '2026-01-05T08:00:00.000Z' }],
  readings: [],
  setbacks: [],
  givenUp: null,
  ...change,
})
const bring = (f: PairFile) => store.write((tx) => importPair(tx, f))

describe('the store', () => {
  it('opens again on what is there, and migrating twice changes nothing', async () => {
    await seedDemo(store, Date.now(), cache)
    await store.close()
    store = await openStore(folder, migrations)
    expect(await store.db.select().from(pairs)).toHaveLength(demoPairs.length)
  })
  it('a backup opens as a workshop of its own', async () => {
    await seedDemo(store, Date.now(), cache)
    const { label } = await viewPair(store.db, derby.id)
    expect(label).toMatchObject({ order: derby.label.order, due: expect.stringMatching(/^\d{4}-\d\d-\d\d$/) as string })
    await store.backUp()
    const [name] = readdirSync(join(folder, 'backups'))
    const other = mkdtempSync(join(tmpdir(), 'gentle-awl-restore-'))
    copyFileSync(join(folder, 'backups', name!), join(other, 'gentle-awl.sqlite'))
    const restored = await openStore(other, migrations)
    expect((await viewPair(restored.db, derby.id)).label).toEqual(label)
    await restored.close()
    rmSync(other, { recursive: true, force: true })
  })
  it('a write that fails in the middle leaves nothing of itself', async () => {
    await seedDemo(store, Date.now(), cache)
    const before = await store.db.select().from(pairs)
    const fails = store.write(async (tx) => {
      await createPair(tx, derby.label, derby.decisions)
      throw new Error('the lights went out')
    })
    await expect(fails).rejects.toThrow('the lights went out')
    expect(await store.db.select().from(pairs)).toEqual(before)
  })
  it('deleting a pair takes its revisions and log with it, and no others', async () => {
    await seedDemo(store, Date.now(), cache)
    const count = async (id: string) => [
      (await store.db.select().from(pairRevisions).where(eq(pairRevisions.pairId, id))).length,
      (await store.db.select().from(stepEvents).where(eq(stepEvents.pairId, id))).length,
    ]
    const other = await count(demoPairs[3]!.id)
    await store.write((tx) => tx.delete(pairs).where(eq(pairs.id, derby.id)))
    expect(await count(derby.id)).toEqual([0, 0])
    expect(await count(demoPairs[3]!.id)).toEqual(other)
  })
})

describe('bringing a pair file in', () => {
  it('into an empty workshop brings last, materials, log and revision with it', async () => {
    const f = file()
    const id = await bring(f)
    expect(id).toBe(f.id)
    expect(await viewPair(store.db, id)).toMatchObject({
      revision: 4,
      label: f.label,
      decisions: f.decisions,
      canUndo: false,
    })
    expect((await readLog(store.db, id)).map(({ step, what, at }) => ({ step, what, at }))).toEqual(f.log)
    expect((await pairFile(store.db, id)).made).toEqual(f.made)
    expect(await store.db.select().from(lasts)).toHaveLength(1)
    expect(await store.db.select().from(materials)).toHaveLength(demoMaterials.length)
  })
  it('takes a last or material that differs under the same id as another one, and points the pair to it', async () => {
    await bring(file())
    const thicker = demoMaterials.map((m) => (m.id === derby.decisions.materials.lining ? { ...m, thickness: 1.3 } : m))
    const higher: Last = {
      ...demoLasts[2]!,
      shape: { kind: 'measures', measures: { ...demoMeasures[2]!, heelHeight: 30 } },
    }
    const id = await bring(file({ id: '01930000-00aa-7000-8000-000000000002', last: higher, materials: thicker }))
    const again = await pairFile(store.db, id)
    expect(heelOf(again.last)).toBe(30)
    expect(again.materials.find((m) => m.id === again.decisions.materials.lining)?.thickness).toBe(1.3)
    expect(again.decisions.lastId).not.toBe(derby.decisions.lastId)
    // The pair that was here still stands on its own.
    const first = await pairFile(store.db, file().id)
    expect(heelOf(first.last)).toBe(25)
    expect(first.materials.find((m) => m.id === first.decisions.materials.lining)?.thickness).toBe(0.9)
    expect(await store.db.select().from(materials)).toHaveLength(demoMaterials.length + 1)
  })
  it('brings the left shoe’s last too, under a new id where the shelf has another by that id', async () => {
    const left = (lastId: string | null) => ({ ...derby.decisions, left: LeftShoe.parse({ lastId }) })
    const leftLast: Last = { ...demoLasts[4]!, name: 'Left' }
    await bring(file({ decisions: left(leftLast.id), leftLast }))
    expect(await store.db.select().from(lasts)).toHaveLength(2)
    const id = await bring(
      file({
        id: '01930000-00aa-7000-8000-000000000003',
        decisions: left(leftLast.id),
        leftLast: { ...leftLast, name: 'Another left' },
      }),
    )
    const again = await pairFile(store.db, id)
    expect(again.leftLast?.name).toBe('Another left')
    expect(again.decisions.left?.lastId).toBe(again.leftLast?.id)
    expect(again.leftLast?.id).not.toBe(leftLast.id)
    expect((await pairFile(store.db, file().id)).leftLast?.name).toBe('Left')
  })
  it('the same file twice makes a copy, and adds no second last or material', async () => {
    await bring(file())
    const copy = await bring(file())
    expect(copy).not.toBe(file().id)
    expect((await viewPair(store.db, copy)).label.name).toBe('Welted derby (copy)')
    expect(await store.db.select().from(lasts)).toHaveLength(1)
    expect(await store.db.select().from(materials)).toHaveLength(demoMaterials.length)
  })
  it.each([
    ['the other workshop changed a rule', { 'puff.base': 55 }, {}, {}, { 'puff.base': 55 }],
    ['both have the same figure', { 'puff.base': 55 }, { 'puff.base': 55 }, {}, {}],
    ['only this workshop changed it', {}, { 'puff.base': 60 }, {}, { 'puff.base': 52 }],
    ['the pair has its own', { 'puff.base': 55 }, { 'puff.base': 60 }, { 'puff.base': 52 }, { 'puff.base': 52 }],
  ])('plans as it did where it comes from: %s', async (_name, theirs, ours, own, expected) => {
    await store.write((tx) => tx.insert(workshop).values({ id: 'workshop', houseRules: ours, updatedAt: '' }))
    const id = await bring(file({ houseRules: theirs, decisions: { ...derby.decisions, rules: own } }))
    expect((await viewPair(store.db, id)).decisions.rules).toEqual(expected)
  })
  it('brings what single pieces are cut from, and points them to it under its new id', async () => {
    const cap = (n: number) => ({
      ...derby.decisions,
      pieceMaterials: { cap: demoMaterials[n]!.id, backStay: tape.id },
    })
    const tape = demoMaterials.find((m) => m.kind === 'woven tape')!
    await bring(file({ decisions: cap(1) }))
    const waxed = demoMaterials.map((m, n) => (n === 1 ? { ...m, name: 'Waxed deck hide', thickness: 2.2 } : m))
    const id = await bring(file({ id: '01930000-00aa-7000-8000-000000000004', decisions: cap(1), materials: waxed }))
    const { decisions, materials: with_ } = await pairFile(store.db, id)
    expect(decisions.pieceMaterials.cap).not.toBe(demoMaterials[1]!.id)
    expect(with_.find((m) => m.id === decisions.pieceMaterials.cap)).toMatchObject({ name: 'Waxed deck hide' })
    expect(decisions.pieceMaterials.backStay).toBe(tape.id)
    // In use by a piece alone, it stays in the stores.
    const { version } = (await materialEntity.row(store.db, tape.id))!
    await expect(materialEntity.remove(store, tape.id, version)).rejects.toThrow(/is or was planned with this material/)
  })
  it('keeps what it is cut from fit to serve there: a change that a pair could not be planned with is refused', async () => {
    const id = await bring(file({}))
    const { decisions } = await viewPair(store.db, id)
    const row = (await materialEntity.row(store.db, decisions.materials.lining))!
    const fields = { ...materialEntity.plain(row), serves: ['sock' as const] }
    const change = materialEntity.change(store, row.id, row.version, fields)
    await expect(change).rejects.toThrow(/^The pair ".+" uses it as lining, where it would not serve any more/)
    expect(await materialEntity.row(store.db, row.id)).toEqual(row)
    // What no pair uses it for may go, and so may another figure.
    const others = { ...fields, serves: ['lining' as const, 'sock' as const], thickness: 1.1 }
    expect(await materialEntity.change(store, row.id, row.version, others)).toMatchObject({ thickness: 1.1 })
  })
  it.each([
    [
      'piece',
      { pieceMaterials: { cap: 'Bend, light' } },
      /^Upper, piece cap: Bend, light is sole leather, which cannot/,
    ],
    [
      'part that is alone',
      { pieceMaterials: { stiffener: 'Bend, light' } },
      /^stiffener is alone in what it serves as/,
    ],
  ])('that has a %s cut from what does not serve is refused whole', async (_, { pieceMaterials }, sentence) => {
    const own = Object.fromEntries(
      Object.entries(pieceMaterials).map(([piece, name]) => [piece, demoMaterials.find((m) => m.name === name)!.id]),
    )
    await expect(bring(file({ decisions: { ...derby.decisions, pieceMaterials: own } }))).rejects.toThrow(sentence)
    expect(await store.db.select().from(pairs)).toHaveLength(0)
  })
  it('that names a material it does not hold is refused whole', async () => {
    const f = file({ materials: demoMaterials.slice(1) })
    await expect(bring(f)).rejects.toThrow(/Upper: the material is not in the stores/)
    expect(await store.db.select().from(pairs)).toHaveLength(0)
    expect(await store.db.select().from(lasts)).toHaveLength(0)
  })
})
