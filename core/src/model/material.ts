import { z } from 'zod'
import { line, named, note } from './text.ts'

export const materialKinds = [
  'upper leather',
  'lining leather',
  'lining cloth',
  'insole leather',
  'insole board',
  'non-woven board',
  'stiffener leather',
  'puff leather',
  'stiffener sheet',
  'woven tape',
  'woven backer',
  'sole leather',
  'rubber',
  'crepe',
  'steel shank',
  'wooden shank',
  'cork',
  'foam',
] as const
export const MaterialKind = z.enum(materialKinds)
export type MaterialKind = z.infer<typeof MaterialKind>

/** Shown where nobody said which colour a material has. */
export const kindColours: Record<MaterialKind, string> = {
  'upper leather': '#a9743f',
  'lining leather': '#cfae86',
  'lining cloth': '#ddd6c6',
  'insole leather': '#d6b184',
  'insole board': '#b9b1a3',
  'non-woven board': '#c7c4bb',
  'stiffener leather': '#c69a67',
  'puff leather': '#c69a67',
  'stiffener sheet': '#d9d5ca',
  'woven tape': '#e2ddd0',
  'woven backer': '#d3ccbc',
  'sole leather': '#b98b57',
  rubber: '#4a4541',
  crepe: '#d8b574',
  'steel shank': '#8d949a',
  'wooden shank': '#c8a673',
  cork: '#c08a55',
  foam: '#e6e0cf',
}

const thick = z.number().min(0.1).max(60)
/** A piece of foam pressed and let go: its thickness before, pressed, and after one and ten minutes, mm. */
export const FoamTest = z
  .object({ before: thick, pressed: thick, afterOne: thick, afterTen: thick })
  .refine((t) => t.pressed < t.before, { path: ['pressed'], message: 'Pressed, it must be thinner than before.' })

/** What a pair needs a material for, and which kinds usually serve there. */
export const materialRoles = {
  upper: ['upper leather'],
  lining: ['lining leather', 'lining cloth'],
  insole: ['insole leather', 'insole board', 'non-woven board'],
  stiffener: ['stiffener leather', 'sole leather', 'stiffener sheet'],
  puff: ['puff leather', 'stiffener leather', 'stiffener sheet'],
  sock: ['lining leather', 'lining cloth'],
  padding: ['cork', 'foam'],
  // Bend, or any firm leather that the maker says serves.
  midsole: ['sole leather', 'insole leather', 'stiffener leather'],
  backer: ['woven backer', 'lining cloth'],
  stay: ['woven tape', 'lining leather', 'lining cloth', 'upper leather'],
  foam: ['foam'],
  welt: ['sole leather', 'insole leather'],
  shank: ['steel shank', 'wooden shank'],
  outsole: ['sole leather', 'rubber', 'crepe'],
  heel: ['sole leather'],
  topPiece: ['rubber', 'sole leather'],
} as const satisfies Record<string, readonly MaterialKind[]>
export type MaterialRole = keyof typeof materialRoles
const roles = Object.keys(materialRoles) as [MaterialRole, ...MaterialRole[]]

const percent = z.number().min(0, 'Nothing gives less than nothing.').max(60, 'Nothing gives more than 60 %.')
const gauged = z.number().min(0.3, 'Nothing thinner than 0.3 mm.').max(12, 'Nothing thicker than 12 mm.')

/** How soft it is in the hand. */
export const hardnesses = ['soft', 'medium', 'firm'] as const
/** Which side is seen. */
export const faces = ['grain', 'suede', 'both sides alike'] as const
/** What a price is for. */
export const priceUnits = ['dm²', 'metre', 'piece'] as const

