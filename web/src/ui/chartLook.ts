import type { Config, Layout, PlotData } from 'plotly.js'
import { coloursOf, type Light } from '../app/theme.ts'

/** One line of a chart: places and values, both in the unit that the chart is drawn in. */
export interface ChartLine {
  name: string
  x: readonly number[]
  y: readonly number[]
  /** Single points, as readings taken at their places, in place of a line. */
  points?: boolean
}
export interface ChartAxis {
  title: string
  unit: string
}

/** Decimals that a figure is written with: in inches a tenth would be two and a half millimetres. */
export const decimals = ({ unit }: ChartAxis): number => (unit === 'inches' ? 2 : 1)

/** Told apart by colour and by the way they are drawn, so that neither is needed. */
const DASHES = ['solid', 'dash', 'dot', 'dashdot'] as const
const SYMBOLS = ['circle', 'diamond', 'square', 'cross'] as const
/** Eight inks that are told apart on the paper of this light. */
export const inks = (light: Light): string[] => {
  const c = coloursOf(light)
  return light === 'dark'
    ? [c.action, '#e6b355', '#8fd0e8', c.stop, '#c9d46a', '#c3abea', '#d9c29a', '#86d3d6']
    : [c.action, '#8a5a06', '#2b6a8f', c.stop, '#6d7a1f', '#6a4f93', '#7a6343', '#2c7f88']
}

/** The lines as the library takes them. */
export function traces(lines: readonly ChartLine[], light: Light, { y }: { y: ChartAxis }): Partial<PlotData>[] {
  return lines.map((line, i) => {
    const color = inks(light)[i % 4]!
    return {
      type: 'scatter',
      mode: line.points ? 'markers' : 'lines',
      name: line.name,
      x: [...line.x],
      y: [...line.y],
      line: { color, width: 2.5, dash: DASHES[i % 4]! },
      marker: { color, size: 11, symbol: SYMBOLS[i % 4]!, line: { color: coloursOf(light).raised, width: 1.5 } },
      hovertemplate: `%{y:.${decimals(y)}f} ${y.unit}<extra>%{fullData.name}</extra>`,
    }
  })
}

/** The house's paper, ink and type for a chart. */
export function layoutOf(x: ChartAxis, y: ChartAxis, light: Light): Partial<Layout> {
  const c = coloursOf(light)
  const axis = ({ title, unit }: ChartAxis) => ({
    title: { text: unit ? `${title}, ${unit}` : title, standoff: 8 },
    gridcolor: c.line,
    linecolor: c.edge,
    zeroline: false,
    ticks: 'outside' as const,
    tickcolor: c.edge,
    automargin: true,
  })
  return {
    paper_bgcolor: c.raised,
    plot_bgcolor: c.raised,
    font: { family: "'Atkinson Hyperlegible Next', sans-serif", size: 14, color: c.ink },
    margin: { l: 56, r: 12, t: 8, b: 48 },
    hovermode: 'x unified',
    hoverlabel: { bgcolor: c.raised, bordercolor: c.edge, font: { color: c.ink } },
    legend: { orientation: 'h', x: 0, y: 1.02, yanchor: 'bottom' },
    xaxis: axis(x),
    yaxis: axis(y),
  }
}

/** Nothing of the library's own over the chart, and nothing sent anywhere. */
export const config: Partial<Config> = { displayModeBar: false, responsive: true, scrollZoom: false }

/** A line's value at a place: between its points as it is drawn, nothing past its ends; a single point's only just there. */
function valueAt({ x, y, points }: ChartLine, at: number): number | null {
  const after = x.findIndex((v) => v >= at)
  if (after < 0) return null
  if (x[after] === at) return y[after]!
  if (points || after === 0) return null
  const t = (at - x[after - 1]!) / (x[after]! - x[after - 1]!)
  return y[after - 1]! + t * (y[after]! - y[after - 1]!)
}

/** The chart as a table: `rows` places evenly along all lines, and every place at which there is a single point. */
export function chartRows(lines: readonly ChartLine[], rows: number): { x: number; values: (number | null)[] }[] {
  const drawn = lines.filter((l) => !l.points && l.x.length > 1)
  const [from, to] = [Math.min(...drawn.map((l) => l.x[0]!)), Math.max(...drawn.map((l) => l.x.at(-1)!))]
  const even = drawn.length > 0 ? Array.from({ length: rows }, (_, k) => from + ((to - from) * k) / (rows - 1)) : []
  const single = lines.filter((l) => l.points).flatMap((l) => l.x)
  return [...new Set([...even, ...single])]
    .sort((a, b) => a - b)
    .map((x) => ({ x, values: lines.map((l) => valueAt(l, x)) }))
}
