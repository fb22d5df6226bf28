import { tracedShoe, type TracedShoe } from '../fit/tracedShoe.ts'
import type { Path } from '../geometry/path.ts'
import { lastedOutline, type LastedOutline } from '../layers/lastedOutline.ts'
import { thicknessOf } from '../layers/turnedStack.ts'
import { constructionOf } from '../model/construction.ts'
import { coverParts } from '../parts/bottom/insoleCover.ts'
import type { PairDecisions } from '../model/pair.ts'
import { insole } from '../parts/insole.ts'
import { paddingLoss } from '../parts/paddingLoss.ts'
import type { Part } from '../parts/part.ts'
import { paddedTo, padding, sockLiner, sockRules } from '../parts/sockLiner.ts'
import { solesOf, type SoleNeeds, type SoleSection } from './soles.ts'
import type { PairMaterials } from './materials.ts'
import type { StageCache } from './stageCache.ts'

/** The bottom of the shoe in side section, and its edge from below: plain data. */
export interface Bottom extends SoleSection {
  /** The lasted outline as the layers predict it, and as it was traced. */
  predicted: Path
  traced: Omit<TracedShoe, 'finding'> | null
}

export interface BottomNeeds extends SoleNeeds {
  decisions: PairDecisions
  material: PairMaterials
}

/** Everything under the foot, from the sock liner to the top piece, and the bottom in side section. */
export function bottomParts(
  needs: BottomNeeds,
  cache: StageCache,
): { parts: Part[]; lasted: LastedOutline; bottom: Bottom } {
  const { surface, marks, bottom, wall, decisions: d, material, book } = needs
  const { turned, under: liesUnder } = wall
  const predicted = cache.stage('lasted', { bottom, turned }, (i) =>
    lastedOutline(i.bottom, (side, x) => thicknessOf(i.turned.atFeather(side, x))),
  )
  const { tracing, use } = d.lasted
  const traced = tracing
    ? cache.ruled('traced', { predicted, tracing }, book, (i, rules) =>
        tracedShoe(i.predicted.outline, i.tracing, rules),
      )
    : null
  const lasted = cache.stage('lastedUsed', { predicted, use, traced }, (i) =>
    i.traced && i.use === 'traced' ? { ...i.predicted, outline: i.traced.outline } : i.predicted,
  )
  const insoleParts = cache.ruled(
    'insole',
    {
      bottom,
      length: surface.length,
      construction: d.construction,
      covered: d.insole.covered,
      material: material.insole,
      lining: material.lining,
    },
    book,
    ({ covered, lining, ...i }, rules) => {
      const part = insole({ ...i, book: rules })
      return [part, ...(covered ? coverParts(part, i.bottom, i.length, lining, rules) : [])]
    },
  )
  const under = cache.ruled(
    'under',
    {
      surface,
      marks,
      bottom,
      turned,
      liesUnder,
      lasted,
      construction: d.construction,
      midsole: d.midsole,
      heel: d.heel,
      cupSole: constructionOf[d.construction].sole === 'cup' ? needs.cupSole : null,
      insoleOf: material.insole,
      midsoleOf: material.midsole,
      outsoleOf: material.outsole,
      heelOf: material.heel,
      topPieceOf: material.topPiece,
    },
    book,
    ({ turned: stack, liesUnder: most, construction, ...i }, rules) =>
      solesOf(
        {
          surface: i.surface,
          marks: i.marks,
          bottom: i.bottom,
          wall: { turned: stack, under: most },
          cupSole: i.cupSole,
          decisions: { construction, midsole: i.midsole, heel: i.heel },
          material: {
            insole: i.insoleOf,
            midsole: i.midsoleOf,
            outsole: i.outsoleOf,
            heel: i.heelOf,
            topPiece: i.topPieceOf,
          },
          book: rules,
        },
        i.lasted,
        constructionOf[construction],
        cache,
      ),
  )
  const section = cache.stage('bottom section', { under: under.bottom, predicted, traced }, (i) => ({
    ...i.under,
    predicted: i.predicted.outline,
    traced: i.traced && {
      outline: i.traced.outline,
      fullest: i.traced.fullest,
      leanest: i.traced.leanest,
      usual: i.traced.usual,
    },
    findings: [...i.under.findings, ...(i.traced ? [i.traced.finding] : [])],
  }))
  return { lasted, bottom: section, parts: [...sockParts(needs, cache), ...insoleParts, ...under.parts] }
}

function sockParts({ surface, marks, bottom, decisions: d, material, book }: BottomNeeds, cache: StageCache): Part[] {
  const needs = { bottom, length: surface.length, lining: material.lining.thickness }
  const sock = cache.ruled('sock', { ...needs, extent: d.sock.extent, material: material.sock }, book, (i, rules) =>
    sockLiner({ ...i, book: rules }),
  )
  const extent = d.sock.padding
  const stuff = material.padding
  if (extent === 'none' || !stuff) return [sock]
  const pad = cache.ruled(
    'padding',
    { ...needs, surface, marks, extent, sock: d.sock.extent, material: stuff },
    book,
    ({ surface: last, marks: m, ...i }, rules) =>
      padding({
        ...i,
        loss: paddingLoss(
          last,
          m,
          i.material.thickness,
          i.extent === 'full' ? 'full' : 'part',
          i.extent === 'full' ? i.length : paddedTo(i.extent, i.length, rules),
          paddedTo('half', i.length, rules),
          rules.value(sockRules.frontSkive),
        ),
        book: rules,
      }),
  )
  return [sock, pad]
}
