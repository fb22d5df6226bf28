import { spawnSync } from 'node:child_process'
import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'
import { eq, sql } from 'drizzle-orm'
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { copiesIn, makeCopy, newestGood } from '../src/db/backups.ts'
import { DATABASE, filesOf, StartProblem } from '../src/db/dataFolder.ts'
import { hideEntity } from '../src/db/entities/hides.ts'
import { readLayouts } from '../src/db/layouts.ts'
import { nameOf } from '../src/db/keepByAge.ts'
import { openFile } from '../src/db/openFile.ts'
import { openStore, type Store } from '../src/db/open.ts'
import { createPair, viewPair } from '../src/db/pairs.ts'
import { logStep, readLog } from '../src/db/stepLog.ts'
import { restoreInto } from '../src/db/restoreInto.ts'
import { materials, pairs } from '../src/db/schema.ts'
import { seedDemo } from '../src/demo/seed.ts'
import { demoPairs } from '../src/demo/workshop.ts'
import { ended, freshFolder, hashOf, holder, longestBlock, otherProcess, root } from './fault.ts'
import { migrations } from './testServer.ts'
import { keptCache } from '../../core/test/keptCache.ts'

const derby = demoPairs[0]!
/** A closed workshop with the demo in it, copied for every test. */
let template: string
let folder: string
let store: Store
beforeAll(async () => {
  template = freshFolder()
  const made = await openStore(template, migrations)
  await seedDemo(made, Date.now(), keptCache(16))
  await made.close()
  return () => rmSync(template, { recursive: true, force: true })
})
beforeEach(async () => {
  folder = freshFolder()
  copyFileSync(join(template, DATABASE), join(folder, DATABASE))
  store = await openStore(folder, migrations)
})
afterEach(async () => {
  await store.close()
  rmSync(folder, { recursive: true, force: true })
})

const rename = (name: string) => store.write((tx) => tx.update(pairs).set({ name }).where(eq(pairs.id, derby.id)))
const nameIn = async (s: Store) => (await viewPair(s.db, derby.id)).label.name
const reopened = async () => {
  await store.close()
  store = await openStore(folder, migrations)
  return store
}
const startFails = async (at = folder) => {
  try {
    const opened = await openStore(at, migrations)
    await opened.close()
  } catch (error) {
    if (error instanceof StartProblem) return error.message
    throw error
  }
  return 'it started'
}

describe('one file', () => {
  it('after a stop the database file alone is the whole workshop', async () => {
    await rename('Saved last of all')
    await store.close()
    const alone = freshFolder()
    copyFileSync(join(folder, DATABASE), join(alone, DATABASE))
    const copy = await openStore(alone, migrations)
    expect(await nameIn(copy)).toBe('Saved last of all')
    await copy.close()
    rmSync(alone, { recursive: true, force: true })
  })
  it('a folder whose name means something in an address works, and nobody else may read it', async () => {
    const odd = join(freshFolder(), 'work#shop 50% ?x=1')
    const other = await openStore(odd, migrations)
    await other.write((tx) =>
      tx.insert(materials).values({
        id: derby.decisions.materials.upper,
        name: 'Calf',
        kind: 'upper leather',
        thickness: 1.4,
        updatedAt: '',
      }),
    )
    await other.backUp()
    expect(existsSync(join(odd, DATABASE))).toBe(true)
    const modes = [odd, join(odd, DATABASE), join(odd, `${DATABASE}-wal`), join(odd, 'backups')].map(
      (f) => statSync(f).mode & 0o077,
    )
    expect(modes).toEqual([0, 0, 0, 0])
    await other.close()
  })
})

