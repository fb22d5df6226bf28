import { OwnSeam } from '../model/stitching.ts'
import { describe, expect, it } from 'vitest'
import { boardId, corkId, sampleMaterials, sampleMeasures, samplePair } from '../../test/samplePair.ts'
import { ColdCache, difference, pairOfEachStyle, planned } from '../../test/warmAndCold.ts'
import { LeftShoe, type PairDecisions, type PlanInput } from '../model/pair.ts'
import { OwnStep, wayChoices, wayNames } from '../model/work.ts'
import { CupSole } from '../model/cupSole.ts'
import { patternKinds, type PatternKind } from '../model/upper.ts'
import { keptCache } from '../../test/keptCache.ts'
import { THOROUGH } from '../../test/thorough.ts'

const other = (n: number) => `01900000-0000-7000-8000-0000000001${String(n).padStart(2, '0')}`
const oval = (a: number, b: number) =>
  Array.from({ length: 60 }, (_, k): [number, number] => [
    a * Math.cos((k * Math.PI) / 30),
    b * Math.sin((k * Math.PI) / 30) * (1 + 0.15 * Math.cos((k * Math.PI) / 30)),
  ])
const tracing = { outline: oval(150, 50), pencil: 0.7, digitised: 'middle', turned: false, flipped: false } as const
const cup = CupSole.parse({ id: other(90), name: 'Cup', outline: oval(156, 56), seat: 20, tread: 9 })

/** The same material, half as thick again, in one role alone. */
function thicker(input: PlanInput, role: keyof PairDecisions['materials'], n: number): PlanInput {
  const fallback = {
    backer: 'Pigskin lining',
    stay: 'Pigskin lining',
    welt: 'Bend leather',
    shank: 'Bend leather',
    foam: 'Cork sheet',
    padding: 'Cork sheet',
    outsole: 'Bend leather',
    heel: 'Bend leather',
  } as const
  const id = input.decisions.materials[role]
  const now = sampleMaterials.find((m) => m.id === id || m.name === fallback[role as keyof typeof fallback])
  const from = now ?? sampleMaterials[6]!
  const kind =
    role === 'foam'
      ? ('foam' as const)
      : role === 'shank'
        ? ('steel shank' as const)
        : role === 'backer'
          ? ('woven backer' as const)
          : from.kind
  const material = { ...from, id: other(n), kind, name: `${from.name}, thicker`, thickness: from.thickness * 1.2 }
  return withDecisions(
    { ...input, materials: [...input.materials, material] },
    { materials: { ...input.decisions.materials, [role]: material.id } },
  )
}
const withDecisions = (input: PlanInput, more: Partial<PairDecisions>): PlanInput => ({
  ...input,
  decisions: { ...input.decisions, ...more },
})
const work = (i: PlanInput, more: Partial<PairDecisions['work']>) =>
  withDecisions(i, { work: { ...i.decisions.work, ...more } })
type Upper = PairDecisions['upper']
const upper = (more: (u: Upper) => Partial<Upper>) => (i: PlanInput) =>
  withDecisions(i, { upper: { ...i.decisions.upper, ...more(i.decisions.upper) } })
const forme = (more: Partial<Upper['forme']>) => upper((u) => ({ forme: { ...u.forme, ...more } }))

