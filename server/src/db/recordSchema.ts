import type { CheckReading, Making, Setback, StepEvent } from '@gentle-awl/core'
import { blob, index, integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { pairs } from './schema.ts'

/**
 * What every line of a pair's record has, in the order in which it was written down. Built anew for each table: an index
 * takes the name of the table that first has its column.
 */
const entry = () => ({
  serial: integer('serial').primaryKey({ autoIncrement: true }),
  id: text('id').notNull().unique(),
  pairId: text('pair_id')
    .notNull()
    .references(() => pairs.id, { onDelete: 'cascade' }),
})

/** What happened at the bench, in the order in which it was written down: a clock may be set back, a serial number not. */
export const stepEvents = sqliteTable(
  'step_events',
  {
    ...entry(),
    step: text('step').notNull(),
    what: text('what').$type<StepEvent['what']>().notNull(),
    at: text('at').notNull(),
    /** Who told it, as the makers of the workshop are known by. */
    maker: text('maker'),
  },
  (t) => [index('step_events_pair').on(t.pairId, t.step, t.serial)],
)

/** What was printed, cut or punched, with the fingerprint of its shape then. Nothing of it is ever changed. */
export const made = sqliteTable(
  'made',
  {
    ...entry(),
    part: text('part').notNull(),
    name: text('name').notNull(),
    how: text('how').$type<Making>().notNull(),
    print: text('print').notNull(),
    revision: integer('revision').notNull(),
    at: text('at').notNull(),
  },
  (t) => [index('made_pair').on(t.pairId, t.serial)],
)

/** What was measured and looked at, in the order in which it was: nothing of it is ever changed. */
export const readings = sqliteTable(
  'readings',
  {
    ...entry(),
    check: text('check_id').notNull(),
    foot: text('foot').$type<CheckReading['foot']>().notNull(),
    value: real('value'),
    fine: integer('fine', { mode: 'boolean' }),
    note: text('note').notNull().default(''),
    revision: integer('revision').notNull(),
    at: text('at').notNull(),
  },
  (t) => [index('readings_pair').on(t.pairId, t.serial)],
)

/** When a pair or a shoe was sent back, to which step, and why. */
export const setbacks = sqliteTable(
  'setbacks',
  {
    ...entry(),
    step: text('step').notNull(),
    name: text('name').notNull(),
    foot: text('foot').$type<Setback['foot']>(),
    reason: text('reason').notNull(),
    check: text('check_id').notNull().default(''),
    steps: text('steps', { mode: 'json' }).$type<Setback['steps']>().notNull(),
    parts: text('parts', { mode: 'json' }).$type<Setback['parts']>().notNull(),
    minutes: real('minutes').notNull(),
    revision: integer('revision').notNull(),
    at: text('at').notNull(),
  },
  (t) => [index('setbacks_pair').on(t.pairId, t.serial)],
)

/** Photographs that are kept with a pair's checks, as they were sent. */
export const photographs = sqliteTable(
  'photographs',
  {
    id: text('id').primaryKey(),
    pairId: text('pair_id')
      .notNull()
      .references(() => pairs.id, { onDelete: 'cascade' }),
    check: text('check_id').notNull().default(''),
    foot: text('foot').$type<'right' | 'left'>(),
    type: text('type').notNull(),
    bytes: blob('bytes', { mode: 'buffer' }).notNull(),
    at: text('at').notNull(),
  },
  (t) => [index('photographs_pair').on(t.pairId, t.at)],
)
