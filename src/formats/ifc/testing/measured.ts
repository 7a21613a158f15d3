import type { IfcAPI } from 'web-ifc';

/** An element as another program meshes it: cubic metres, and how far it reaches. */
export function measured(api: IfcAPI, model: number, id: number): { volume: number; low: number[]; high: number[] } {
  let volume = 0;
  const [low, high] = [
    [Infinity, Infinity, Infinity],
    [-Infinity, -Infinity, -Infinity],
  ];
  const mesh = api.GetFlatMesh(model, id);
  for (let g = 0; g < mesh.geometries.size(); g += 1) {
    const placed = mesh.geometries.get(g);
    const geometry = api.GetGeometry(model, placed.geometryExpressID);
    const vertices = api.GetVertexArray(geometry.GetVertexData(), geometry.GetVertexDataSize());
    const indices = api.GetIndexArray(geometry.GetIndexData(), geometry.GetIndexDataSize());
    const m = placed.flatTransformation;
    const corner = (i: number): [number, number, number] => {
      const [x, y, z] = [vertices[6 * i]!, vertices[6 * i + 1]!, vertices[6 * i + 2]!];
      const at = (row: number) => m[row]! * x + m[row + 4]! * y + m[row + 8]! * z + m[row + 12]!;
      return [at(0), at(1), at(2)];
    };
    for (let i = 0; i < indices.length; i += 3) {
      const [a, b, c] = [corner(indices[i]!), corner(indices[i + 1]!), corner(indices[i + 2]!)];
      volume +=
        (a[0] * (b[1] * c[2] - b[2] * c[1]) + a[1] * (b[2] * c[0] - b[0] * c[2]) + a[2] * (b[0] * c[1] - b[1] * c[0])) /
        6;
      for (const point of [a, b, c]) {
        point.forEach((value, axis) => {
          low[axis] = Math.min(low[axis]!, value);
          high[axis] = Math.max(high[axis]!, value);
        });
      }
    }
    geometry.delete();
  }
  return { volume: Math.abs(volume), low: low!, high: high! };
}
