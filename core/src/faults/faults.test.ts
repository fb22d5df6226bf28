import { describe, expect, it } from 'vitest'
import { corkId, sampleMeasures, samplePair } from '../../test/samplePair.ts'
import { keptCache } from '../../test/keptCache.ts'
import { CheckReading } from '../model/check.ts'
import { PairDecisions, type PlanInput, type StepEvent } from '../model/pair.ts'
import type { Plan } from '../plan/plan.ts'
import { planPair } from '../plan/planPair.ts'
import { checkRuleFigures } from '../plan/ruleRegistry.ts'
import { remedied } from '../trade/remedy.ts'
import { spoken, type Sentence } from '../units/sentence.ts'
import { faultCase, type FaultInput } from './case.ts'
import { diagnose, faults, faultsOf, pointedTo } from './diagnose.ts'
import { stages } from './stage.ts'

const cache = keptCache(40)
const MINUTE = 60_000

/** Times at the bench, so that every wait is kept, or is so long a share of what it should be. */
interface Bench {
  /** Keys of steps that were left out. */
  skip?: readonly string[]
  /** By key of a step, how long its wait took, as a share of its least; of its most where it is over 1. */
  waits?: Readonly<Record<string, number>>
  /** The last step that was done. */
  upTo?: string
}

/** A log in which one step follows the other, all waits kept but those that are said. */
function logOf({ steps }: Plan, { skip = [], waits = {}, upTo }: Bench): StepEvent[] {
  const log: StepEvent[] = []
  const free = new Map<string, number>()
  let now = Date.UTC(2026, 3, 1)
  for (const step of steps) {
    if (!skip.includes(step.key)) {
      now = Math.max(now, ...step.after.map((a) => free.get(a.id) ?? 0))
      log.push({ step: step.id, what: 'started', at: new Date(now).toISOString() })
      now += step.minutes.value * MINUTE
      log.push({ step: step.id, what: 'finished', at: new Date(now).toISOString() })
      const share = waits[step.key]
      const { min, max } = step.wait ?? { min: 0, max: null }
      const took = share === undefined ? min : share > 1 ? share * (max ?? min) : share * min
      free.set(step.id, now + took * MINUTE)
      // Whatever was said of a wait, nothing else fills it.
      if (share !== undefined) now += took * MINUTE
    }
    if (step.key === upTo) break
  }
  return log
}

interface Planted extends Bench {
  fault: string
  cause: string
  pair?: Parameters<typeof samplePair>[0]
  on?: keyof typeof sampleMeasures
  materials?: (all: PlanInput['materials']) => PlanInput['materials']
  /** By check, what was measured beside the plan, mm; for tacks, how many were missing. */
  off?: Readonly<Record<string, number>>
  looks?: Readonly<Record<string, boolean>>
}

function caseOf(p: Omit<Planted, 'fault' | 'cause'>): FaultInput {
  const sample = samplePair(p.pair, sampleMeasures[p.on ?? 'walking'])
  const input = { ...sample, materials: p.materials?.(sample.materials) ?? sample.materials }
  const plan = planPair(input, cache)
  const at = '2026-05-02T08:00:00.000Z'
  const readings = [
    ...Object.entries(p.off ?? {}).map(([check, off]) => {
      const found = plan.checks.find((c) => c.id === check)
      if (!found?.figure) throw new Error(`This pair has no check "${check}".`)
      return CheckReading.parse({ check, foot: 'right', value: found.figure.planned.right + off, revision: 1, at })
    }),
    ...Object.entries(p.looks ?? {}).map(([check, fine]) =>
      CheckReading.parse({ check, foot: 'right', fine, revision: 1, at }),
    ),
  ]
  return {
    plan,
    decisions: input.decisions,
    materials: input.materials,
    log: logOf(plan, p),
    readings,
    houseRules: {},
    foot: 'right',
  }
}
const ranks = (p: Planted): string[] => {
  const c = faultCase(caseOf(p))
  const fault = faultsOf(c).find((f) => f.id === p.fault)
  if (!fault) throw new Error(`This pair cannot have "${p.fault}".`)
  return diagnose(fault, c).map((s) => s.id)
}
const thick = (kind: string, to: number) => (all: PlanInput['materials']) =>
  all.map((m) => (m.kind === kind ? { ...m, thickness: to } : m))
