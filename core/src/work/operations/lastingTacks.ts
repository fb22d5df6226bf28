import type { TackCounts } from '../../lasting/tackCounts.ts'
import { traitsOf } from '../../model/construction.ts'
import { isSheet } from '../../model/material.ts'
import type { Foot } from '../../trade/foot.ts'
import type { CautionId } from '../cautions.ts'
import { workRules } from '../effort.ts'
import { partsOf, type Facts } from '../facts.ts'
import { bring, eachFoot, want, type Operation } from '../operation.ts'
import type { Stuff } from '../step.ts'
import { INSOLE_TACKS } from './insole.ts'

/** Tacks all round. */
export const allTacks = ({ back, front }: TackCounts): number => back + front

/** What a step drives. */
export const tacksFor = (amount: number): Stuff[] =>
  amount > 0
    ? [{ name: 'Tacks', amount, unit: 'pieces', sentence: 'As the lasting plan has them; drawn again and counted.' }]
    : []

/** What is worked over the lasted lining and stiffens the wall. */
type Stiffening = 'stiffener' | 'sideLining' | 'puff'

/**
 * Tacks that hold a stiffener, side linings or a puff of one shoe by themselves until they are dry: leather that is worked
 * over the lasted lining. What is slipped in beside the upper is held by the upper's, a sheet by its glue.
 */
export function shellTacks(f: Facts, foot: Foot, id: Stiffening): number {
  if (id !== 'puff' && f.work.ways.lasting !== 'lining first') return 0
  if (id !== 'sideLining' && isSheet(f.materials[id])) return 0
  return allTacks(f.shoes[foot].tacks[id])
}

/** What can hurt where tacks are driven. */
export const tacksHurt = (tacks: number): CautionId[] => (tacks > 0 ? ['tacks', 'hammer'] : [])

/** They come out when the leather has set: under the upper nobody finds them again. */
export function shellsBared(f: Facts): Operation[] {
  // A puff that is formed first has left its tacks when it came off the last.
  const kinds = (
    ['stiffener', 'sideLining', ...(f.work.ways.puff === 'pasted wet' ? ['puff'] : [])] as Stiffening[]
  ).filter((id) => shellTacks(f, 'right', id) + shellTacks(f, 'left', id) > 0)
  if (kinds.length === 0) return []
  const rate = f.book.value(workRules.drawTack)
  const ids = partsOf(f, kinds).map((p) => p.id)
  return eachFoot((foot) => {
    const count = kinds.reduce((sum, id) => sum + shellTacks(f, foot, id), 0)
    return {
      id: 'bare-shells',
      name: `Draw the tacks of ${listOf(kinds.map((k) => words[k]))}`,
      group: 'last',
      effort: { minutes: 1 + count / rate, sentence: `${count} tacks at ${rate} a minute; what they held has set.` },
      makes: bring(['shoe'], 'shells bare', 'wet leather goes back where its tacks are drawn'),
      needs: want(
        ids.filter((id) => id !== 'puff'),
        'pasted',
        'it has dried to its shape',
      ),
      cautions: ['tacks'],
      tools: ['puller'],
      look: [`${count} tacks counted back: one that is left under the upper wounds the foot.`],
      parts: ids,
    }
  })
}
const words: Readonly<Record<Stiffening, string>> = {
  stiffener: 'the stiffener',
  sideLining: 'the side linings',
  puff: 'the puff',
}
const listOf = (all: readonly string[]): string =>
  all.length < 2 ? all.join('') : `${all.slice(0, -1).join(', ')} and ${all[all.length - 1]!}`

/** Tacks that come out from under one shoe: the upper's, where it is turned under, and the insole's. */
export const tacksToDraw = (upper: TackCounts, outwards: boolean): number =>
  (outwards ? 0 : allTacks(upper)) + INSOLE_TACKS

/** Tacks out before they are covered, and counted. */
export function drawn(f: Facts, group: Operation['group'] = 'last'): Operation[] {
  return eachFoot((foot) => {
    const { outwards } = traitsOf(f.construction)
    const count = tacksToDraw(f.shoes[foot].tacks.upper, outwards)
    const lasted = count - INSOLE_TACKS
    const rate = f.book.value(workRules.drawTack)
    return {
      id: 'draw-tacks',
      name: outwards ? 'Draw the insole’s tacks and count them' : 'Draw all tacks and count them',
      group,
      effort: {
        minutes: 2 + count / rate,
        sentence: `${lasted > 0 ? `${lasted} of the upper and ` : ''}${INSOLE_TACKS} of the insole at ${rate} a minute.`,
      },
      makes: bring(['shoe'], 'tacks out', 'what is covered is not found again: a tack left in wounds the foot'),
      cautions: ['tacks'],
      tools: ['puller'],
      look: [`${count} tacks counted back; a magnet over the insole finds the rest.`],
    }
  })
}