describe('backups', () => {
  it('bear their names only when they were opened and hold all there is; what a kill left is cleared away', async () => {
    const { backups } = filesOf(folder)
    mkdirSync(backups)
    writeFileSync(join(backups, `${nameOf(Date.now() - 5000)}.part`), 'half a co')
    const name = await store.backUp()
    expect(readdirSync(backups)).toEqual([name])
    const good = await newestGood(backups)
    expect(good?.content.pairs).toBe(demoPairs.length)
  })
  it('a copy that came out short is no copy', async () => {
    const { backups } = filesOf(folder)
    const client = openFile(join(folder, DATABASE))
    const execute = client.execute.bind(client)
    const short = vi.spyOn(client, 'execute').mockImplementation(async (statement: unknown) => {
      const result = await execute(statement as string)
      const { sql: text, args } = Object(statement) as { sql?: string; args?: string[] }
      if (text?.startsWith('VACUUM') && args) {
        const copy = openFile(args[0]!)
        await copy.execute('DELETE FROM step_events')
        copy.close()
      }
      return result
    })
    await expect(makeCopy(client, backups)).rejects.toThrow('holds less than the database')
    expect(readdirSync(backups)).toEqual([])
    short.mockRestore()
    client.close()
  })
  it('a second one in the same second is another file', async () => {
    const names = [await store.backUp(), await store.backUp(), await store.backUp()]
    expect(new Set(names).size).toBe(3)
    expect(copiesIn(filesOf(folder).backups)).toHaveLength(3)
  })
  const mounted = freshFolder('gentle-awl-small-')
  const small = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=1200k', 'tmpfs', mounted]).status === 0
  it.runIf(small)('a full disk leaves the good copies alone, is said, and keeps nobody from working', async () => {
    const { backups } = filesOf(folder)
    const good = await store.backUp()
    await store.close()
    // The workshop moves to a disk on which there is room for it, but not for another copy.
    const there = join(mounted, 'shop')
    mkdirSync(join(there, 'backups'), { recursive: true })
    copyFileSync(join(folder, DATABASE), join(there, DATABASE))
    copyFileSync(join(backups, good ?? ''), join(there, 'backups', good ?? ''))
    const full = await openStore(there, migrations)
    const free = Number(spawnSync('df', ['--output=avail', '-B1', mounted]).stdout.toString().split('\n')[1])
    writeFileSync(join(mounted, 'filler'), Buffer.alloc(Math.max(0, free - 120_000)))
    await expect(full.backUp()).rejects.toThrow()
    expect(full.lastBackup()?.problem).toMatch(/No backup could be made: .*Make room on the disk/)
    expect(readdirSync(join(there, 'backups'))).toEqual([good])
    expect(await nameIn(full)).toBe(derby.label.name)
    await full.close()
    spawnSync('umount', [mounted])
  })
})