/** One change of every decision there is, by its path. */
const changes: Record<string, (input: PlanInput) => PlanInput> = {
  lastId: (i) => {
    const { last } = samplePair({}, { ...sampleMeasures.walking, heelHeight: 32 })
    return withDecisions({ ...i, last: { ...last, id: other(1) } }, { lastId: other(1) })
  },
  'size.system': (i) => withDecisions(i, { size: { ...i.decisions.size, system: 'uk' } }),
  'size.value': (i) => withDecisions(i, { size: { ...i.decisions.size, value: 30 } }),
  construction: (i) =>
    withDecisions(i, { construction: i.decisions.construction === 'welted' ? 'cemented' : 'welted' }),
  cupSoleId: (i) => withDecisions({ ...i, cupSole: cup }, { construction: 'cup sole', cupSoleId: cup.id }),
  ...Object.fromEntries(
    (Object.keys(samplePair().decisions.materials) as (keyof PairDecisions['materials'])[]).map((role, n) => [
      `materials.${role}`,
      (i: PlanInput) =>
        role === 'padding'
          ? withDecisions(thicker(i, role, 20 + n), { sock: { ...i.decisions.sock, padding: 'full' } })
          : thicker(i, role, 20 + n),
    ]),
  ),
  'stitching.by': (i) => withDecisions(i, { stitching: { ...i.decisions.stitching, by: 'hand' } }),
  'stitching.own': (i) =>
    withDecisions(i, {
      stitching: {
        ...i.decisions.stitching,
        own: Object.fromEntries(
          ['tab.lateral', 'vamp.lateral', 'back', 'throat'].map((id) => [id, OwnSeam.parse({ by: 'hand', pitch: 5 })]),
        ),
      },
    }),
  profile: (i) => withDecisions(i, { profile: 'all natural' }),
  pieceMaterials: (i) => {
    const thick = sampleMaterials.map((m, n) => ({ ...m, id: other(60 + n), thickness: 1.3 * m.thickness }))
    const [upper, lining] = [thick[0]!.id, thick[1]!.id]
    return withDecisions(
      { ...i, materials: [...i.materials, ...thick] },
      {
        pieceMaterials: {
          'quarter.lateral': upper,
          shaft: upper,
          heelSection: upper,
          'piece-1': upper,
          vampLining: lining,
          heelGrip: lining,
          'lining.piece-1': lining,
          backStay: lining,
          insoleCover: lining,
        },
      },
    )
  },
  'stiffener.front': (i) => withDecisions(i, { stiffener: { ...i.decisions.stiffener, front: 'long medial' } }),
  'stiffener.backHeight': (i) => withDecisions(i, { stiffener: { ...i.decisions.stiffener, backHeight: 41 } }),
  'stiffener.lateralEnd': (i) => withDecisions(i, { stiffener: { ...i.decisions.stiffener, lateralEnd: 88 } }),
  'stiffener.medialEnd': (i) => withDecisions(i, { stiffener: { ...i.decisions.stiffener, medialEnd: 91 } }),
  'lining.back': (i) => withDecisions(i, { lining: { ...i.decisions.lining, back: 'butt seam' } }),
  'lining.front': (i) => withDecisions(i, { lining: { ...i.decisions.lining, front: 'centre seam' } }),
  'lining.trim': (i) => withDecisions(i, { lining: { ...i.decisions.lining, trim: 'feather' } }),
  'puff.length': (i) => withDecisions(i, { puff: { length: 55 } }),
  'sock.extent': (i) => withDecisions(i, { sock: { ...i.decisions.sock, extent: 'half' } }),
  'sock.padding': (i) =>
    withDecisions(i, {
      sock: { ...i.decisions.sock, padding: 'heel pad' },
      materials: { ...i.decisions.materials, padding: corkId },
    }),
  'midsole.room': (i) => withDecisions(i, { midsole: { room: 7 } }),
  'lasted.tracing': (i) => withDecisions(i, { lasted: { tracing: { ...tracing }, use: 'predicted' } }),
  'lasted.use': (i) => withDecisions(i, { lasted: { tracing: { ...tracing }, use: 'traced' } }),
  'insole.covered': (i) =>
    withDecisions(i, { insole: { covered: true }, materials: { ...i.decisions.materials, insole: boardId } }),
  'outsole.channel': (i) => withDecisions(i, { construction: 'welted', outsole: { channel: true } }),
  'heel.lifts': (i) => withDecisions(i, { heel: { ...i.decisions.heel, lifts: 2 } }),
  'heel.wedge': (i) => withDecisions(i, { heel: { ...i.decisions.heel, wedge: false } }),
  'upper.style': upper((u) => ({ style: u.style === 'derby' ? 'oxford' : 'derby' })),
  'upper.own': upper((u) => ({
    own: u.own && {
      ...u.own,
      pieces: u.own.pieces.map((p) => ({ ...p, outline: p.outline.map(([x, y]): [number, number] => [x * 1.1, y]) })),
    },
  })),
  'upper.options': upper((u) => ({ options: { ...u.options, toeCap: !u.options.toeCap, sideSeams: true } })),
  'upper.topFinish': upper(() => ({ topFinish: 'bound' })),
  'upper.finishOnFacings': upper(() => ({ finishOnFacings: true, topFinish: 'bead' })),
  'upper.lacing.fitting': upper((u) => ({ lacing: { ...u.lacing, fitting: 'none' } })),
  'upper.lacing.pairs': upper((u) => ({ lacing: { ...u.lacing, pairs: 7 } })),
  'upper.lacing.hooks': upper((u) => ({ lacing: { ...u.lacing, hooks: 2 } })),
  'upper.lacing.way': upper((u) => ({ lacing: { ...u.lacing, way: 'straight' } })),
  'upper.lacing.guard': upper((u) => ({ lacing: { ...u.lacing, guard: true } })),
  'upper.decoration': upper(() => ({ decoration: 'punched' })),
  'upper.measured.row': upper(() => ({ decoration: 'punched', measured: { row: 10, tooth: null } })),
  'upper.measured.tooth': upper(() => ({ decoration: 'gimped', measured: { row: null, tooth: 3 } })),
  'upper.forme.kind': forme({ kind: 'paper' }),
  'upper.forme.match': forme({ match: 'all round' }),
  'upper.forme.feather': forme({ feather: 'mean' }),
  'upper.forme.tapings': (i) => i,
  'upper.points': upper(() => ({
    points: { 'ankle:both': [0.24, 0.42], 'backTop:both': [0.2, 0], 'margin.4:lateral': [0.03, 0] },
  })),
  'upper.backTaper': upper(() => ({ backTaper: 2 })),
  'upper.throat': upper(() => ({ throat: 'mirrored' })),
  'upper.ankleBone.lateral': upper((u) => ({ ankleBone: { ...u.ankleBone, lateral: 38 } })),
  'upper.ankleBone.medial': upper((u) => ({ ankleBone: { ...u.ankleBone, medial: 44 } })),
  'upper.folds.versions': upper(() => ({ folds: { versions: [0, 12], chosen: 0, where: 'instep' } })),
  'upper.folds.where': upper(() => ({ folds: { versions: [12], chosen: 0, where: 'toes' } })),
  'upper.folds.chosen': upper(() => ({ folds: { versions: [0, 12], chosen: 1, where: 'instep' } })),
  ...Object.fromEntries(
    wayNames.map((name) => [
      `work.ways.${name}`,
      (i: PlanInput) => work(i, { ways: { ...i.decisions.work.ways, [name]: wayChoices[name][1] } }),
    ]),
  ),
  'work.recipe': (i) => work(i, { recipe: 'Rye flour and water.' }),
  'work.own': (i) => work(i, { own: [OwnStep.parse({ id: 'own.stamp', name: 'Stamp it', group: 'cut' })] }),
  'work.order': (i) => work(i, { order: ['cut-puff', 'cut-upper'] }),
  left: (i) => withDecisions(i, { left: LeftShoe.parse({ figures: { 'puff.length': 44, 'heel.lifts': 3 } }) }),
  rules: (i) => withDecisions(i, { rules: { 'puff.base': 44, 'upper.lastingMargin': 22 } }),
}

