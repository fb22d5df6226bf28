import { cupRules } from '../fit/cupFit.ts'
import { foamRules } from '../fit/foamTest.ts'
import { tracedRules, tracedShoe, type TracedShoe } from '../fit/tracedShoe.ts'
import type { Path } from '../geometry/path.ts'
import { lastedOutline, type LastedOutline } from '../layers/lastedOutline.ts'
import { thicknessOf } from '../layers/turnedStack.ts'
import { constructionOf } from '../model/construction.ts'
import { bottomRules } from '../parts/bottom/bottomRules.ts'
import { coverParts } from '../parts/bottom/insoleCover.ts'
import { insole, insoleRules } from '../parts/insole.ts'
import { midsoleRules } from '../parts/midsole.ts'
import { paddingLoss } from '../parts/paddingLoss.ts'
import type { Part } from '../parts/part.ts'
import { paddedTo, padding, sockLiner, sockRules } from '../parts/sockLiner.ts'
import { edgeRules } from '../upper/edgeRules.ts'
import { stampOf } from './materials.ts'
import { solesOf, type BottomNeeds, type SoleSection } from './soles.ts'
import type { StageCache } from './stageCache.ts'

/** The bottom of the shoe in side section, and its edge from below: plain data. */
export interface Bottom extends SoleSection {
  /** The lasted outline as the layers predict it, and as it was traced. */
  predicted: Path
  traced: Omit<TracedShoe, 'finding'> | null
}

/** Everything under the foot, from the sock liner to the top piece, and the bottom in side section. */
export function bottomParts(
  needs: BottomNeeds,
  cache: StageCache,
): { parts: Part[]; lasted: LastedOutline; bottom: Bottom } {
  const { surface, bottom, wall, decisions: d, material, book } = needs
  const L = surface.length
  const way = constructionOf[d.construction]
  const predicted = cache.stage('lasted', [bottom, wall.turned], () =>
    lastedOutline(bottom, (side, x) => thicknessOf(wall.turned.atFeather(side, x))),
  )
  const { tracing, use } = d.lasted
  const traced = tracing
    ? cache.stage('traced', [predicted, JSON.stringify(tracing), book.stamp(tracedRules)], () =>
        tracedShoe(predicted.outline, tracing, book),
      )
    : null
  const lasted = cache.stage('lastedUsed', [predicted, use, traced], () =>
    traced && use === 'traced' ? { ...predicted, outline: traced.outline } : predicted,
  )
  const insoleParts = cache.stage(
    'insole',
    [
      bottom,
      d.construction,
      d.insole.covered,
      stampOf(material.insole),
      stampOf(material.lining),
      book.stamp(insoleRules),
      book.stamp(bottomRules),
    ],
    () => {
      const part = insole({ bottom, length: L, construction: d.construction, material: material.insole, book })
      return [part, ...(d.insole.covered ? coverParts(part, bottom, L, material.lining, book) : [])]
    },
  )
  const under = cache.stage(
    'under',
    [
      bottom,
      lasted,
      wall.turned,
      wall.margin,
      surface,
      d.construction,
      JSON.stringify([d.midsole, d.heel, way.sole === 'cup' ? needs.cupSole : null]),
      stampOf(material.insole),
      stampOf(material.midsole),
      stampOf(material.outsole),
      stampOf(material.heel),
      stampOf(material.topPiece),
      book.stamp({ ...midsoleRules, ...bottomRules, ...insoleRules, ...cupRules }),
      book.value(edgeRules.turnedOut),
    ],
    () => solesOf(needs, lasted, way, cache),
  )
  return {
    lasted,
    bottom: {
      ...under.bottom,
      predicted: predicted.outline,
      traced: traced && {
        outline: traced.outline,
        fullest: traced.fullest,
        leanest: traced.leanest,
        usual: traced.usual,
      },
      findings: [...under.bottom.findings, ...(traced ? [traced.finding] : [])],
    },
    parts: [...sockParts(needs, cache), ...insoleParts, ...under.parts],
  }
}

function sockParts({ surface, marks, bottom, decisions: d, material, book }: BottomNeeds, cache: StageCache): Part[] {
  const L = surface.length
  const liningT = material.lining.thickness
  const needs = { bottom, length: L, lining: liningT, book }
  const sock = cache.stage(
    'sock',
    [bottom, liningT, d.sock.extent, stampOf(material.sock), book.stamp(sockRules)],
    () => sockLiner({ ...needs, extent: d.sock.extent, material: material.sock }),
  )
  const extent = d.sock.padding
  const stuff = material.padding
  if (extent === 'none' || !stuff) return [sock]
  const pad = cache.stage(
    'padding',
    [bottom, liningT, extent, d.sock.extent, stampOf(stuff), book.stamp({ ...sockRules, ...foamRules })],
    () =>
      padding({
        ...needs,
        material: stuff,
        extent,
        sock: d.sock.extent,
        loss: paddingLoss(
          surface,
          marks,
          stuff.thickness,
          extent === 'full' ? 'full' : 'part',
          extent === 'full' ? L : paddedTo(extent, L, book),
          paddedTo('half', L, book),
          book.value(sockRules.frontSkive),
        ),
      }),
  )
  return [sock, pad]
}
