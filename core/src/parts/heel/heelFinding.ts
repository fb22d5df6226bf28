import type { Finding } from '../../trade/because.ts'
import type { Remedy } from '../../trade/remedy.ts'
import type { RuleBook } from '../../trade/rules.ts'
import { bottomRules } from '../sole/bottomRules.ts'
import { hasWedge, type HeelBuild } from './heelBuild.ts'
import { mm, say } from '../../units/sentence.ts'

/** Does the heel stand level? */
export function heelFinding(heel: HeelBuild, wedge: boolean, book: RuleBook): Finding {
  const off = book.value(bottomRules.heelOff)
  const stands = heel.offGround <= off
  const { sentence, ...mends } = heelWords(heel, wedge, stands, book)
  return {
    id: 'bottom.heel',
    level: stands ? 'fine' : heel.offGround <= 3 * off ? 'watch' : 'stop',
    where: 'heel on the ground',
    sentence,
    measured: heel.offGround,
    limit: off,
    unit: 'mm',
    ...(stands ? { mend: '' } : mends),
  }
}

/** What is to be said of a heel, and what mends it; only what is in it can be taken out. */
function heelWords(
  heel: HeelBuild,
  wedge: boolean,
  stands: boolean,
  book: RuleBook,
): Pick<Finding, 'sentence' | 'mend' | 'remedy'> {
  const { needed, lifts } = heel
  const otherLast: Remedy = { kind: 'open', control: { room: 'decisions', at: 'last' } }
  const away = say`${mm(heel.offGround, 1)}`
  if (lifts === 0 && Math.min(needed.back, needed.breast) < 0) {
    return {
      sentence: say`The bottom at the seat is thicker than there is room for: it stands ${away} too low for any heel.`,
      mend: 'Take a last with a higher heel, or a thinner bottom at the seat.',
      remedy: otherLast,
    }
  }
  if (heel.bodies.length === 0) {
    const thinnest = book.value(bottomRules.thinnestHeel)
    const room = Math.floor(10 * Math.max(needed.back, needed.breast)) / 10
    return {
      sentence: stands
        ? 'The sole stands on the ground from heel to tread: no heel is built.'
        : say`The sole stands ${away} over the ground at the back: too little to build a heel of, and the shoe rocks back by it.`,
      mend: say`Take a last with a heel of ${mm(thinnest)} or more or with none, or let a thinner heel be built.`,
      remedy:
        room >= bottomRules.thinnestHeel.min && room < thinnest
          ? { kind: 'rule', key: bottomRules.thinnestHeel.key, value: room }
          : otherLast,
    }
  }
  if (stands) {
    const built = [
      ...(lifts > 0 ? [`${lifts} lift${lifts === 1 ? '' : 's'}`] : []),
      heel.pared ? 'top piece pared to the seat' : 'top piece',
    ].join(', ')
    return { sentence: `Built of ${built}${hasWedge(heel) ? ' and wedge' : ''}: the heel stands level.`, mend: '' }
  }
  if (wedge) {
    return {
      sentence: say`${lifts} lift${lifts === 1 ? '' : 's'} and the top piece stand ${away} higher than there is room for: the toe is pressed down.`,
      mend: lifts > 0 ? 'Take a lift out, or thinner lifts.' : 'Take a thinner top piece.',
      remedy:
        lifts > 0
          ? { kind: 'hand', decision: 'heel.lifts', value: lifts - 1 }
          : { kind: 'open', control: { room: 'decisions', at: 'topPiece' } },
    }
  }
  const tooMany = lifts > heel.byRule
  return {
    sentence: say`Without a wedge the heel is ${away} off: the lifts follow the seat, which falls by ${mm(needed.back - needed.breast, 1)} towards the breast.`,
    mend: tooMany ? `Put the wedge back, and ${heel.byRule} lifts.` : 'Put the wedge back.',
    remedy: {
      kind: 'choice',
      name: 'a wedge under the heel',
      decisions: { heel: { wedge: true, ...(tooMany ? { lifts: heel.byRule } : {}) } },
    },
  }
}
