import { Colors, DxfWriter, LWPolylineFlags, point2d, point3d, TextHorizontalAlignment, Units } from '@tarikjabiri/dxf';
import { LAYERS, roughly, type Sheet } from './sheet.ts';

/** A drawing as DXF, one unit a millimetre of the room, each layer by its name. */
export function toDxf(sheet: Sheet): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const layer of LAYERS) dxf.addLayer(layer, Colors.White, 'Continuous');
  for (const mark of sheet.marks) {
    dxf.setCurrentLayerName(mark.layer);
    if (mark.kind === 'path')
      dxf.addLWPolyline(
        mark.points.map((p) => ({ point: point2d(p.x, p.y) })),
        { flags: mark.closed ? LWPolylineFlags.Closed : LWPolylineFlags.None },
      );
    else {
      const said = mark.within ? roughly(mark) : { words: mark.text, size: mark.size };
      if (said === null) continue;
      const at = point3d(mark.at.x, mark.at.y, 0);
      dxf.addText(at, said.size, said.words.replace(/[\r\n]+/g, ' '), {
        rotation: mark.angle,
        horizontalAlignment: TextHorizontalAlignment.Center,
        secondAlignmentPoint: at,
      });
    }
  }
  return dxf.stringify();
}
