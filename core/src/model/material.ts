import { z } from 'zod'
import { named, note } from './text.ts'

export const materialKinds = [
  'upper leather',
  'lining leather',
  'insole leather',
  'insole board',
  'stiffener leather',
  'puff leather',
  'sole leather',
  'rubber',
  'cork',
  'foam',
] as const
export const MaterialKind = z.enum(materialKinds)
export type MaterialKind = z.infer<typeof MaterialKind>

/** Shown where nobody said which colour a material has. */
export const kindColours: Record<MaterialKind, string> = {
  'upper leather': '#a9743f',
  'lining leather': '#cfae86',
  'insole leather': '#d6b184',
  'insole board': '#b9b1a3',
  'stiffener leather': '#c69a67',
  'puff leather': '#c69a67',
  'sole leather': '#b98b57',
  rubber: '#4a4541',
  cork: '#c08a55',
  foam: '#e6e0cf',
}

const thick = z.number().min(0.1).max(60)
/** A piece of foam pressed and let go: its thickness before, pressed, and after one and ten minutes, mm. */
export const FoamTest = z
  .object({ before: thick, pressed: thick, afterOne: thick, afterTen: thick })
  .refine((t) => t.pressed < t.before, { path: ['pressed'], message: 'Pressed, it must be thinner than before.' })

export const Material = z.object({
  id: z.uuid(),
  name: named(80, 'Give the material a name.'),
  kind: MaterialKind,
  /** mm, as measured with the gauge before skiving. */
  thickness: z.number().min(0.3, 'Nothing thinner than 0.3 mm.').max(12, 'Nothing thicker than 12 mm.'),
  note: note(500).default(''),
  /** As it is seen, red, green and blue; null is the usual one of its kind. */
  colour: z
    .string()
    .regex(/^#[0-9a-f]{6}$/, 'Write a colour as # and six figures or letters a to f.')
    .nullable()
    .default(null),
  foamTest: FoamTest.nullable().default(null),
})
export type Material = z.infer<typeof Material>

/** What a pair needs a material for, and which kinds may serve. */
export const materialRoles = {
  upper: ['upper leather'],
  lining: ['lining leather'],
  insole: ['insole leather', 'insole board'],
  stiffener: ['stiffener leather', 'sole leather'],
  puff: ['puff leather', 'stiffener leather'],
  sock: ['lining leather'],
  padding: ['cork', 'foam'],
  // Bend, or any firm leather that the maker says serves.
  midsole: ['sole leather', 'insole leather', 'stiffener leather'],
  foam: ['foam'],
  outsole: ['sole leather', 'rubber'],
  heel: ['sole leather'],
  topPiece: ['rubber', 'sole leather'],
} as const satisfies Record<string, readonly MaterialKind[]>
export type MaterialRole = keyof typeof materialRoles

export const roleNames: Record<MaterialRole, string> = {
  upper: 'Upper',
  lining: 'Lining',
  insole: 'Insole',
  stiffener: 'Stiffener',
  puff: 'Toe puff',
  sock: 'Sock liner',
  padding: 'Padding',
  midsole: 'Midsole',
  foam: 'Foam of tongue and collar',
  outsole: 'Outsole',
  heel: 'Heel lifts',
  topPiece: 'Top piece',
}

/** Roles that may be left open: padding because a pair may have none, the others because the house rules say how thick they are. */
export const openRoles = ['padding', 'foam', 'outsole', 'heel', 'topPiece'] as const satisfies readonly MaterialRole[]
export const mayStayOpen = (role: MaterialRole): boolean => (openRoles as readonly MaterialRole[]).includes(role)

/** The colour that a material is drawn in. */
export const colourOf = ({ colour, kind }: Pick<Material, 'colour' | 'kind'>): string => colour ?? kindColours[kind]

export function mayServe(role: MaterialRole, kind: MaterialKind): boolean {
  return (materialRoles[role] as readonly MaterialKind[]).includes(kind)
}
