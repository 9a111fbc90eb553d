import { meshToStations } from '@/core/geometry';
import { readMesh, type MeshPlacement } from '../mesh/readMesh';
import { readTable } from '../table/readTable';

export type FileQuestion =
  | { as: 'table'; bytes: Uint8Array; name: string }
  | { as: 'mesh'; bytes: Uint8Array; name: string; placement: MeshPlacement };

/** What a file holds, for a preview. @throws KeramosError in words. */
export async function answerFile(question: FileQuestion): Promise<unknown> {
  if (question.as === 'table') return readTable(question.bytes, question.name);
  const triangles = readMesh(question.bytes, question.name, question.placement);
  return { ...meshToStations(triangles), triangles: triangles.length / 9 };
}
