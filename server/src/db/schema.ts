import type {
  BuildUp,
  CupSole,
  FootMeasures,
  GivenUp,
  Hide,
  HowToFields,
  LastShape,
  LastStock,
  LessonFields,
  Material,
  MaterialKind,
  OwnFaultFields,
  PairCard,
  PairDecisions,
  PairLayout,
  RuleFigures,
  Timetable,
  ToolChange,
  WaySetFields,
  WorkshopDays,
} from '@gentle-awl/core'
import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core'

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
  shape: text('shape', { mode: 'json' }).$type<LastShape>().notNull(),
  buildUps: text('build_ups', { mode: 'json' }).$type<BuildUp[]>().notNull(),
  stock: text('stock', { mode: 'json' }).$type<LastStock>().notNull(),
})

export const materials = sqliteTable('materials', {
  ...document,
  name: text('name').notNull(),
  kind: text('kind').$type<MaterialKind>().notNull(),
  thickness: real('thickness').notNull(),
  note: text('note').notNull().default(''),
  colour: text('colour'),
  foamTest: text('foam_test', { mode: 'json' }).$type<Material['foamTest']>(),
  serves: text('serves', { mode: 'json' }).$type<Material['serves']>(),
  samples: text('samples', { mode: 'json' }).$type<number[]>().notNull().default([]),
  natural: integer('natural', { mode: 'boolean' }),
  stretch: text('stretch', { mode: 'json' }).$type<Material['stretch']>(),
  hardness: text('hardness').$type<Material['hardness']>(),
  face: text('face').$type<Material['face']>(),
  coats: integer('coats'),
  source: text('source').notNull().default(''),
  price: text('price', { mode: 'json' }).$type<Material['price']>(),
})

