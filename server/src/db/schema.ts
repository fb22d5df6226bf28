import type { LastMeasures, MaterialKind, PairDecisions, RuleFigures } from '@gentle-awl/core'
import { index, integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'

/** Every stored document carries a version that rises with each write: its ETag. Times are UTC, ISO 8601. */
const document = {
  id: text('id').primaryKey(),
  version: integer('version').notNull().default(1),
  updatedAt: text('updated_at').notNull(),
}

export const lasts = sqliteTable('lasts', {
  ...document,
  name: text('name').notNull(),
  note: text('note').notNull().default(''),
  measures: text('measures', { mode: 'json' }).$type<LastMeasures>().notNull(),
})

export const materials = sqliteTable('materials', {
  ...document,
  name: text('name').notNull(),
  kind: text('kind').$type<MaterialKind>().notNull(),
  thickness: real('thickness').notNull(),
  note: text('note').notNull().default(''),
})

export const pairs = sqliteTable('pairs', {
  ...document,
  order: text('order_number').notNull(),
  name: text('name').notNull(),
  trade: text('trade').notNull().default(''),
  note: text('note').notNull().default(''),
  lastId: text('last_id')
    .notNull()
    .references(() => lasts.id),
  /** The revision shown; undo and redo move it, nothing is ever removed. */
  head: integer('head').notNull(),
  createdAt: text('created_at').notNull(),
})

export const pairRevisions = sqliteTable(
  'pair_revisions',
  {
    pairId: text('pair_id')
      .notNull()
      .references(() => pairs.id, { onDelete: 'cascade' }),
    revision: integer('revision').notNull(),
    /** The revision this one was made from; null for the first. */
    parent: integer('parent'),
    decisions: text('decisions', { mode: 'json' }).$type<PairDecisions>().notNull(),
    at: text('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.pairId, t.revision] })],
)

export const stepEvents = sqliteTable(
  'step_events',
  {
    id: text('id').primaryKey(),
    pairId: text('pair_id')
      .notNull()
      .references(() => pairs.id, { onDelete: 'cascade' }),
    step: text('step').notNull(),
    what: text('what').$type<'started' | 'finished' | 'undone'>().notNull(),
    at: text('at').notNull(),
  },
  (t) => [index('step_events_pair').on(t.pairId, t.at)],
)

/** One row: what the workshop changed in the house rules. */
export const workshop = sqliteTable('workshop', {
  ...document,
  houseRules: text('house_rules', { mode: 'json' }).$type<RuleFigures>().notNull(),
})
