import { goneBy, tracedShoe, type TracedShoe } from '../layers/tracedShoe.ts'
import type { Path } from '../geometry/path.ts'
import { lastedOutline, type LastedOutline } from '../layers/lastedOutline.ts'
import { thicknessOf } from '../layers/turnedStack.ts'
import { traitsOf } from '../model/construction.ts'
import { bottomRules } from '../parts/sole/bottomRules.ts'
import { coverParts } from '../parts/insole/insoleCover.ts'
import type { PairDecisions } from '../model/pair.ts'
import { insole } from '../parts/insole/insole.ts'
import { underfootLoss, type GirthLoss, type UnderLayer } from '../parts/sock/paddingLoss.ts'
import type { Part } from '../trade/part.ts'
import { paddedTo, padding, sockFront, sockLiner, sockRules } from '../parts/sock/sockLiner.ts'
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
  const { turned, liesUnder } = wall
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
  const loss = lossUnderfoot(needs, cache)
  const insoleParts = cache.ruled(
    'insole',
    {
      // Where neither padding nor sock lies over it, the cover shows what is left of the girths.
      loss: d.insole.covered && d.sock.padding === 'none' ? loss : null,
      bottom,
      length: surface.length,
      construction: d.construction,
      covered: d.insole.covered,
      material: material.insole,
      lining: material.cover,
    },
    book,
    ({ covered, lining, loss: lost, ...i }, rules) => {
      const part = insole({ ...i, book: rules })
      return [part, ...(covered ? coverParts(part, i.bottom, i.length, lining, lost, rules) : [])]
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
      outsole: d.outsole,
      cupSole: traitsOf(d.construction).bought ? needs.cupSole : null,
      insoleOf: material.insole,
      midsoleOf: material.midsole,
      weltOf: material.welt,
      shankOf: material.shank,
      outsoleOf: material.outsole,
      wedgeOf: material.wedge,
      liftOf: material.lift,
      topPieceOf: material.topPiece,
    },
    book,
    ({ turned: stack, liesUnder: most, construction, ...i }, rules) =>
      solesOf(
        {
          surface: i.surface,
          marks: i.marks,
          bottom: i.bottom,
          wall: { turned: stack, liesUnder: most },
          cupSole: i.cupSole,
          decisions: { construction, midsole: i.midsole, heel: i.heel, outsole: i.outsole },
          material: {
            insole: i.insoleOf,
            midsole: i.midsoleOf,
            welt: i.weltOf,
            shank: i.shankOf,
            outsole: i.outsoleOf,
            wedge: i.wedgeOf,
            lift: i.liftOf,
            topPiece: i.topPieceOf,
          },
          book: rules,
        },
        i.lasted,
        traitsOf(construction),
        cache,
      ),
  )
  const section = cache.stage('bottom section', { under: under.bottom, predicted, traced, use }, (i) => ({
    ...i.under,
    predicted: i.predicted.outline,
    traced: i.traced && {
      outline: i.traced.outline,
      fullest: i.traced.fullest,
      leanest: i.traced.leanest,
      usual: i.traced.usual,
    },
    findings: [
      ...i.under.findings,
      ...(i.traced ? [i.use === 'traced' ? goneBy(i.traced.finding) : i.traced.finding] : []),
    ],
  }))
  return { lasted, bottom: section, parts: [...sockParts(needs, loss, cache), ...insoleParts, ...under.parts] }
}

/** What all that lies on the insole takes from the girths. */
function lossUnderfoot({ surface, marks, decisions: d, material, book }: BottomNeeds, cache: StageCache) {
  return cache.ruled(
    'underfoot',
    {
      surface,
      marks,
      covered: d.insole.covered,
      lining: material.cover.thickness,
      sock: d.sock.extent,
      sockOf: material.sock.thickness,
      extent: d.sock.padding,
      padding: material.padding?.thickness ?? 0,
    },
    book,
    (i, rules) => {
      const L = i.surface.length
      const padded = (extent: 'heel pad' | 'half' | 'full'): UnderLayer => ({
        name: extent === 'heel pad' ? 'Heel pad' : 'Padding',
        thickness: i.padding,
        front: extent === 'full' ? null : { at: paddedTo(extent, L, rules), skive: rules.value(sockRules.frontSkive) },
      })
      const front = sockFront(i.sock, L, rules)
      const upper: UnderLayer[] = i.covered
        ? [
            { name: 'Foam', thickness: rules.value(bottomRules.coverFoam), front: null },
            { name: 'Insole cover', thickness: i.lining, front: null },
          ]
        : [
            {
              name: 'Sock liner',
              thickness: i.sockOf,
              front: front === null ? null : { at: front, skive: rules.value(sockRules.sockSkive) },
            },
          ]
      const layers = i.extent === 'none' ? upper : [padded(i.extent), ...upper]
      return underfootLoss(i.surface, i.marks, layers, [padded('half'), ...upper])
    },
  )
}

/** Sock liner and padding; a covered insole needs no sock. */
function sockParts(
  { surface, bottom, decisions: d, material, book }: BottomNeeds,
  loss: GirthLoss,
  cache: StageCache,
): Part[] {
  const needs = { bottom, length: surface.length, lining: material.liningsAt.most }
  const extent = d.sock.padding
  const sheet = material.padding
  const padded = extent !== 'none' && sheet !== null
  const sock = d.insole.covered ? null : d.sock.extent
  const parts: Part[] = []
  if (sock !== null) {
    parts.push(
      cache.ruled(
        'sock',
        { ...needs, extent: sock, material: material.sock, loss: padded ? null : loss },
        book,
        (i, rules) => sockLiner({ ...i, book: rules }),
      ),
    )
  }
  if (padded) {
    parts.push(
      cache.ruled('padding', { ...needs, extent, sock, material: sheet, loss }, book, (i, rules) =>
        padding({ ...i, book: rules }),
      ),
    )
  }
  return parts
}