describe('putting a copy back', () => {
  it('brings the copy, not the mistakes made after it: thirty times of thirty', async () => {
    const copy = join(filesOf(folder).backups, (await store.backUp()) ?? '')
    for (let i = 0; i < 30; i++) {
      await rename(`Mistake ${i}`)
      const { setAside } = await store.restore(copy)
      expect(await nameIn(store)).toBe(derby.label.name)
      const before = openFile(join(setAside ?? '', DATABASE))
      const { rows } = await before.execute({ sql: 'SELECT name FROM pairs WHERE id = ?', args: [derby.id] })
      expect(rows[0]!.name).toBe(`Mistake ${i}`)
      before.close()
    }
    // Several a second, and each is still there: nothing that was set aside is written over.
    expect(readdirSync(filesOf(folder).setAside)).toHaveLength(30)
  })
  it('is done by the command after a power cut as well, with the last saves still beside the database, and sets them aside', async () => {
    const copy = join(filesOf(folder).backups, (await store.backUp()) ?? '')
    await store.close()
    // A process of its own that saves and is killed: its saves lie in the file beside the database.
    const child = await otherProcess(`
      import { openStore } from ${JSON.stringify(join(root, 'server/src/db/open.ts'))}
      import { pairs } from ${JSON.stringify(join(root, 'server/src/db/schema.ts'))}
      const store = await openStore(${JSON.stringify(folder)}, ${JSON.stringify(migrations)})
      await store.write((tx) => tx.update(pairs).set({ name: 'Killed' }))
      console.log('ready')
      setInterval(() => {}, 1000)
    `)
    child.kill('SIGKILL')
    await ended(child)
    expect(statSync(join(folder, `${DATABASE}-wal`)).size).toBeGreaterThan(0)
    const { setAside } = await restoreInto(folder, copy, migrations)
    store = await openStore(folder, migrations)
    expect(await nameIn(store)).toBe(derby.label.name)
    // What stood there before is whole where it was set aside.
    const before = await openStore(setAside ?? '', migrations)
    expect(await nameIn(before)).toBe('Killed')
    await before.close()
  })
  it('versions go on above those that were seen, so that no stale page can save over it', async () => {
    const copy = join(filesOf(folder).backups, (await store.backUp()) ?? '')
    const before = await viewPair(store.db, derby.id)
    await store.write((tx) => tx.update(pairs).set({ version: 41 }))
    await store.restore(copy)
    const after = await viewPair(store.db, derby.id)
    expect(after.version).toBeGreaterThan(41)
    expect(after.decisions).toEqual(before.decisions)
  })
  it('a damaged copy, one that is none, and one of a newer program are refused, and nothing is changed', async () => {
    const { backups } = filesOf(folder)
    const name = (await store.backUp()) ?? ''
    await rename('As it is now')
    const whole = readFileSync(join(backups, name))
    const damaged = join(folder, 'damaged.sqlite')
    writeFileSync(damaged, Buffer.concat([whole.subarray(0, 9000), Buffer.alloc(whole.length - 9000, 7)]))
    const none = join(folder, 'none.sqlite')
    writeFileSync(none, 'Dear diary, today I cut two pairs of insoles.')
    const newer = join(folder, 'newer.sqlite')
    copyFileSync(join(backups, name), newer)
    const client = openFile(newer)
    await client.execute("INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('x', 9999999999999)")
    await client.execute('PRAGMA journal_mode = DELETE')
    client.close()
    for (const [file, says] of [
      [damaged, /cannot be put back/],
      [none, /cannot be put back/],
      [newer, /newer Gentle Awl/],
      [join(folder, 'nowhere.sqlite'), /There is no file/],
    ] as const) {
      await expect(store.restore(file), file).rejects.toThrow(says)
      expect(await nameIn(store)).toBe('As it is now')
    }
    expect(existsSync(filesOf(folder).setAside)).toBe(false)
  })
  it('the command does not touch a workshop in which a server works', async () => {
    const copy = join(filesOf(folder).backups, (await store.backUp()) ?? '')
    await expect(restoreInto(folder, copy, migrations)).rejects.toThrow(/already works in/)
  })
})