export const pairs = sqliteTable('pairs', {
  ...document,
  order: text('order_number').notNull(),
  name: text('name').notNull(),
  trade: text('trade').notNull().default(''),
  note: text('note').notNull().default(''),
  /** The day by whose end it should be done. */
  due: text('due'),
  weight: real('weight').notNull().default(1),
  /** Why it is not made on; null while it is. */
  givenUp: text('given_up', { mode: 'json' }).$type<GivenUp>(),
  lastId: text('last_id')
    .notNull()
    .references(() => lasts.id),
  /** The left shoe's own, where it has one. */
  leftLastId: text('left_last_id').references(() => lasts.id),
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

/** What the list shows of a pair's plan, and what it was made from: made anew when that is another. */
export const pairCards = sqliteTable('pair_cards', {
  pairId: text('pair_id')
    .primaryKey()
    .references(() => pairs.id, { onDelete: 'cascade' }),
  madeFrom: text('made_from').notNull(),
  card: text('card', { mode: 'json' }).$type<PairCard>().notNull(),
})

/** Which pair has a last, from when until when (days, local; open end while nobody knows). */
export const lastHolds = sqliteTable(
  'last_holds',
  {
    ...document,
    lastId: text('last_id')
      .notNull()
      .references(() => lasts.id, { onDelete: 'cascade' }),
    pairId: text('pair_id').references(() => pairs.id, { onDelete: 'set null' }),
    from: text('from_day').notNull(),
    until: text('until_day'),
    note: text('note').notNull().default(''),
  },
  (t) => [index('last_holds_last').on(t.lastId, t.from)],
)

/** Customers' feet, by order number and trade. */
export const feet = sqliteTable('feet', {
  ...document,
  order: text('order_number').notNull(),
  trade: text('trade').notNull().default(''),
  note: text('note').notNull().default(''),
  right: text('right_foot', { mode: 'json' }).$type<FootMeasures>().notNull(),
  left: text('left_foot', { mode: 'json' }).$type<FootMeasures>().notNull(),
})

/** Bought soles: cups and flat units. */
export const cupSoles = sqliteTable('cup_soles', {
  ...document,
  name: text('name').notNull(),
  note: text('note').notNull().default(''),
  form: text('form').$type<CupSole['form']>().notNull().default('cup'),
  stuff: text('stuff').$type<CupSole['stuff']>().notNull().default('rubber'),
  outline: text('outline', { mode: 'json' }).$type<CupSole['outline']>().notNull(),
  seat: real('seat'),
  tread: real('tread'),
  turned: integer('turned', { mode: 'boolean' }).notNull().default(false),
  flipped: integer('flipped', { mode: 'boolean' }).notNull().default(false),
})

/** Hides, sheets, rolls and offcuts. */
export const hides = sqliteTable('hides', {
  ...document,
  name: text('name').notNull(),
  note: text('note').notNull().default(''),
  place: text('place').notNull().default(''),
  materialId: text('material_id').references(() => materials.id),
  form: text('form').$type<Hide['form']>().notNull(),
  outline: text('outline', { mode: 'json' }).$type<Hide['outline']>().notNull(),
  flaws: text('flaws', { mode: 'json' }).$type<Hide['flaws']>().notNull(),
  zones: text('zones', { mode: 'json' }).$type<Hide['zones']>().notNull(),
  tight: real('tight').notNull().default(0),
  directions: text('directions', { mode: 'json' }).$type<Hide['directions']>().notNull().default([]),
  samples: text('samples', { mode: 'json' }).$type<Hide['samples']>().notNull(),
  used: integer('used', { mode: 'boolean' }).notNull().default(false),
})

/** Ways of working that the workshop keeps under a name. */
export const waySets = sqliteTable('way_sets', {
  ...document,
  name: text('name').notNull(),
  note: text('note').notNull().default(''),
  ways: text('ways', { mode: 'json' }).$type<WaySetFields['ways']>().notNull(),
  recipe: text('recipe').notNull().default(''),
  own: text('own', { mode: 'json' }).$type<WaySetFields['own']>().notNull(),
})

/** Cards of technique that the workshop wrote. */
export const howTos = sqliteTable('how_tos', {
  ...document,
  name: text('name').notNull(),
  text: text('text').notNull(),
  steps: text('steps', { mode: 'json' }).$type<HowToFields['steps']>().notNull(),
})

/** What was learned. */
export const lessons = sqliteTable(
  'lessons',
  {
    ...document,
    kind: text('kind').$type<LessonFields['kind']>().notNull(),
    text: text('text').notNull(),
    pairId: text('pair_id').references(() => pairs.id, { onDelete: 'set null' }),
    revision: integer('revision'),
    step: text('step').notNull().default(''),
    about: text('about', { mode: 'json' }).$type<LessonFields['about']>().notNull(),
  },
  (t) => [index('lessons_pair').on(t.pairId)],
)

/** Faults that the workshop knows itself. */
export const ownFaults = sqliteTable('own_faults', {
  ...document,
  of: text('of_fault').notNull().default(''),
  name: text('name').notNull(),
  sign: text('sign').notNull().default(''),
  causes: text('causes', { mode: 'json' }).$type<OwnFaultFields['causes']>().notNull(),
})

/** When blades and needles were changed. */
export const toolChanges = sqliteTable('tool_changes', {
  id: text('id').primaryKey(),
  tool: text('tool').$type<ToolChange['tool']>().notNull(),
  note: text('note').notNull().default(''),
  at: text('at').notNull(),
})

/** How one stuff of a pair is laid out: one layout for each of them. */
export const layouts = sqliteTable(
  'layouts',
  {
    ...document,
    pairId: text('pair_id')
      .notNull()
      .references(() => pairs.id, { onDelete: 'cascade' }),
    material: text('material').notNull(),
    layout: text('layout', { mode: 'json' }).$type<PairLayout>().notNull(),
  },
  (t) => [uniqueIndex('layouts_pair_material').on(t.pairId, t.material)],
)

/** One row: who works, when, and with what. */
export const workshopDays = sqliteTable('workshop_days', {
  ...document,
  days: text('days', { mode: 'json' }).$type<WorkshopDays>().notNull(),
})

/** Where somebody put a step: at a bench, or not before a time. */
export const stepWishes = sqliteTable(
  'step_wishes',
  {
    pairId: text('pair_id')
      .notNull()
      .references(() => pairs.id, { onDelete: 'cascade' }),
    step: text('step').notNull(),
    maker: text('maker'),
    notBefore: integer('not_before'),
  },
  (t) => [primaryKey({ columns: [t.pairId, t.step] })],
)

/** One row: the timetable that people know, so that another one changes no more than it must. */
export const timetables = sqliteTable('timetables', {
  id: text('id').primaryKey(),
  madeFrom: text('made_from').notNull(),
  timetable: text('timetable', { mode: 'json' }).$type<Timetable>().notNull(),
})

/** One row: what the workshop changed in the house rules. */
export const workshop = sqliteTable('workshop', {
  ...document,
  houseRules: text('house_rules', { mode: 'json' }).$type<RuleFigures>().notNull(),
})
