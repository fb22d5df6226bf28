import type { Rule } from '../trade/rules.ts'
import { cm, mm, say, type Sentence } from '../units/sentence.ts'
import type { Facts } from './facts.ts'
import type { Wear } from './step.ts'

/** Active time with its reason. */
export interface Effort {
  minutes: number
  sentence: Sentence
  /** What it wears. */
  wears?: Wear
}

export const workRules = {
  cutSpeed: {
    key: 'work.cutSpeed',
    name: 'Cutting by knife, mm a minute',
    value: 160,
    min: 40,
    max: 600,
    unit: 'count',
    why: 'Laying on, holding down and following the line, in leather that one stroke goes through.',
  },
  oneStroke: {
    key: 'work.oneStroke',
    name: 'One stroke of the knife goes through',
    value: 2.5,
    min: 1,
    max: 5,
    unit: 'mm',
    why: 'Thicker leather takes as many times as long as it takes strokes.',
  },
  skiveSpeed: {
    key: 'work.skiveSpeed',
    name: 'Skiving by hand, mm a minute',
    value: 90,
    min: 20,
    max: 400,
    unit: 'count',
    why: 'Several strokes each way, and the knife stropped between.',
  },
  tackMinutes: {
    key: 'work.tackMinutes',
    name: 'A tack pulled and driven, minutes',
    value: 0.6,
    min: 0.1,
    max: 3,
    unit: 'count',
    why: 'Pliers set, the leather drawn and turned, the tack held and struck.',
  },
  byLastingMachine: {
    key: 'work.byLastingMachine',
    name: 'Pulling by machine, share of the time by hand',
    value: 0.35,
    min: 0.05,
    max: 1,
    unit: 'share',
    why: 'The machine draws the toe in one go; it has to be set up, and what it leaves is worked by hand.',
  },
  drawTack: {
    key: 'work.drawTack',
    name: 'Tacks drawn and counted in a minute',
    value: 10,
    min: 2,
    max: 40,
    unit: 'count',
    why: 'Each is drawn straight, so that it can be used again, and laid with the others to be counted.',
  },
  stitchesPerMinute: {
    key: 'work.stitchesPerMinute',
    name: 'Hand stitches a minute',
    value: 2.2,
    min: 0.5,
    max: 6,
    unit: 'count',
    why: 'Two needles or bristles, awl, wax and pull.',
  },
  edgeSpeed: {
    key: 'work.edgeSpeed',
    name: 'Edges dyed, folded or set, mm a minute',
    value: 120,
    min: 20,
    max: 600,
    unit: 'count',
    why: 'Along the edge once, with a brush, with the bone or with the fingers.',
  },
  holesPerMinute: {
    key: 'work.holesPerMinute',
    name: 'Holes punched in a minute',
    value: 12,
    min: 2,
    max: 60,
    unit: 'count',
    why: 'Set on the mark, struck, and moved on; on scrap leather that is turned now and then.',
  },
  gluedArea: {
    key: 'work.gluedArea',
    name: 'Coated with glue, dm² a minute',
    value: 1.5,
    min: 0.3,
    max: 6,
    unit: 'count',
    why: 'A thin even coat to the edge and no further.',
  },
} satisfies Record<string, Rule>

export const closingRules = {
  setUp: {
    key: 'work.seamSetUp',
    name: 'To lay and begin a seam of the upper, minutes',
    value: 4,
    min: 0,
    max: 20,
    unit: 'count',
    why: 'Laid mark to mark and held, the first stitches tried, both ends made fast.',
  },
  byMachine: {
    key: 'work.machineStitches',
    name: 'Stitches a minute by machine',
    value: 90,
    min: 20,
    max: 1000,
    unit: 'count',
    why: 'Slowly, and by the wheel round corners.',
  },
  byHand: {
    key: 'work.closingStitches',
    name: 'Stitches a minute in the upper by hand',
    value: 5,
    min: 0.5,
    max: 20,
    unit: 'count',
    why: 'Thin leather, and the holes are punched already: faster than through a sole.',
  },
  piercing: {
    key: 'work.piercing',
    name: 'Stitches a minute where each hole is pierced first',
    value: 3.5,
    min: 0.5,
    max: 20,
    unit: 'count',
    why: 'The awl goes before the needles at every stitch.',
  },
} satisfies Record<string, Rule>

/** So many minutes, for what is said. */
export const fixed = (minutes: number, sentence: Sentence): Effort => ({ minutes, sentence })

/** A length (mm) worked at a speed (mm a minute), and some minutes to get ready. */
export const along = (length: number, speed: number, ready: number, what: Sentence): Effort => ({
  minutes: ready + length / speed,
  sentence: say`${what} ${cm(length)} at ${mm(speed)} a minute, and ${ready} minutes to get ready.`,
})

/** Cutting so much edge (mm) through so much thickness (mm), after laying out. */
export function cutting({ book }: Facts, length: number, thickness: number, layOut: number, more: Sentence): Effort {
  const [speed, stroke] = [book.value(workRules.cutSpeed), book.value(workRules.oneStroke)]
  const strokes = Math.max(1, Math.ceil(thickness / stroke - 1e-9))
  return {
    minutes: layOut + (strokes * length) / speed,
    sentence: say`${cm(length)} of edge at ${mm(speed)} a minute${strokes > 1 ? `, in ${strokes} strokes each` : ''}, and ${layOut} minutes to lay out.${more}`,
    wears: { tool: 'knife', length: strokes * length },
  }
}

/** Skiving so much edge, mm. */
export const skiving = ({ book }: Facts, length: number): Effort => ({
  ...along(length, book.value(workRules.skiveSpeed), 2, 'With the knife stropped between:'),
  wears: { tool: 'skiver', length },
})

/** Sewing a row through a sole. */
export function sewing({ book }: Facts, { stitches, length }: { stitches: number; length: number }): Effort {
  const speed = book.value(workRules.stitchesPerMinute)
  return {
    minutes: 10 + stitches / speed,
    sentence: say`${stitches} stitches (${cm(length)} at ${mm(length / Math.max(1, stitches), 1)}) at ${speed} a minute, and 10 minutes to make and wax the threads.`,
  }
}

/** What the machine has no part in. */
export const byHand = (f: Facts): Facts => ({ ...f, work: { ...f.work, ways: { ...f.work.ways, pull: 'by hand' } } })

/** What stiffens, worked over the lining in `more` minutes and held by so many tacks until it is dry; by paste alone without. */
export const shellEffort = (f: Facts, tacks: number, more: number, said: string): Effort =>
  tacks > 0 ? tacked(byHand(f), tacks, more, said) : fixed(more, said)

/** Tacks driven, and `more` minutes for what is said. */
export function tacked({ book, work }: Facts, count: number, more: number, said: string): Effort {
  const each = book.value(workRules.tackMinutes)
  const share = work.ways.pull === 'by machine' ? book.value(workRules.byLastingMachine) : 1
  return {
    minutes: more + share * count * each,
    sentence: `${said} ${count} tacks at ${each} minutes${share < 1 ? `, by machine in ${share} of that` : ''}, and ${more} minutes for the rest.`,
  }
}