/** Paths of the decisions: down to what is no group of decisions of its own. */
function leaves(value: unknown, path = ''): string[] {
  const open = ['rules', 'left', 'pieceMaterials', 'stitching.own', 'upper.options', 'upper.points', 'upper.own']
  if (typeof value !== 'object' || value === null || Array.isArray(value) || open.includes(path)) return [path]
  return Object.entries(value).flatMap(([k, v]) => leaves(v, path === '' ? k : `${path}.${k}`))
}

it('the list of changes has every decision there is', () => {
  expect(leaves(samplePair().decisions).filter((path) => !(path in changes))).toEqual([])
})

/**
 * Each change is tried on one style, the next one for the next change, so that each has its share; `npm run test:all`
 * tries all.
 */
const isTried = (change: number, style: PatternKind): boolean =>
  THOROUGH || change % patternKinds.length === patternKinds.indexOf(style)

describe.each(patternKinds)('after any decision was changed: %s', (style) => {
  const input = pairOfEachStyle[style]
  const ground = keptCache(60)
  const warm = new ColdCache(ground)
  it('what is kept is what would be made anew', () => {
    const stale: string[] = []
    const same: string[] = []
    const base = planned(input, warm)
    for (const [path, change] of Object.entries(changes).filter((_, n) => isTried(n, style))) {
      const changed = change(input)
      planned(input, warm)
      const kept = planned(changed, warm)
      const off = difference(kept, planned(changed, new ColdCache(ground)))
      if (off !== null) stale.push(`${path}: ${off}`)
      if (difference(kept, base) === null) same.push(path)
    }
    expect(stale).toEqual([])
    // The changes do change something, or equal plans would prove nothing.
    expect(same.length).toBeLessThan(THOROUGH ? 16 : 6)
  })
})
