import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { factsOf } from '../../test/workFacts.ts'
import { keptCache } from '../../test/keptCache.ts'
import { boardId, corkId } from '../../test/samplePair.ts'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import { constructions, traitsOf, type ConstructionName } from '../model/construction.ts'
import { CupSole } from '../model/cupSole.ts'
import type { PlanInput } from '../model/pair.ts'
import { patternKinds, topFinishes, UpperDecisions, type PatternKind, type TopFinish } from '../model/upper.ts'
import { wayChoices, wayNames, Ways, WorkDecisions, type WayName } from '../model/work.ts'
import { isPieceRecord, recordOfPiece } from '../trade/recordName.ts'
import { CUP_SEAM } from '../seams/cupSeam.ts'
import { spoken } from '../units/sentence.ts'
import { operationsOf, stepsOf } from './steps.ts'
import { ways } from './ways.ts'
import type { Facts } from './facts.ts'
import type { Step } from './step.ts'

const cache = keptCache(12)
type PlanOf = ReturnType<typeof factsOf>['plan']

/** The ways a style can be made: an upper that is turned outwards is cut for it, and a pattern from elsewhere is not. */
const waysOfMaking = (style: PatternKind): ConstructionName[] =>
  style === 'stitch-down' ? ['stitch-down'] : constructions.filter((c) => c !== 'stitch-down')

/** A unit that is far larger than any shoe of its length; now and then there is none yet. */
const ovalUnit = (id: string) => {
  const long = 290
  const outline = Array.from({ length: 40 }, (_, k): [number, number] => [
    (long / 2) * Math.cos((k * Math.PI) / 20),
    75 * Math.sin((k * Math.PI) / 20),
  ])
  return CupSole.parse({ id, name: 'Unit', form: 'unit', outline, seat: 20, tread: 8 })
}

/** A pair of a style: made so, its top edge so; insole, padding and cover go along so that all of them occur. */
function pairOf(style: PatternKind, construction: ConstructionName, topFinish: TopFinish, n: number): PlanInput {
  const input = pairOfEachStyle[style]
  const d = input.decisions
  const board = !traitsOf(construction).welted && n % 2 === 0
  const unit = construction === 'flat unit' && n % 3 > 0 ? ovalUnit(input.last.id) : null
  return {
    ...input,
    cupSole: unit,
    decisions: {
      ...d,
      construction,
      cupSoleId: unit?.id ?? null,
      materials: { ...d.materials, padding: corkId, ...(board ? { insole: boardId } : {}) },
      sock: { ...d.sock, padding: (['none', 'half', 'full'] as const)[n % 3]! },
      insole: { covered: n % 4 === 0 },
      upper: UpperDecisions.parse({ ...d.upper, topFinish }),
    },
  }
}
const product = patternKinds.flatMap((style) =>
  waysOfMaking(style).flatMap((construction) => topFinishes.map((finish) => ({ style, construction, finish }))),
)

/** Every answer once, and some at random: what does not matter to a pair must not matter. */
const someWays = (seed: number): Ways[] => [
  Ways.parse({}),
  ...fc
    .sample(fc.record(Object.fromEntries(wayNames.map((n) => [n, fc.constantFrom(...wayChoices[n])]))), {
      numRuns: 10,
      seed,
    })
    .map((w) => Ways.parse(w)),
]
const withWays = (facts: Facts, ways: Ways): Facts => ({ ...facts, work: { ...facts.work, ways } })

