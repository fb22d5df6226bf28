/**
 * Reads a figure as people write one: `12`, `1,2`, `1.2`, `-4`, `1/3`, `1 1/2`, with or without `mm` behind it. Null when
 * it is none of these, or could be read two ways (`1.234,5`).
 */
export function readFigure(text: string): number | null {
  const t = text
    .trim()
    .replace(/\s*mm$/, '')
    .replace('−', '-')
  const plain = /^(-?)(\d+(?:[.,]\d+)?|[.,]\d+)$/.exec(t)
  if (plain) return Number(`${plain[1]}${plain[2]!.replace(',', '.')}`)
  const broken = /^(-?)(?:(\d+)\s+)?(\d+)\s*[/⁄]\s*(\d+)$/.exec(t)
  if (!broken || Number(broken[4]) === 0) return null
  const value = Number(broken[2] ?? 0) + Number(broken[3]) / Number(broken[4])
  return broken[1] === '-' ? -value : value
}