const coats = (n: number) => (all: PlanInput['materials']) => all.map((m) => ({ ...m, coats: n }))
const base = samplePair().decisions.materials

const planted: Planted[] = [
  { fault: 'folds', cause: 'flatBack', off: { backGap: 3.6 } },
  { fault: 'folds', cause: 'flatBack', off: { backGap: 3 }, looks: { 'look.folds': false } },
  { fault: 'folds', cause: 'crowded', skip: ['trim-margin'], upTo: 'draw-tacks' },
  { fault: 'folds', cause: 'thickEdge', materials: thick('stiffener leather', 2.8), skip: ['skive-stiffener'] },
  { fault: 'folds', cause: 'lowBack', off: { backGap: 0, backHeight: -5 } },
  { fault: 'bump', cause: 'overCorrected', pair: { upper: { backTaper: 4 } } },
  { fault: 'bump', cause: 'seamNotFlat', skip: ['hammer-back'] },
  { fault: 'slips', cause: 'noGrip', on: 'heeled', pair: { construction: 'cemented', upper: { style: 'court' } } },
  { fault: 'slips', cause: 'stiffenerLow', off: { 'tip.medial': -9, 'tip.lateral': 8 } },
  { fault: 'slid', cause: 'tooWet', waits: { 'soak-stiffener': 3 } },
  { fault: 'puffLine', cause: 'shortSkive', pair: { rules: { 'puff.backSkive': 8 } } },
  { fault: 'puffLine', cause: 'notShaved', skip: ['shave-puff'] },
  { fault: 'puffLine', cause: 'wetPuff', waits: { 'set-puff': 0.2 } },
  { fault: 'crease', cause: 'longPuff', pair: { puff: { length: 95 } } },
  { fault: 'crease', cause: 'shortLast', pair: { size: { system: 'paris', value: 45.5 } } },
  { fault: 'slips', cause: 'longLast', pair: { size: { system: 'paris', value: 41 } } },
  { fault: 'softToe', cause: 'thinPuff', materials: thick('puff leather', 1.3) },
  { fault: 'crookedThroat', cause: 'pulledAside', off: { throatMiddle: 4 } },
  {
    fault: 'crookedThroat',
    cause: 'centreOnFlat',
    on: 'flat',
    pair: { construction: 'cemented', upper: { style: 'ballet flat' } },
  },
  {
    fault: 'twist',
    cause: 'oneSide',
    off: { 'ankle.lateral': -4, 'ankle.medial': 3 },
    looks: { 'look.straight': false },
  },
  { fault: 'twist', cause: 'stiffenerAside', off: { 'tip.lateral': 10, 'tip.medial': -10 } },
  { fault: 'topGapes', cause: 'highAnkle', off: { 'ankle.lateral': 5, 'ankle.medial': 4 } },
  { fault: 'shortMargin', cause: 'highBack', off: { backHeight: 6 } },
  { fault: 'shortMargin', cause: 'plannedShort', pair: { rules: { 'upper.lastingMargin': 12 } } },
  { fault: 'soleGapes', cause: 'glueLate', waits: { 'cement-outsole': 2 } },
  { fault: 'soleGapes', cause: 'glueEarly', waits: { 'cement-midsole': 0.2 } },
  { fault: 'soleGapes', cause: 'notRough', pair: { construction: 'cemented' }, skip: ['rough-margin'] },
  { fault: 'soleGapes', cause: 'shortRoom', off: { 'room.medial': -8 } },
  { fault: 'squeaks', cause: 'unglued', waits: { 'cement-midsole': 2.5 } },
  { fault: 'poorDye', cause: 'fewCoats', materials: coats(1) },
  { fault: 'poorDye', cause: 'coatsTooSoon', materials: coats(4), waits: { 'dye-midsole': 0.2 } },
  { fault: 'rocks', cause: 'heelHeight', off: { heel: 3 } },
  {
    fault: 'tightSock',
    cause: 'fullPadding',
    pair: { sock: { padding: 'full' }, materials: { ...base, padding: corkId } },
  },
  {
    fault: 'feltStep',
    cause: 'paddingEdge',
    pair: { sock: { padding: 'half' }, materials: { ...base, padding: corkId } },
    skip: ['skive-padding'],
  },
  { fault: 'feltStep', cause: 'tackLeft', off: { tacks: -1 } },
  {
    fault: 'bulkyTurn',
    cause: 'unskived',
    pair: { construction: 'stitch-down', upper: { style: 'stitch-down' } },
    materials: thick('upper leather', 2.4),
  },
]