export const Material = z.object({
  id: z.uuid(),
  name: named(80, 'Give the material a name.'),
  kind: MaterialKind,
  /** mm, as measured with the gauge before skiving; with several readings their mean. */
  thickness: gauged,
  /** Readings over the hide or sheet, mm. */
  samples: z.array(gauged).max(40, 'At most 40 readings.').default([]),
  note: note(500).default(''),
  /** As it is seen, red, green and blue; null is the usual one of its kind. */
  colour: z
    .string()
    .regex(/^#[0-9a-f]{6}$/, 'Write a colour as # and six figures or letters a to f.')
    .nullable()
    .default(null),
  foamTest: FoamTest.nullable().default(null),
  /** Percent that it gives before it is strained, in its tight direction and in its loose one. */
  stretch: z
    .object({ tight: percent, loose: percent })
    .refine((s) => s.tight <= s.loose, {
      path: ['loose'],
      message: 'The loose direction gives at least as much as the tight one.',
    })
    .nullable()
    .default(null),
  hardness: z.enum(hardnesses).nullable().default(null),
  face: z.enum(faces).nullable().default(null),
  /** Coats of dye that it takes. */
  coats: z.number().int().min(1, 'One coat at least.').max(8, 'At most 8 coats.').nullable().default(null),
  source: line(120).default(''),
  price: z
    .object({ amount: z.number().min(0, 'No price is below nothing.').max(100_000), per: z.enum(priceUnits) })
    .nullable()
    .default(null),
  /** Whether it counts as natural for whoever wants nothing else; null is as its kind usually does. */
  natural: z.boolean().nullable().default(null),
  /** What the maker says it serves as; null is whatever its kind usually does. */
  serves: z.array(z.enum(roles)).max(roles.length).nullable().default(null),
})
export type Material = z.infer<typeof Material>

export const roleNames: Record<MaterialRole, string> = {
  upper: 'Upper',
  lining: 'Lining',
  insole: 'Insole',
  stiffener: 'Stiffener',
  puff: 'Toe puff',
  sock: 'Sock liner',
  padding: 'Padding',
  midsole: 'Midsole',
  backer: 'Backer of the upper',
  stay: 'Stays and tapes',
  foam: 'Foam of tongue and collar',
  welt: 'Welt and rand',
  shank: 'Shank',
  outsole: 'Outsole',
  heel: 'Heel wedge and lifts',
  topPiece: 'Top piece',
}

/** Roles that may be left open: padding and backer because a pair may have none, the others because the house rules say how thick they are. */
export const openRoles = [
  'padding',
  'backer',
  'stay',
  'foam',
  'welt',
  'shank',
  'outsole',
  'heel',
  'topPiece',
] as const satisfies readonly MaterialRole[]
export const mayStayOpen = (role: MaterialRole): boolean => (openRoles as readonly MaterialRole[]).includes(role)

/** Of these a pair may have none at all. */
export const mayBeNone = (role: MaterialRole): boolean => role === 'padding' || role === 'backer'

/** The colour that a material is drawn in. */
export const colourOf = ({ colour, kind }: Pick<Material, 'colour' | 'kind'>): string => colour ?? kindColours[kind]

/** Grown, and not made: leather, plant fibre, cork, wood, the rubber tree's own crepe. */
const naturalKinds: readonly MaterialKind[] = [
  'upper leather',
  'lining leather',
  'lining cloth',
  'insole leather',
  'stiffener leather',
  'puff leather',
  'woven tape',
  'woven backer',
  'sole leather',
  'crepe',
  'wooden shank',
  'cork',
]
/** Whether a material is natural: as its maker says, else as its kind usually is. */
export const isNatural = ({ kind, natural }: Pick<Material, 'kind' | 'natural'>): boolean =>
  natural ?? naturalKinds.includes(kind)

/** What a kind usually serves as. */
export const rolesOfKind = (kind: MaterialKind): MaterialRole[] =>
  roles.filter((role) => (materialRoles[role] as readonly MaterialKind[]).includes(kind))

/** Whether a material serves in a role: as its maker says, else as its kind usually does. */
export const mayServe = (role: MaterialRole, { kind, serves }: Pick<Material, 'kind' | 'serves'>): boolean =>
  (serves ?? rolesOfKind(kind)).includes(role)

/** Boards are tacked on flat, leather is blocked wet. */
export const isBoard = ({ kind }: Pick<Material, 'kind'>): boolean =>
  kind === 'insole board' || kind === 'non-woven board'

export const isLeather = ({ kind }: Pick<Material, 'kind'>): boolean => kind.endsWith(' leather')

/** What is woven is no thicker at its edge than it is, and cannot be skived. */
export const isWoven = ({ kind }: Pick<Material, 'kind'>): boolean =>
  kind === 'woven tape' || kind === 'woven backer' || kind === 'lining cloth'

/** Leather is worked wet; a sheet of fabric or plastic is set by its glue or by heat. */
export const isSheet = ({ kind }: Pick<Material, 'kind'>): boolean => kind === 'stiffener sheet'
