/**
 * The order number that would come next in a workshop's own way of counting, from those in use, the newest first: the
 * letters before the figures and their count of digits stay ("B-017" gives "B-018"), and no number in use is given again.
 * Empty where there is none to go by.
 *
 * nextOrder(['1041', '1039']) // '1042'
 */
export function nextOrder(orders: readonly string[]): string {
  const counted = orders.flatMap((order) => {
    const match = /^(.*?)(\d{1,9})$/.exec(order.trim())
    return match ? [{ before: match[1]!, figures: match[2]! }] : []
  })
  const newest = counted[0]
  if (!newest) return ''
  const alike = counted.filter((c) => c.before === newest.before)
  const next = Math.max(...alike.map((c) => Number(c.figures))) + 1
  return newest.before + String(next).padStart(newest.figures.length, '0')
}
