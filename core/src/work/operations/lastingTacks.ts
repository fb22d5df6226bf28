import type { TackCounts } from '../../lasting/tackCounts.ts'
import { traitsOf } from '../../model/construction.ts'
import { workRules } from '../effort.ts'
import type { Facts } from '../facts.ts'
import { bring, eachFoot, type Operation } from '../operation.ts'
import type { Stuff } from '../step.ts'
import { INSOLE_TACKS } from './insole.ts'

/** Tacks all round. */
export const allTacks = ({ back, front }: TackCounts): number => back + front

/** What a step drives. */
export const tacksFor = (amount: number): Stuff[] =>
  amount > 0
    ? [{ name: 'Tacks', amount, unit: 'pieces', sentence: 'As the lasting plan has them; drawn again and counted.' }]
    : []

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
