import {
  cautions,
  groupNames,
  ways,
  type PairFile,
  type Plan,
  type Step,
  type Stuff,
  type WorkGroup,
} from '@gentle-awl/core'
import { ListPages } from './listPages.ts'
import { PALE } from './pdfPage.ts'
import type { Paper } from './sheets.ts'

/** Height of a line and of a heading, mm; places of a line's figures from its right edge. */
const ROW = 6.4
const HEAD = 10
const BOX = 3.4
const AT = { words: 13, number: 12, planned: 62, wait: 58, took: 22 } as const

/** A line of the card: one step, or the same one for both feet. */
export interface CardLine {
  number: number
  name: string
  group: WorkGroup
  feet: readonly Step[]
}

/** Steps in working order, those of both feet that follow each other on one line. */
export function cardLines(steps: readonly Step[]): CardLine[] {
  const lines: CardLine[] = []
  for (const step of steps) {
    const last = lines.at(-1)
    const mate = last?.feet[0]
    if (last && mate?.key === step.key && mate.foot !== null && step.foot !== null && mate.foot !== step.foot) {
      lines[lines.length - 1] = { ...last, feet: [...last.feet, step] }
      continue
    }
    const name = step.foot === null ? step.name : step.name.replace(/, (right|left)$/, '')
    lines.push({ number: lines.length + 1, name, group: step.group, feet: [step] })
  }
  return lines
}

/** What the whole pair uses up, by name; tacks are drawn and used again: as many as the step that drives most. */
export function stuffOf(steps: readonly Step[]): Pick<Stuff, 'name' | 'amount' | 'unit'>[] {
  const sums = new Map<string, Pick<Stuff, 'name' | 'amount' | 'unit'>>()
  for (const { name, amount, unit } of steps.flatMap((s) => s.stuff)) {
    const so = sums.get(name)?.amount ?? 0
    sums.set(name, { name, unit, amount: name === 'Tacks' ? Math.max(so, amount) : so + amount })
  }
  return [...sums.values()].sort((a, b) => a.name.localeCompare(b.name))
}

const hours = (minutes: number): string => {
  if (minutes < 60) return `${minutes} min`
  if (minutes < 48 * 60) return `${Number((minutes / 60).toFixed(1))} h`
  return `${Number((minutes / 1440).toFixed(1))} days`
}
const plannedOf = ({ feet }: CardLine): string => {
  const each = feet.map((s) => s.minutes.value)
  const alike = each.every((m) => m === each[0])
  return `${feet.length > 1 ? (alike ? `2 × ${each[0]}` : each.join(' and ')) : each[0]} min`
}
const waitOf = ({ feet }: CardLine): string => {
  const wait = feet[0]!.wait
  if (!wait) return ''
  return wait.max === null
    ? `then ${hours(wait.min)} or more`
    : wait.min === 0
      ? `within ${hours(wait.max)}`
      : `then ${hours(wait.min).replace(/ min$/, wait.max < 60 ? '' : ' min')} to ${hours(wait.max)}`
}
const amount = ({ amount: n, unit }: Pick<Stuff, 'amount' | 'unit'>): string =>
  unit === 'pieces' ? String(n) : `${Number(n.toFixed(1))} ${unit}`

/**
 * The card that goes through the workshop with a pair: how it is worked, what it takes, and every step in working order with
 * a box to tick for each foot, what is planned, the wait after it, and room for what it took.
 */
export async function jobCardPdf(file: PairFile, plan: Plan, paper: Paper): Promise<Buffer> {
  const pages = new ListPages(file, paper, 'job card')
  const { width } = pages
  const { label, decisions } = file
  const lines = cardLines(plan.steps)
  const minutes = plan.steps.reduce((sum, s) => sum + s.minutes.value, 0)
  pages.head(
    'Job card',
    `Order ${label.order}, ${label.name}${label.trade ? `, for a ${label.trade}` : ''}. ${file.last.name}${file.leftLast ? `, left ${file.leftLast.name}` : ''}; ${decisions.construction}. ${lines.length} lines, ${hours(minutes)} of handwork as planned.`,
  )
  pages.y -= 2
  pages.words(
    `Worked so: ${plan.asked.map((name) => `${ways[name].name.toLowerCase()} ${decisions.work.ways[name]}`).join('; ')}.`,
  )
  pages.y -= 2
  pages.words(
    `It takes: ${stuffOf(plan.steps)
      .map((s) => `${s.name.toLowerCase()} ${amount(s)}`)
      .join('; ')}.`,
  )
  let group: WorkGroup | null = null
  for (const line of lines) {
    if (line.group !== group) {
      const head = pages.room(HEAD + 2 * ROW)
      pages.y -= 3
      head.line(
        [
          [0, pages.y],
          [width, pages.y],
        ],
        false,
        0.4,
      )
      head.text(groupNames[line.group], 0, pages.y - 5, 12, { bold: true })
      head.text('planned', width - AT.planned, pages.y - 5, 8, { right: true, colour: PALE })
      head.text('wait', width - AT.wait, pages.y - 5, 8, { colour: PALE })
      head.text('took', width - AT.took, pages.y - 5, 8, { colour: PALE })
      pages.y -= HEAD
      group = line.group
    }
    oneLine(pages, line)
  }
  const warned = [...new Set(plan.steps.flatMap((s) => s.cautions))]
  pages.y -= 4
  pages.words('Mind: labels, data sheets, local rules and trained help come before what stands here.', 9.5)
  for (const id of warned) pages.words(cautions[id], 8.5)
  return pages.finish()
}

function oneLine(pages: ListPages, line: CardLine): void {
  const { width } = pages
  // A long name takes a second line rather than the figures' room.
  const room = width - AT.words - AT.planned - 14
  const page = pages.room(ROW)
  const wrapped = page.wrapped(line.name, room, 9.5)
  const high = ROW + (wrapped.length - 1) * 4.2
  const at = pages.room(high)
  const top = pages.y
  for (const [i, step] of line.feet.entries()) {
    const x = i * (BOX + 2.2)
    at.line(
      [
        [x, top - BOX],
        [x + BOX, top - BOX],
        [x + BOX, top],
        [x, top],
      ],
      true,
      0.25,
    )
    if (step.foot) at.text(step.foot === 'right' ? 'R' : 'L', x + 0.85, top - BOX + 0.9, 7, { colour: PALE })
  }
  const base = top - BOX + 0.6
  wrapped.forEach((words, i) => at.text(words, AT.words, base - 4.2 * i, 9.5))
  at.text(plannedOf(line), width - AT.planned, base, 9.5, { right: true })
  at.text(waitOf(line), width - AT.wait, base, 8.5, { colour: PALE })
  at.line(
    [
      [width - AT.took, base - 0.8],
      [width, base - 0.8],
    ],
    false,
    0.15,
  )
  pages.y -= high
}
