import type { Side } from '../trade/side.ts'

/**
 * Stations of the last, as shares of its length L from the heel back. The feather stations say where the
 * outline is widest on each side; the ridge stations where the tape crosses the centre line on top.
 * Derivation: docs/geometry.md, "The last".
 */
export const STATIONS = {
  seat: 0.17,
  waistLateral: 0.42,
  waistMedial: 0.44,
  jointLateral: 0.635,
  jointMedial: 0.72,
  tread: 0.68,
  ridgeJoint: 0.69,
  ridgeWaist: 0.61,
  bottomWaist: 0.545,
  ridgeInstep: 0.535,
  bottomInstep: 0.385,
  /** Arc share at which the joint lies on the grid, on feather and ridge alike. */
  jointShare: 0.655,
} as const

/** Columns (heel back to toe tip) and rows (feather line to top edge) of each wall. */
export const GRID = { columns: 97, rows: 33 } as const

/** +1 lateral, -1 medial: the sign of the sideways offset v. */
export const sideSign = (side: Side): number => (side === 'lateral' ? 1 : -1)

/** The size that the tabulated millimetre figures were drawn for. */
export const REFERENCE_LENGTH = 290