describe('a start', () => {
  it('in a folder where another one works is refused, until that one has ended, however it ended', async () => {
    expect(await startFails()).toMatch(new RegExp(`already works in .*process ${process.pid}`))
    await store.close()
    const child = await otherProcess(`
      import { openStore } from ${JSON.stringify(join(root, 'server/src/db/open.ts'))}
      await openStore(${JSON.stringify(folder)}, ${JSON.stringify(migrations)})
      console.log('ready')
      setInterval(() => {}, 1000)
    `)
    expect(await startFails()).toMatch(/already works in/)
    child.kill('SIGKILL')
    await ended(child)
    store = await openStore(folder, migrations)
    expect(await nameIn(store)).toBe(derby.label.name)
  })
  it.each([
    ['missing', (file: string) => rmSync(file)],
    ['empty', (file: string) => writeFileSync(file, '')],
  ])('beside good backups does not begin a new workshop because the database is %s', async (_what, spoil) => {
    const name = await store.backUp()
    await store.close()
    for (const f of filesOf(folder).beside) rmSync(f, { force: true })
    spoil(join(folder, DATABASE))
    const said = await startFails()
    expect(said).toContain(`npm run restore -- ${name ?? ''}`)
    expect(said).toMatch(/with 5 pairs/)
    await restoreInto(folder, join(filesOf(folder).backups, name ?? ''), migrations)
    store = await openStore(folder, migrations)
    expect(await nameIn(store)).toBe(derby.label.name)
  })
  it('names the newest copy that is good, not the newest', async () => {
    const good = await store.backUp()
    await store.close()
    const { backups } = filesOf(folder)
    writeFileSync(join(backups, nameOf(Date.now() + 60_000)), 'rot')
    rmSync(join(folder, DATABASE))
    expect(await startFails()).toContain(good)
  })
  it('on a damaged database is refused with what to do', async () => {
    await store.backUp()
    await store.close()
    const file = join(folder, DATABASE)
    const bytes = readFileSync(file)
    writeFileSync(file, Buffer.concat([bytes.subarray(0, 8192), Buffer.alloc(20_000, 3), bytes.subarray(28_192)]))
    expect(await startFails()).toMatch(/is damaged .* put it back with: npm run restore/)
  })
  it('on a database of a newer program is refused', async () => {
    await store.db.run(sql`INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('x', 9999999999999)`)
    await store.close()
    expect(await startFails()).toMatch(/newer Gentle Awl/)
  })
  it('copies the database before it is brought up to date', async () => {
    // As it was eight editions ago: no flat units, no checks, no days, no ways of working, no layouts, no hides, and pairs that knew of no lacing.
    await store.db.run(
      sql`DELETE FROM __drizzle_migrations WHERE created_at IN (SELECT created_at FROM __drizzle_migrations ORDER BY created_at DESC LIMIT 8)`,
    )
    for (const table of [
      'lessons',
      'own_faults',
      'photographs',
      'readings',
      'setbacks',
      'step_wishes',
      'tool_changes',
    ]) {
      await store.db.run(sql.raw(`DROP TABLE ${table}`))
    }
    await store.db.run(sql`ALTER TABLE cup_soles DROP COLUMN form`)
    await store.db.run(sql`ALTER TABLE cup_soles DROP COLUMN stuff`)
    await store.db.run(sql`ALTER TABLE pairs DROP COLUMN given_up`)
    await store.db.run(sql`ALTER TABLE step_events DROP COLUMN maker`)
    await store.db.run(sql`DROP TABLE timetables`)
    await store.db.run(sql`DROP TABLE workshop_days`)
    await store.db.run(sql`ALTER TABLE pairs DROP COLUMN due`)
    await store.db.run(sql`ALTER TABLE pairs DROP COLUMN weight`)
    await store.db.run(sql`DROP TABLE how_tos`)
    await store.db.run(sql`DROP TABLE way_sets`)
    await store.db.run(sql`DROP TABLE layouts`)
    await store.db.run(sql`DROP TABLE hides`)
    await store.db.run(
      sql`UPDATE pair_revisions SET decisions = json_remove(decisions, '$.stitching.own', '$.upper.lacing', '$.work')`,
    )
    await reopened()
    expect(copiesIn(filesOf(folder).backups).map((c) => c.label)).toEqual(['before-migration'])
    const { decisions, label } = await viewPair(store.db, demoPairs[0]!.id)
    expect(label).toMatchObject({ due: null, weight: 1 })
    expect(decisions.stitching.own).toEqual({})
    expect(decisions.work.ways.lasting).toBe('together at the back')
    expect(decisions.upper.lacing).toMatchObject({ fitting: 'visible', pairs: null })
    // A pair of before had no hooks, which the style of a low shoe says as well.
    const { upper, ...others } = demoPairs[0]!.decisions
    expect(decisions).toEqual({ ...others, upper: { ...upper, lacing: { ...upper.lacing, hooks: 0 } } })
    expect((await readLog(store.db, demoPairs[3]!.id)).length).toBeGreaterThan(0)
    expect(await hideEntity.list(store.db)).toEqual([])
    expect(await readLayouts(store.db, demoPairs[0]!.id)).toEqual([])
  })
})