describe('what is behind a fault', () => {
  it.each(planted.map((p) => [`${p.fault}: ${p.cause}`, p] as const))('%s planted ranks first or second', (_n, p) => {
    const found = ranks(p)
    expect(found.slice(0, 2), found.join(', ')).toContain(p.cause)
  })
  it('of all that is planted, most rank first', () => {
    const first = planted.filter((p) => ranks(p)[0] === p.cause).length
    expect(first / planted.length).toBeGreaterThan(0.8)
  })
  it('ranks by the book where nothing is known, and shares are of the whole', () => {
    const c = faultCase(caseOf({ upTo: 'print' }))
    for (const fault of faultsOf(c)) {
      const suspects = diagnose(fault, c)
      expect(suspects.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 12)
      expect(suspects.map((s) => s.share)).toEqual([...suspects.map((s) => s.share)].sort((a, b) => b - a))
    }
  })
  it('the further a figure is out, the more it points there', () => {
    const share = (off: number) => {
      const c = faultCase(caseOf({ off: { backGap: off } }))
      return diagnose(
        faults.find((f) => f.id === 'folds')!,
        c,
      ).find((s) => s.id === 'flatBack')!.share
    }
    const shares = [0, 1, 2, 3, 4].map(share)
    expect(shares).toEqual([...shares].sort((a, b) => a - b))
    expect(shares[4]! - shares[0]!).toBeGreaterThan(0.3)
  })
  it('a pair’s own figures point to what may show, and a pair that is well to nothing of the kind', () => {
    const pointed = (p: Omit<Planted, 'fault' | 'cause'>) => pointedTo(faultCase(caseOf(p))).map((f) => f.id)
    expect(pointed({ off: { backGap: 4 } })).toContain('folds')
    expect(pointed({ waits: { 'cement-outsole': 2 }, upTo: 'press-outsole' })).toContain('soleGapes')
    expect(pointed({ off: { tacks: -1 } })[0]).toBe('feltStep')
    const well = pointed({ upTo: 'last-toe' })
    for (const id of ['folds', 'soleGapes', 'feltStep', 'twist', 'puffLine']) expect(well).not.toContain(id)
  })
  it('glue that was put right in time is no cause any more', () => {
    const input = caseOf({ waits: { 'cement-outsole': 2 }, upTo: 'press-outsole' })
    const late = (log: StepEvent[]) => {
      const c = faultCase({ ...input, log })
      return diagnose(
        faults.find((f) => f.id === 'soleGapes')!,
        c,
      ).find((s) => s.id === 'glueLate')!
    }
    const at = input.log.find((e) => e.step === 'press-outsole.right' && e.what === 'started')!.at
    const woken = [
      ...input.log,
      ...['right', 'left'].map((f) => ({ step: `cement-outsole.${f}`, what: 'put right' as const, at })),
    ]
    expect(late(woken).share).toBeLessThan(late([...input.log]).share / 2)
    expect(
      late(woken)
        .evidence.map((e) => spoken(e.sentence))
        .join(),
    ).toMatch(/was put right/)
  })
  it('what was found dry before its time was not cut short', () => {
    const input = caseOf({ waits: { 'set-puff': 0.2 } })
    const wet = (log: StepEvent[]) => {
      const c = faultCase({ ...input, log })
      return diagnose(
        faults.find((f) => f.id === 'puffLine')!,
        c,
      ).find((s) => s.id === 'wetPuff')!
    }
    const log = [...input.log]
    const told = log.flatMap((e): StepEvent[] => {
      if (e.step !== 'set-puff.right' || e.what !== 'finished') return [e]
      const { wait } = input.plan.steps.find((s) => s.id === e.step)!
      return [e, { ...e, what: 'ready', at: new Date(Date.parse(e.at) + 0.15 * wait!.min * MINUTE).toISOString() }]
    })
    expect(told.length).toBe(log.length + 1)
    expect(wet(told).share).toBeLessThan(wet(log).share / 2)
    expect(
      wet(told)
        .evidence.map((e) => spoken(e.sentence))
        .join(),
    ).not.toMatch(/instead of/)
  })
  it('a figure of one shoe says nothing of the other, but one that is measured once for both says it of both', () => {
    const right = caseOf({ off: { backGap: 4, 'tip.medial': -9, heel: 3 } })
    expect(right.plan.left).toBeNull()
    const left = faultCase({ ...right, foot: 'left' })
    expect(left.measured('tip.medial')).toBeNull()
    expect(left.measured('heel')).toBeNull()
    expect(left.planned('heel')).toBe(faultCase(right).planned('heel'))
    expect(left.measured('backGap')).toBe(faultCase(right).measured('backGap'))
    expect(left.planned('backGap')).not.toBeNull()
    expect(pointedTo(left).map((f) => f.id)).toContain('folds')
    expect(pointedTo(left).map((f) => f.id)).not.toContain('slid')
  })
  it('says what helps where it stands: at the lasting stage the tacks can still be drawn, later not', () => {
    const help = (upTo: string) => {
      const c = faultCase(caseOf({ upTo, off: {} }))
      return spoken(
        diagnose(
          faults.find((f) => f.id === 'folds')!,
          c,
        ).find((s) => s.id === 'flatBack')!.helps,
      )
    }
    expect(help('check-base')).toMatch(/before anything is cut/)
    expect(help('last-toe')).toMatch(/Draw the tacks of the seat/)
    expect(help('last-out')).toMatch(/over a block/)
  })
  it('what prevents it next time is a change that a plan can be made with, on every style', () => {
    const inputs: [Parameters<typeof samplePair>[0], keyof typeof sampleMeasures][] = [
      [{}, 'walking'],
      [{ construction: 'cemented', upper: { style: 'ballet flat' } }, 'flat'],
      [{ construction: 'stitch-down', upper: { style: 'stitch-down' } }, 'walking'],
      [
        {
          construction: 'cup sole',
          upper: { style: 'trainer' },
          sock: { padding: 'full' },
          materials: { ...base, padding: corkId },
        },
        'walking',
      ],
    ]
    for (const [pair, on] of inputs) {
      const given = caseOf({ pair, on, upTo: 'print' })
      const c = faultCase(given)
      for (const suspect of faultsOf(c).flatMap((f) => diagnose(f, c))) {
        const { remedy } = suspect.prevents
        if (!remedy || remedy.kind === 'open') continue
        const changed = remedied(given.decisions, remedy)
        expect(changed, suspect.id).not.toEqual(given.decisions)
        expect(PairDecisions.safeParse(changed).success, suspect.id).toBe(true)
        checkRuleFigures(changed.rules)
      }
    }
  })
  it('what prevents the likeliest cause makes it less likely, where a figure of the plan was behind it', () => {
    for (const [fault, pair] of [
      ['crease', { puff: { length: 95 } }],
      ['puffLine', { rules: { 'puff.backSkive': 8 } }],
      ['tightSock', { sock: { padding: 'full' as const }, materials: { ...base, padding: corkId } }],
      ['bump', { upper: { backTaper: 4 } }],
    ] as const) {
      const given = caseOf({ pair, upTo: 'print' })
      const c = faultCase(given)
      const of = faults.find((f) => f.id === fault)!
      const [worst] = diagnose(of, c)
      const decisions = remedied(given.decisions, worst!.prevents.remedy!)
      const plan = planPair({ ...samplePair(pair), decisions }, cache)
      const after = diagnose(of, faultCase({ ...given, plan, decisions })).find((s) => s.id === worst!.id)!
      expect(after.share, fault).toBeLessThan(worst!.share)
    }
  })
  it('is told in typed lengths, and every cause says something for every stage', () => {
    const texts: Sentence[] = []
    for (const stage of stages) {
      const c = faultCase({ ...caseOf({ upTo: 'print' }), stage })
      for (const fault of faults) {
        texts.push(fault.sign)
        for (const s of diagnose(fault, c))
          texts.push(s.helps, s.prevents.sentence, ...s.evidence.map((e) => e.sentence))
      }
    }
    for (const text of texts) {
      expect(spoken(text)).not.toBe('')
      const words = typeof text === 'string' ? text : text.filter((p) => typeof p === 'string').join('')
      expect(words).not.toMatch(/\d\s?(mm|cm|″)/)
    }
    expect(new Set(faults.map((f) => f.id)).size).toBe(faults.length)
    for (const f of faults) expect(new Set(f.causes.map((c) => c.id)).size).toBe(f.causes.length)
  })
})
