import type { LessonFields, LikePair } from '../model/lesson.ts'
import type { PairDecisions } from '../model/pair.ts'
import { materialsUsed } from '../trade/materialChoices.ts'

/** What kind of pair this is, for lessons that are told about it. */
export const likeThis = (decisions: PairDecisions): LikePair => ({
  style: decisions.upper.style,
  construction: decisions.construction,
  lastId: decisions.lastId,
  materials: materialsUsed(decisions),
})

/** What two pairs share, and how much each of it weighs: what shapes the work most weighs most. */
const weights = { style: 3, last: 3, construction: 2, material: 1 } as const
export type Shared = keyof typeof weights
/** So much has to be shared for a lesson to be offered. */
const ALIKE = 3
/** Common stuff alone does not make pairs alike. */
const MOST_MATERIALS = 2

export interface Likeness {
  /** 0 is nothing shared; `Infinity` goes for all pairs. */
  score: number
  shared: Shared[]
}

/** How much a pair is like those that a lesson is about. */
export function likeness(about: LikePair, decisions: PairDecisions): Likeness {
  const open =
    about.style === null && about.construction === null && about.lastId === null && about.materials.length === 0
  if (open) return { score: Infinity, shared: [] }
  const here = likeThis(decisions)
  const materials = about.materials.filter((id) => here.materials.includes(id)).length
  const shared: Shared[] = []
  let score = 0
  const add = (what: Shared, times = 1) => {
    shared.push(what)
    score += times * weights[what]
  }
  if (about.style === here.style) add('style')
  if (about.lastId !== null && (about.lastId === here.lastId || about.lastId === decisions.left?.lastId)) add('last')
  if (about.construction === here.construction) add('construction')
  if (materials > 0) add('material', Math.min(MOST_MATERIALS, materials))
  return { score, shared }
}

type Told = Pick<LessonFields, 'about' | 'step' | 'pairId'>

/**
 * Lessons to be offered with a pair, the most alike first: those about pairs like it, and about steps that it has. A lesson
 * of the pair itself is always among them. `steps` are keys; null while they are not known yet.
 */
export function lessonsFor<L extends Told>(
  lessons: readonly L[],
  pair: { id: string | null; decisions: PairDecisions; steps: ReadonlySet<string> | null },
): { lesson: L; likeness: Likeness; own: boolean }[] {
  return lessons
    .map((lesson) => ({
      lesson,
      likeness: likeness(lesson.about, pair.decisions),
      own: lesson.pairId !== null && lesson.pairId === pair.id,
    }))
    .filter(
      ({ lesson, likeness: l, own }) =>
        own || (l.score >= ALIKE && (lesson.step === '' || pair.steps === null || pair.steps.has(lesson.step))),
    )
    .sort((a, b) => Number(b.own) - Number(a.own) || b.likeness.score - a.likeness.score)
}
