import type { EdgeRole } from '../../model/edgeRoles.ts'
import type { Point } from '../../geometry/path.ts'
import type { Side } from '../../trade/side.ts'
import type { Rule } from '../../trade/rules.ts'
import type { DesignBoard } from '../designPoints.ts'
import { runsDownFacings } from '../finishOnFacings.ts'
import { styleRules } from '../styleRules.ts'
import { ankles, backHeight, drawBack, type BackLine } from './lines.ts'

/** What every laced low shoe begins with: back line, ankle points, the ends of the lacing on the ridge. */
export interface LacedGround {
  back: BackLine
  ankle: Record<Side, Point>
  halfGap: number
  topAt: Point
  vampAt: Point
}

/** A facing is turned in, or finished as the top line is where that runs on down it. */
export const facingRole = ({ decisions }: DesignBoard, top: EdgeRole, finishedBy: string | null = null): EdgeRole =>
  runsDownFacings(decisions, finishedBy) ? top : 'folded'

export function lacedGround(board: DesignBoard, gap: Rule, vamp: Rule): LacedGround {
  const onRidge = (id: string, name: string, rule: Rule) =>
    board.onRidge(id, name, board.book.value(rule) * board.length, rule.why, rule)
  return {
    back: drawBack(board, backHeight(board), 'A fifth of the last length and a little for shrinkage.'),
    ankle: ankles(board),
    halfGap: board.book.value(gap) / 2,
    topAt: onRidge('facingTop', 'Top of the facing', styleRules.facingTop),
    vampAt: onRidge('vampPoint', 'Vamp point', vamp),
  }
}
