import type { RuleReach } from '@gentle-awl/core'
import { sql } from 'drizzle-orm'
import type { Db } from './open.ts'
import { others } from './others.ts'

/** Cards looked into at a time: the process sees to others in between. */
const AT_A_TIME = 50
/** Pairs named for a rule; the others are counted. */
const NAMED = 6

/**
 * Which pairs rest on which house rules: by their cards as they were last made, so that nothing is planned to answer.
 * A pair that has a figure of its own for a rule is not touched by the workshop's.
 */
export async function ruleReach(db: Db): Promise<RuleReach> {
  const rules = new Map<string, RuleReach['rules'][string]>()
  const of = (key: string) => {
    const known = rules.get(key) ?? { pairs: 0, own: 0, orders: [] }
    rules.set(key, known)
    return known
  }
  let [pairs, unknown] = [0, 0]
  for (;;) {
    const rows = await db.all<{ order_number: string; rules: string | null; own: string | null }>(sql`
      SELECT p.order_number,
        CASE WHEN json_valid(c.card) THEN json_extract(c.card, '$.rules') END AS rules,
        json_extract(r.decisions, '$.rules') AS own
      FROM pairs p
      LEFT JOIN pair_cards c ON c.pair_id = p.id
      LEFT JOIN pair_revisions r ON r.pair_id = p.id AND r.revision = p.head AND json_valid(r.decisions)
      ORDER BY p.updated_at DESC, p.id LIMIT ${AT_A_TIME} OFFSET ${pairs}
    `)
    for (const row of rows) {
      if (row.rules === null) unknown++
      const own = row.own === null ? {} : (JSON.parse(row.own) as Record<string, number>)
      for (const key of row.rules === null ? [] : (JSON.parse(row.rules) as string[])) {
        const rule = of(key)
        if (key in own) rule.own++
        else if (rule.pairs++ < NAMED) rule.orders.push(row.order_number)
      }
    }
    pairs += rows.length
    if (rows.length < AT_A_TIME) return { rules: Object.fromEntries(rules), pairs, unknown }
    await others()
  }
}
