/** A line of a drawing's legend: how it is drawn, and what it means. */
export interface LegendLine {
  name: string
  stroke: string
  width: number
  dash?: string
  /** Two lines side by side. */
  double?: boolean
  /** Another sign than a line: its path in a box of 56 by 14. */
  sign?: string
  /** The sign is filled with its colour. */
  filled?: boolean
}