describe('while it works', () => {
  it('another program that holds the database holds up nothing but saves, which are refused with a sentence and go on at once afterwards', async () => {
    const child = await holder(join(folder, DATABASE))
    let refused: unknown = null
    const blocked = await longestBlock(async () => {
      const saves = [1, 2, 3].map((i) => rename(`Try ${i}`).catch((e: unknown) => e))
      expect(await nameIn(store)).toBe(derby.label.name)
      const began = performance.now()
      const answers = await Promise.all(saves)
      // Each waits from when it was asked for, not one after the other.
      expect(performance.now() - began).toBeLessThan(9000)
      for (const answer of answers) expect(answer).toMatchObject({ reason: 'not now', more: { retryAfter: 5 } })
      refused = answers[0]
    })
    expect(String(refused)).toMatch(/Another program holds the database/)
    // SQLite's own waiting would stop the process for all of the time.
    expect(blocked).toBeLessThan(2000)
    await expect(store.ready()).rejects.toThrow(/holds the database/)
    child.kill('SIGKILL')
    await ended(child)
    await rename('Now it goes')
    expect(await nameIn(store)).toBe('Now it goes')
    await store.ready()
  })
  it.each([
    ['removed', (file: string) => rmSync(file)],
    ['replaced', (file: string) => copyFileSync(file, `${file}.new`)],
  ])('a database file that is %s takes no more saves, and what was saved is written out', async (what, spoil) => {
    await rename('Before')
    const file = join(folder, DATABASE)
    spoil(file)
    if (what === 'replaced') renameSync(`${file}.new`, file)
    await expect(rename('After')).rejects.toThrow(/removed or replaced .* nothing is saved any more/)
    await expect(store.ready()).rejects.toThrow(/removed or replaced/)
    const rescued = readdirSync(folder).find((f) => f.includes('rescued'))
    const other = freshFolder()
    copyFileSync(join(folder, rescued ?? ''), join(other, DATABASE))
    const found = await openStore(other, migrations)
    expect(await nameIn(found)).toBe('Before')
    await found.close()
    rmSync(other, { recursive: true, force: true })
  })
  it('every save that was acknowledged is there after a kill, whenever it comes', async () => {
    await store.close()
    for (const after of [0, 7, 19]) {
      const file = join(folder, 'acknowledged.txt')
      writeFileSync(file, '')
      const child = await otherProcess(`
        import { appendFileSync } from 'node:fs'
        import { openStore } from ${JSON.stringify(join(root, 'server/src/db/open.ts'))}
        import { pairs } from ${JSON.stringify(join(root, 'server/src/db/schema.ts'))}
        const store = await openStore(${JSON.stringify(folder)}, ${JSON.stringify(migrations)})
        console.log('ready')
        for (let n = 1; n < 100000; n++) {
          await store.write((tx) => tx.update(pairs).set({ note: String(n) }))
          appendFileSync(${JSON.stringify(file)}, n + '\\n')
        }
      `)
      await vi.waitFor(() => expect(readFileSync(file, 'utf8').split('\n').length).toBeGreaterThan(3 + after), 10_000)
      child.kill('SIGKILL')
      await ended(child)
      const acknowledged = Number(readFileSync(file, 'utf8').trim().split('\n').at(-1))
      const again = await openStore(folder, migrations)
      expect(Number((await viewPair(again.db, derby.id)).label.note)).toBeGreaterThanOrEqual(acknowledged)
      await again.close()
    }
    store = await openStore(folder, migrations)
  })
  it('a clock that is set back changes nothing in the order of the log', async () => {
    const id = await store.write((tx) => createPair(tx, derby.label, derby.decisions))
    vi.useFakeTimers({ toFake: ['Date'], now: Date.UTC(2026, 9, 25, 2, 30) })
    try {
      await store.write((tx) => logStep(tx, id, { id: 'print', formerly: [] }, 'started'))
      vi.setSystemTime(Date.UTC(2026, 9, 25, 1, 35))
      await store.write((tx) => logStep(tx, id, { id: 'print', formerly: [] }, 'finished'))
      await store.write((tx) => logStep(tx, id, { id: 'print', formerly: [] }, 'undone'))
      await store.write((tx) => logStep(tx, id, { id: 'print', formerly: [] }, 'finished'))
    } finally {
      vi.useRealTimers()
    }
    expect((await readLog(store.db, id)).map((e) => e.what)).toEqual(['started', 'finished', 'undone', 'finished'])
  })
})

it('a folder that may not be written to is a sentence, not a trace', async () => {
  const locked = freshFolder()
  chmodSync(locked, 0o700)
  const file = join(locked, 'file')
  writeFileSync(file, '')
  expect(await startFails(join(file, 'shop'))).toMatch(/cannot be used .* Set GENTLE_AWL_DATA/)
  expect(hashOf(file)).toHaveLength(64)
})
