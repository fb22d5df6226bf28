import { LessonFields } from '@gentle-awl/core'
import { eq } from 'drizzle-orm'
import { lessons, pairs } from '../schema.ts'
import { entity } from './entity.ts'

export const lessonEntity = entity({
  what: 'lesson',
  table: lessons,
  fields: LessonFields,
  order: lessons.updatedAt,
  lacks: async (tx, { pairId }) => {
    if (pairId === null) return null
    const [pair] = await tx.select({ id: pairs.id }).from(pairs).where(eq(pairs.id, pairId))
    return pair ? null : 'The pair that this was learned on is not here any more. Keep the lesson without it.'
  },
})
