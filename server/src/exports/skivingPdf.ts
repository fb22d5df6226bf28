import {
  skiveFaces,
  skiveOutline,
  skiveShapes,
  type PairFile,
  type Plan,
  type Point,
  type SkiveGroup,
} from '@gentle-awl/core'
import { ListPages } from './listPages.ts'
import { PALE, type Page } from './pdfPage.ts'
import type { Paper } from './sheets.ts'

/** Height of a line of the list, of what heads a setting, and how many times a profile is drawn larger; mm. */
const ROW = 5.4
const HEAD = 15
const LARGER = 2.5
/** Places of a line's figures from its left, and from its right edge, mm. */
const AT = { edge: 50, count: 112, leather: 118 } as const

const mm = (v: number): string => `${Number.isInteger(v) ? v : v.toFixed(1)} mm`
const cm = (v: number): string => `${Math.round(v / 10)} cm`

/**
 * The skiving list of a pair for the bench: under every setting of the guide, drawn as a section, the edges of both shoes
 * with a box to tick. A setting stays with its lines where a page has room for both.
 */
export async function skivingPdf(file: PairFile, plan: Plan, paper: Paper): Promise<Buffer> {
  const pages = new ListPages(file, paper, 'skiving list')
  const { width } = pages
  pages.head(
    'Skiving list',
    plan.skiving.length === 0
      ? 'Nothing of this pair is skived.'
      : 'Both shoes. Set the guide once, then skive every edge under it. Try each setting on scrap of the same leather; strop or change the blade before it tears, and cut away from the hand that holds.',
  )
  for (const group of plan.skiving) {
    const kept = Math.min(HEAD + group.lines.length * ROW, pages.height / 2)
    const head = pages.room(kept + 4)
    pages.y -= 4
    setting(head, group, pages.y, width)
    pages.y -= HEAD
    for (const line of group.lines) {
      const { page: at, words, base } = pages.ticked(ROW)
      at.text(`${line.name}${line.foot ? `, ${line.foot} only` : ''}`, words, base, 9.5)
      at.text(line.edge, AT.edge, base, 9.5)
      at.text(`${line.count} ×`, AT.count, base, 9.5, { right: true })
      at.text(`${line.materialName}, ${mm(line.thickness)}`, AT.leather, base, 8.5, { colour: PALE })
      at.text(cm(line.length), width, base, 9.5, { right: true })
    }
  }
  return pages.finish()
}

/** What the guide is set to, with the profile that it leaves. */
function setting(page: Page, group: SkiveGroup, y: number, width: number): void {
  page.line(
    [
      [0, y],
      [width, y],
    ],
    false,
    0.4,
  )
  const left = group.left > 0 ? `${group.left.toFixed(2)} mm left` : 'to nothing'
  page.text(`${mm(group.width)} wide, ${left}`, 0, y - 5, 12, { bold: true })
  const how = group.left > 0 ? skiveShapes[group.shape] : 'straight'
  page.text(`${how}, ${skiveFaces[group.face]}`, 0, y - 10, 9.5)
  page.text(cm(group.length), width, y - 5, 12, { bold: true, right: true })
  const whole = group.lines[0]?.thickness ?? 0
  const run = group.width + 6
  const base = y - 11.5
  const drawn = skiveOutline(group.profile, whole, run).map(([d, t]): Point => [
    AT.edge + LARGER * d,
    base + LARGER * t,
  ])
  page.fill(drawn, '#C98A1B', 0.3)
  page.line(drawn, true, 0.25)
}
