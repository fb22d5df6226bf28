/** What becomes of an edge. Allowance, skive, stitching and order of work follow from it. */
export const edgeRoles = {
  'lasting margin': 'is turned under the feather line',
  'turned-out margin': 'is turned outwards on the welt',
  'lap over': 'lies over its neighbour',
  'lap under': 'lies under its neighbour',
  folded: 'is turned in on itself',
  bead: 'gets a folded strip',
  bound: 'is wrapped in a binding',
  raw: 'is cut and dyed',
  'closed seam': 'is stitched inside out and opened',
  trimmed: 'stands proud and is trimmed after stitching',
  'butt seam': 'meets its neighbour edge to edge',
  zip: 'is turned in along the zip',
  fold: 'is no edge: the piece goes on as a mirror image',
} as const
export type EdgeRole = keyof typeof edgeRoles