/** What must be true of any list, found without the order's own code: everything that is wrong, in words. */
function wrongIn(steps: readonly Step[], plan: PlanOf): string[] {
  const wrong: string[] = []
  const say = (holds: boolean, what: string) => {
    if (!holds) wrong.push(what)
  }
  const ids = steps.map((s) => s.id)
  say(new Set(ids).size === ids.length, 'an id stands twice')
  const place = new Map(ids.map((id, i) => [id, i]))
  for (const [i, s] of steps.entries()) {
    say(s.minutes.value > 0, `${s.id} takes no time`)
    say(!/NaN|undefined|Infinity/.test(spoken(s.minutes.sentence)), `${s.id}: ${spoken(s.minutes.sentence)}`)
    say(!s.wait || s.wait.max === null || s.wait.max > s.wait.min, `${s.id}: its wait`)
    for (const a of s.after) {
      const other = steps[place.get(a.id) ?? Infinity]
      say(other !== undefined && place.get(a.id)! < i, `${s.id} stands before ${a.id}`)
      say(spoken(a.why).length > 8, `${s.id} after ${a.id}, without a reason`)
      say(s.foot === null || !other?.foot || s.foot === other.foot, `${s.id} waits for ${a.id}`)
    }
    for (const x of s.stuff) say(x.amount > 0, `${s.id}: ${x.amount} of ${x.name}`)
  }
  // Nothing stands alone: the last step waits for all others, however far back.
  const reached = new Set<string>()
  const walk = (id: string): void => {
    if (reached.has(id)) return
    reached.add(id)
    for (const a of steps[place.get(id)!]?.after ?? []) walk(a.id)
  }
  walk('final-check')
  for (const id of ids) say(reached.has(id), `nothing comes after ${id}`)

  // No step is about something that the pair has not.
  const parts = new Set([...plan.parts, ...(plan.left?.parts ?? [])].map((p) => p.id))
  const pieces = new Set([...plan.upper.pieces, ...(plan.left?.upper.pieces ?? [])].map((p) => recordOfPiece(p.id)))
  const seams = new Set([...plan.stitching.seams, ...(plan.left?.stitching.seams ?? [])].map((s) => s.id))
  for (const s of steps) {
    for (const id of s.parts) say(isPieceRecord(id) ? pieces.has(id) : parts.has(id), `${s.id} is about ${id}`)
    for (const id of s.seams) say(id.startsWith('insole.') || seams.has(id), `${s.id} sews ${id}`)
  }
  // All that the pair has is cut once, and skived once where it has a skive; before anything else is done to it.
  for (const id of [...parts, ...pieces].filter((p) => !['filler', 'cup', 'unit'].includes(p))) {
    const about = steps.filter((s) => s.parts.includes(id))
    say(about.filter((s) => s.group === 'cut').length === 1, `${id} is not cut once`)
    say(about[0]?.group === 'cut', `${id} is not cut first`)
  }
  for (const p of plan.parts.filter((x) => x.skives.length > 0)) {
    say(steps.filter((s) => s.group === 'skive' && s.parts.includes(p.id)).length === 1, `${p.id} is not skived once`)
  }
  // Every seam is sewn in one step of each foot, or in one of both.
  for (const seam of plan.stitching.seams) {
    // The plan is of a cup that is sewn; where it is glued alone nobody sews it.
    if (seam.id === CUP_SEAM && !steps.some((s) => s.key === 'sew-cup')) continue
    const named = new Set(seam.on.flatMap((row) => [row.piece, recordOfPiece(row.piece)]))
    const sewn = steps.filter((s) => s.seams.includes(seam.id) && s.parts.some((p) => named.has(p)))
    const inOne = sewn.length === 1 || (sewn.length === 2 && sewn.every((s) => s.foot !== null))
    // Rows along the opening are sewn through what lies behind them.
    const along = steps.some((s) => ['join-lining', 'bind-edge'].includes(s.key) && s.seams.includes(seam.id))
    say(inOne || along, `${seam.id} is sewn in ${sewn.length} steps`)
  }
  // Every tack that is driven is drawn again and counted; drafting is done with those of the last pull.
  const driven = steps
    .filter((s) => s.key !== 'draft-upper')
    .flatMap((s) => s.stuff)
    .reduce((sum, x) => sum + (x.name === 'Tacks' ? x.amount : 0), 0)
  const counted = steps
    .flatMap((s) => s.look)
    .reduce((sum, l) => sum + Number(/^(\d+) tacks counted back/.exec(spoken(l))?.[1] ?? 0), 0)
  say(driven === counted, `${driven} tacks are driven and ${counted} drawn`)
  return wrong
}

