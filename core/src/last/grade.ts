import { bisect } from '../geometry/interpolate.ts'
import { GeometryError } from '../geometry/path.ts'
import { generateLast } from './generate.ts'
import { girthPlanes, landmarks } from './landmarks.ts'
import { girth } from './section.ts'
import { atX, bottomPoint, type LastSurface } from './surface.ts'
import { LastMeasures } from '../model/last.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import { MM_PER_INCH } from '../units/length.ts'
import { mm, say, type Sentence } from '../units/sentence.ts'

/** Ways of grading that workshops know by name. */
export const gradeNames = ['paris', 'uk', 'us', 'mondopoint'] as const
export type GradeName = (typeof gradeNames)[number]
export const gradeLabels: Record<GradeName, string> = {
  paris: 'Paris point',
  uk: 'UK size',
  us: 'US size',
  mondopoint: 'Mondopoint 5 mm',
}

const step = (
  name: GradeName,
  kind: 'length' | 'girth',
  value: number,
  min: number,
  max: number,
  why: Sentence,
): Rule => ({
  key: `grade.${name}.${kind}`,
  name: `${gradeLabels[name]}: ${kind} per size`,
  value,
  min,
  max,
  unit: 'mm',
  why,
})
const third = Math.round((MM_PER_INCH / 3) * 1000) / 1000
export const gradeRules = {
  parisLength: step('paris', 'length', 6.667, 6, 7, 'Three sizes make two centimetres.'),
  parisGirth: step('paris', 'girth', 5, 3, 6.5, 'Four to five millimetres; six and more for work boots.'),
  ukLength: step('uk', 'length', third, 8, 9, 'Three sizes make an inch.'),
  ukGirth: step('uk', 'girth', 6.35, 4, 8, 'A quarter of an inch per full size.'),
  usLength: step('us', 'length', third, 8, 9, 'Three sizes make an inch.'),
  usGirth: step('us', 'girth', 6.35, 4, 8, 'A quarter of an inch per full size.'),
  mondopointLength: step(
    'mondopoint',
    'length',
    5,
    4,
    7.5,
    'Sizes are the foot’s length in steps of five millimetres.',
  ),
  mondopointGirth: step(
    'mondopoint',
    'girth',
    3.75,
    2,
    5,
    'Three quarters of the length step keeps the proportion of the other systems.',
  ),
  widthShare: {
    key: 'grade.widthShare',
    name: 'Bottom width per millimetre of girth',
    value: 0.33,
    min: 0.2,
    max: 0.5,
    unit: 'share',
    why: 'A foot a size larger is wider by about a third of what it gains round the joint.',
  },
} satisfies Record<string, Rule>

/** A grade in force: what one size adds. */
export interface Grade {
  length: number
  girth: number
  widthShare: number
  /** Heel height and toe spring stay, as pairs on the same heel need, or grow with the length. */
  heel: 'kept' | 'with the length'
}

export function gradeOf(name: GradeName, heel: Grade['heel'], book: RuleBook): Grade {
  return {
    length: book.value(gradeRules[`${name}Length`]),
    girth: book.value(gradeRules[`${name}Girth`]),
    widthShare: book.value(gradeRules.widthShare),
    heel,
  }
}

/** Measures of a last so many sizes up (down when negative; halves count). */
export function gradeMeasures(m: LastMeasures, sizes: number, g: Grade): LastMeasures {
  const more = sizes * g.girth
  const L = m.length + sizes * g.length
  const k = L / m.length
  const wider = (width: number) => width * (1 + (more * g.widthShare) / m.jointWidth)
  const rise = g.heel === 'kept' ? 1 : k
  return {
    ...m,
    length: L,
    jointGirth: m.jointGirth + more,
    waistGirth: m.waistGirth + more,
    instepGirth: m.instepGirth + more,
    heelGirth: m.heelGirth === null ? null : m.heelGirth * (1 + more / m.jointGirth),
    seatWidth: wider(m.seatWidth),
    waistWidth: wider(m.waistWidth),
    jointWidth: wider(m.jointWidth),
    heelHeight: m.heelHeight * rise,
    toeSpring: m.toeSpring * rise,
    toeBoxHeight: m.toeBoxHeight * k,
    coneHeight: m.coneHeight * k,
    coneWidth: m.coneWidth * k,
  }
}

/**
 * A surface graded as a whole: lengths stretch along x; sections grow about the bottom's centre line until the joint
 * girth has its step, so that heel height and toe spring stay. Throws GeometryError when no growth gives the step.
 */
export function gradeSurface(surface: LastSurface, sizes: number, g: Grade): LastSurface {
  if (sizes === 0) return surface
  const kx = (surface.length + sizes * g.length) / surface.length
  if (kx < 0.6 || kx > 1.6) {
    throw new GeometryError(`${Math.abs(sizes)} sizes from this last is too far: take a last that is nearer.`)
  }
  const middle = (surface.across - 1) / 2
  const centre = Array.from({ length: surface.columns }, (_, i) => bottomPoint(surface, i, middle))
  const rise = g.heel === 'kept' ? 1 : kx
  const at = (k: number): LastSurface => {
    const move = (part: Float64Array): Float64Array => {
      const out = new Float64Array(part.length)
      for (let i = 0; i < part.length; i += 3) {
        const floor = atX(centre, part[i]!)[2]
        out[i] = part[i]! * kx
        out[i + 1] = part[i + 1]! * k
        out[i + 2] = floor * rise + (part[i + 2]! - floor) * k
      }
      return out
    }
    return {
      ...surface,
      length: surface.length * kx,
      joints: { lateral: surface.joints.lateral * kx, medial: surface.joints.medial * kx },
      walls: { lateral: move(surface.walls.lateral), medial: move(surface.walls.medial) },
      bottom: move(surface.bottom),
    }
  }
  const read = (s: LastSurface) => girth(s, girthPlanes(landmarks(s)).joint)
  const wanted = read(surface) + sizes * g.girth
  const k = bisect((t) => read(at(t)) - wanted, 0.6, 1.6, 1e-5, `a joint girth of ${wanted.toFixed(1)} mm`)
  return at(k)
}

/** One size of a run, or the sentence that says why it cannot be. */
export type GradedSize =
  { sizes: number; surface: LastSurface; measures: LastMeasures | null } | { sizes: number; problem: Sentence }

/** A run of sizes from a last: measures are graded where there are any, a kept surface as a whole. */
export function sizeRun(
  base: { measures: LastMeasures | null; surface: LastSurface },
  steps: readonly number[],
  g: Grade,
): GradedSize[] {
  return steps.map((sizes): GradedSize => {
    try {
      if (base.measures === null) return { sizes, surface: gradeSurface(base.surface, sizes, g), measures: null }
      if (sizes === 0) return { sizes, surface: base.surface, measures: base.measures }
      const measures = gradeMeasures(base.measures, sizes, g)
      const read = LastMeasures.safeParse(measures)
      if (!read.success) {
        const key = read.error.issues[0]!.path[0] as keyof LastMeasures
        const named = String(key).replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`)
        return {
          sizes,
          problem: say`The ${named} would be ${mm(Number(measures[key]), 1)}, which no last here can have.`,
        }
      }
      return { sizes, surface: generateLast(measures), measures }
    } catch (error) {
      if (!(error instanceof GeometryError)) throw error
      return { sizes, problem: error.message }
    }
  })
}
