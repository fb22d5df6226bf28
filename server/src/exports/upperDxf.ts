import { grainArrow, leftPart, type DrawablePart, type LineKind, type Path, type PairPart } from '@gentle-awl/core'
import { drawnAs, type Face } from './faces.ts'
import { Colors, DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf'

/** Layers by line kind, so that a cutting table can tell knife, punch and pen apart. */
const LAYERS: Record<LineKind | 'cut' | 'grain', { name: string; colour: number }> = {
  cut: { name: 'CUT', colour: Colors.White },
  'cut mark': { name: 'NOTCH', colour: Colors.Red },
  punch: { name: 'PUNCH', colour: Colors.Magenta },
  mark: { name: 'MARK', colour: Colors.Cyan },
  fold: { name: 'FOLD', colour: Colors.Green },
  stitch: { name: 'STITCH', colour: Colors.Yellow },
  feather: { name: 'FEATHER', colour: Colors.Blue },
  crease: { name: 'CREASE', colour: Colors.Yellow },
  neighbour: { name: 'NEIGHBOUR', colour: Colors.Cyan },
  grain: { name: 'GRAIN', colour: Colors.Green },
}

const blockName = (part: DrawablePart, foot: string) => `${part.id}-${foot}`.replace(/[^A-Za-z0-9_-]/g, '_')

/** All given pieces of both feet as DXF text: one block a piece and foot, layers by line kind, millimetres. */
export function upperDxf(parts: readonly PairPart[], face: Face): string {
  const dxf = new DxfWriter()
  dxf.setUnits(Units.Millimeters)
  for (const { name, colour } of Object.values(LAYERS)) dxf.addLayer(name, colour, 'Continuous')
  let y = 0
  for (const { feet } of parts) {
    let x = 0
    let deep = 0
    for (const { foot, part: drawn } of feet) {
      const part = drawnAs(foot, face) === 'left' ? leftPart(drawn) : drawn
      const name = blockName(part, `${foot}${face === 'flesh' ? '-flesh' : ''}`)
      const block = dxf.addBlock(name)
      const draw = (path: Path, closed: boolean, kind: LineKind | 'cut' | 'grain') =>
        block.addLWPolyline(
          path.map(([px, py]) => ({ point: point2d(px, py) })),
          { layerName: LAYERS[kind].name, flags: closed ? LWPolylineFlags.Closed : LWPolylineFlags.None },
        )
      draw(part.outline, true, 'cut')
      for (const line of grainArrow(part.grain)) draw(line, false, 'grain')
      for (const l of part.lines) draw(l.path, l.closed, l.kind)
      const xs = part.outline.map((p) => p[0])
      const ys = part.outline.map((p) => p[1])
      dxf.addInsert(name, point3d(x - Math.min(...xs), y - Math.max(...ys), 0))
      x += Math.max(...xs) - Math.min(...xs) + 20
      deep = Math.max(deep, Math.max(...ys) - Math.min(...ys))
    }
    y -= deep + 20
  }
  return dxf.stringify()
}