/** Steps that a pair has just when it has what they are about. */
function checkPresence(steps: readonly Step[], facts: Facts, plan: PlanOf): void {
  const ids = steps.map((s) => s.id)
  const parts = new Set([...plan.parts, ...(plan.left?.parts ?? [])].map((p) => p.id))
  // Tools of a trade that the pair has nothing for are not laid out.
  const has = (id: string) => ids.some((x) => x === id || x.startsWith(`${id}.`))
  expect(has('eyelets')).toBe(
    plan.upper.pieces.some((p) => p.holes.some((h) => h.for === 'eyelet' || h.for === 'hook')),
  )
  expect(has('lace')).toBe(has('eyelets'))
  expect(has('set-zip')).toBe(plan.upper.pieces.some((p) => p.edges.some((e) => e.role === 'zip')))
  expect(has('fold-tape')).toBe(plan.upper.pieces.some((p) => p.edges.some((e) => e.role === 'folded')))
  expect(has('set-bead')).toBe(parts.has('bead') || [...parts].some((p) => p.startsWith('bead.')))
  expect(has('bind-edge')).toBe([...parts].some((p) => p.startsWith('binding')))
  expect(has('sew-tongue')).toBe(plan.upper.pieces.some((p) => p.id === 'tongue'))
  expect(has('hammer-back')).toBe(plan.stitching.seams.some((s) => s.kind === 'closed' && s.seen === 'outside'))
  expect(has('cover-insole')).toBe(parts.has('insoleCover'))
  expect(has('sew-welt')).toBe(traitsOf(facts.construction).welted)
  expect(has('build-heel')).toBe(parts.has('topPiece') || parts.has('heelLift'))
  expect(has('cook-paste')).toBe(
    facts.work.ways.paste === 'own paste' &&
      [facts.materials.stiffener, facts.materials.puff].some((m) => m.kind !== 'stiffener sheet') &&
      (parts.has('stiffener') || parts.has('puff')),
  )
}

/** Orders of the trade, whatever the pair: each counts where both steps are there. */
const orders: [first: string, then: string][] = [
  ['check-base', 'cut-lining'],
  ['check-base', 'cut-stiffener'],
  ['cut-sock', 'block-insole'],
  ['cut-sock', 'fix-insole'],
  ['skive-upper', 'sew.back'],
  ['dye-edges-upper', 'sew.tab'],
  ['fold-tape', 'join-lining'],
  ['tape-facings', 'eyelets'],
  ['eyelets', 'sew-tongue'],
  ['hammer-back', 'join-lining'],
  ['sew.counter', 'sew.vamp'],
  ['join-lining', 'last-back'],
  ['join-lining', 'last-lining'],
  ['trim-lining', 'set-puff'],
  ['shave-puff', 'last-toe'],
  ['shave-puff', 'last-upper'],
  ['shave-puff', 'turn-out'],
  ['draw-tacks', 'shank-filler'],
  ['welted', 'shank-filler'],
  ['shank-filler', 'press-midsole'],
  ['dye-midsole', 'cement-midsole'],
  ['turn-out', 'sew-down'],
  ['press-outsole', 'sew-outsole'],
  ['press-outsole', 'build-heel'],
  ['trim-sole', 'dye-sole'],
  ['settle', 'last-out'],
  ['last-out', 'fit-sock'],
  ['last-out', 'sew-cup'],
  ['last-out', 'screw-heel'],
  ['fit-sock', 'final-check'],
  ['clean-upper', 'lace'],
]
function checkOrders(steps: readonly Step[]): void {
  for (const [first, then] of orders) {
    const at = (key: string) => steps.map((s, i) => (s.key === key || s.id === key ? i : -1)).filter((i) => i >= 0)
    const [before, after] = [at(first), at(then)]
    for (const foot of ['right', 'left'] as const) {
      const of = (list: number[]) => list.filter((i) => steps[i]!.foot === null || steps[i]!.foot === foot)
      if (of(before).length === 0 || of(after).length === 0) continue
      expect(Math.max(...of(before)), `${first} before ${then}`).toBeLessThan(Math.min(...of(after)))
    }
  }
}

describe('the work on every kind of pair', () => {
  it.each(product)(
    '$style, $construction, $finish edge: right whichever way it is worked',
    ({ style, construction, finish }) => {
      const n = product.findIndex((p) => p.style === style && p.construction === construction && p.finish === finish)
      const { plan, facts } = factsOf(pairOf(style, construction, finish, n), cache)
      expect(plan.steps.map((s) => s.id)).toEqual(stepsOf(facts).map((s) => s.id))
      for (const ways of someWays(n)) {
        const asked = withWays(facts, ways)
        const steps = stepsOf(asked)
        expect(wrongIn(steps, plan)).toEqual([])
        checkPresence(steps, asked, plan)
        checkOrders(steps)
      }
    },
  )
})

