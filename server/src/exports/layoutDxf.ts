import type { Path } from '@gentle-awl/core'
import { Colors, DxfWriter, LWPolylineFlags, point2d, Units } from '@tarikjabiri/dxf'
import type { LayoutDrawing } from './layoutDrawing.ts'

const LAYERS = { CUT: Colors.White, SHEET: Colors.Cyan, FLAW: Colors.Red } as const

/** A layout as DXF text, millimetres: pieces on a layer for the knife, the sheet's edge and its flaws on layers of their own. */
export function layoutDxf({ outline, flaws, pieces }: LayoutDrawing): string {
  const dxf = new DxfWriter()
  dxf.setUnits(Units.Millimeters)
  for (const [name, colour] of Object.entries(LAYERS)) dxf.addLayer(name, colour, 'Continuous')
  const draw = (path: Path, layerName: keyof typeof LAYERS) =>
    dxf.addLWPolyline(
      path.map(([x, y]) => ({ point: point2d(x, y) })),
      { layerName, flags: LWPolylineFlags.Closed },
    )
  draw(outline, 'SHEET')
  for (const flaw of flaws) draw(flaw, 'FLAW')
  for (const { path } of pieces) draw(path, 'CUT')
  return dxf.stringify()
}