describe('a way of working', () => {
  const { plan, facts } = factsOf(pairOf('oxford', 'welted', 'folded', 1), cache)
  const cup = factsOf(pairOf('trainer', 'cup sole', 'folded', 1), cache).facts
  const list = (ways: Partial<Ways>, f = facts) => stepsOf(withWays(f, Ways.parse(ways)))
  const keys = (steps: Step[]) => new Set(steps.map((s) => s.key))
  /** Steps that are there with the one and not with the other. */
  const change = (ways: Partial<Ways>, f = facts) => {
    const [before, after] = [keys(list({}, f)), keys(list(ways, f))]
    return {
      gone: [...before].filter((k) => !after.has(k)).sort(),
      come: [...after].filter((k) => !before.has(k)).sort(),
    }
  }
  const waitOf = (steps: Step[], id: string) => steps.find((s) => s.id === id)?.wait

  it('changes the steps it is about and no others', () => {
    expect(change({ lasting: 'lining first' })).toEqual({
      gone: ['last-back', 'last-lining-toe', 'last-toe'],
      come: ['last-lining', 'last-upper'],
    })
    expect(change({ rest: 'drafted and left' })).toEqual({ gone: [], come: ['draft-upper'] })
    expect(change({ rest: 'wetted and left' })).toEqual({ gone: [], come: ['wet-upper'] })
    expect(change({ puff: 'formed on the last' })).toEqual({
      gone: ['bare-shells'],
      come: ['form-puff', 'trim-puff'],
    })
    expect(change({ paste: 'ready-made paste' })).toEqual({ gone: ['cook-paste'], come: [] })
    expect(change({ soles: 'cut ahead' })).toEqual({ gone: ['try-sole'], come: [] })
    expect(change({ heel: 'screws' })).toEqual({ gone: [], come: ['screw-heel'] })
    expect(change({ wrap: 'wrapped' })).toEqual({ gone: [], come: ['unwrap-upper', 'wrap-upper'] })
    expect(change({ cup: 'glued alone' }, cup)).toEqual({ gone: ['sew-cup'], come: [] })
    for (const ways of [
      { pull: 'by machine' },
      { cement: 'neoprene' },
      { foldGlue: 'double-sided tape' },
      { edges: 'singed and dyed' },
      { heel: 'pegs' },
      { lastOut: 'before the sole' },
    ] as const)
      expect(change(ways), JSON.stringify(ways)).toEqual({ gone: [], come: [] })
  })
  it('that a pair does not ask for changes nothing at all', () => {
    const asked = new Set(plan.asked)
    expect(asked.has('cup')).toBe(false)
    for (const name of wayNames.filter((w): w is WayName => !asked.has(w))) {
      for (const answer of wayChoices[name]) expect(list({ [name]: answer })).toEqual(list({}))
    }
  })
  it('that a pair does ask for changes something, whichever it is', () => {
    for (const name of plan.asked) {
      const all = wayChoices[name].map((answer) => JSON.stringify(list({ [name]: answer })))
      expect(new Set(all).size, name).toBe(all.length)
    }
  })
  it('lining first: it is trimmed before the stiffener, which dries with the puff before the upper comes down', () => {
    const steps = list({ lasting: 'lining first' })
    const at = (id: string) => steps.findIndex((s) => s.id === id)
    const orderOf = ['last-lining.right', 'trim-lining.right', 'paste-stiffener.right', 'last-upper.right'].map(at)
    expect(orderOf).toEqual([...orderOf].sort((a, b) => a - b))
    expect(orderOf[0]).toBeGreaterThan(0)
    expect(waitOf(steps, 'paste-stiffener.right')).toMatchObject({ min: 600, max: null })
    // The puff is set while the stiffener dries: it does not wait for it.
    const before = new Set<string>()
    const walk = (id: string): void => {
      for (const a of steps.find((s) => s.id === id)!.after) {
        if (!before.has(a.id)) {
          before.add(a.id)
          walk(a.id)
        }
      }
    }
    walk('set-puff.right')
    expect(before.has('paste-stiffener.right')).toBe(false)
    walk('last-upper.right')
    expect(before.has('paste-stiffener.right')).toBe(true)
    expect(before.has('set-side-linings.right')).toBe(true)
    // One foot does not wait for the other.
    expect([...before].filter((id) => id.endsWith('.left'))).toEqual([])
  })
  it('an upper is damped when it is pulled: of a lining that comes first everything has set by then', () => {
    const at = (ways: Partial<Ways>, id: string) =>
      list({ rest: 'wetted and left', ...ways }).findIndex((s) => s.id === id)
    const first = { lasting: 'lining first' } as const
    expect(at(first, 'shave-puff.left')).toBeGreaterThan(0)
    expect(at(first, 'wet-upper')).toBeGreaterThan(at(first, 'shave-puff.left'))
    expect(at(first, 'wet-upper')).toBeLessThan(at(first, 'last-upper.right'))
    expect(at({}, 'wet-upper')).toBeLessThan(at({}, 'last-back.right'))
  })
  it('brings the waits of its glue, and what wakes it', () => {
    const contact = waitOf(list({}), 'cement-midsole.right')
    expect(contact).toMatchObject({ min: 15, max: 40 })
    expect(spoken(contact?.late ?? '')).toMatch(/warm/i)
    expect(waitOf(list({ cement: 'neoprene' }), 'cement-midsole.right')).toMatchObject({ min: 10, max: 40 })
    expect(waitOf(list({ cement: 'heat-set glue' }), 'cement-midsole.right')).toMatchObject({ min: 20, max: null })
    const white = list({ cement: 'white glue' })
    expect(waitOf(white, 'cement-midsole.right')).toBeNull()
    expect(waitOf(white, 'press-midsole.right')).toMatchObject({ min: 30, max: null })
    const paste = waitOf(list({}), 'paste-stiffener.left')
    expect(paste).toMatchObject({ min: 0, max: 45 })
    expect(spoken(paste?.late ?? '')).toMatch(/paste it once more/)
  })
  it('says what each answer gains and costs, each in its own words', () => {
    const said = wayNames.flatMap((name) =>
      wayChoices[name].flatMap((answer) => {
        const of = (ways[name].answers as Record<string, { gains: string; costs: string }>)[answer]!
        return [of.gains, of.costs]
      }),
    )
    expect(said.every((s) => s.length > 9)).toBe(true)
    expect(new Set(said).size).toBe(said.length)
  })
  it('soles are cut to the lasted shoe: no midsole on day one', () => {
    const before = (ways: Partial<Ways>) => {
      const steps = list(ways)
      return steps.findIndex((s) => s.id === 'cut-midsole') < steps.findIndex((s) => s.id === 'soak-insole')
    }
    expect(before({})).toBe(false)
    expect(before({ soles: 'cut ahead' })).toBe(true)
  })
  it('tacks that are driven are the ones that are drawn', () => {
    const steps = list({})
    const driven = ['last-back.right', 'last-toe.right'].reduce(
      (sum, id) => sum + steps.find((s) => s.id === id)!.stuff.find((x) => x.name === 'Tacks')!.amount,
      0,
    )
    expect(driven).toBe(plan.lasting.strips.find((s) => s.id === 'upper')!.tacks.length)
    expect(spoken(steps.find((s) => s.id === 'draw-tacks.right')!.look[0]!)).toContain(`${driven + 3} tacks`)
  })
})

describe('derived operations', () => {
  it('bring every thing to a phase once a foot', () => {
    const { facts } = factsOf(pairOf('derby', 'welted', 'folded', 1), cache)
    for (const ways of someWays(99)) {
      const seen = new Map<string, string>()
      for (const o of operationsOf(withWays(facts, ways))) {
        for (const m of o.makes.filter((x) => x.thing === 'shoe' || x.thing === 'upper' || x.thing === 'insole')) {
          for (const foot of o.foot ? [o.foot] : ['right', 'left']) {
            const key = `${m.thing} ${m.phase} ${foot}`
            expect(seen.get(key), key).toBeUndefined()
            seen.set(key, o.id)
          }
        }
      }
    }
  })
  it('own steps default to nothing', () => {
    expect(WorkDecisions.parse({})).toEqual({ ways: Ways.parse({}), recipe: '', own: [], order: [] })
  })
})
