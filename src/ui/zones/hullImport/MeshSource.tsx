import { Row } from 'react-bootstrap';
import type { Station } from '@/core/geometry';
import { FileButton } from '../../shared/FileButton';
import { Choice } from './Choice';

/** A mesh cut into sections by the server. */
export interface MeshAnswer {
  stations: Station[];
  triangles: number;
  openEdges: number;
}
/** The unit of a mesh, and which way it lies. */
export interface MeshPlacement {
  unit: string;
  forward: string;
  up: string;
}

const UNITS = ['m', 'cm', 'mm', 'in', 'ft'].map((unit) => [unit, unit] as const);
const AXES = ['+x', '-x', '+y', '-y', '+z', '-z'].map((axis) => [axis, axis.replace('-', '−')] as const);

function fileLabel(busy: boolean, picked: boolean): string {
  if (busy) return 'Cutting sections…';
  return picked ? 'Another file' : 'Choose an STL or OBJ file';
}

/** A mesh from a file, and which way it lies. */
export function MeshSource({
  picked,
  busy,
  mesh,
  placement,
  onFile,
  onPlacement,
}: {
  picked: File | null;
  busy: boolean;
  mesh: MeshAnswer | null;
  placement: MeshPlacement;
  onFile: (file: File) => void;
  onPlacement: (placement: MeshPlacement) => void;
}) {
  const axis = (label: string, key: keyof MeshPlacement, options: readonly (readonly [string, string])[]) => (
    <Choice
      id={`mesh-${label}`}
      label={label}
      value={placement[key]}
      options={options}
      onChoose={(next) => onPlacement({ ...placement, [key]: next })}
    />
  );
  return (
    <>
      <div className="d-flex gap-2 align-items-center mb-2">
        <FileButton label="Hull mesh" accept=".stl,.obj" primary={!picked} disabled={busy} onFile={onFile}>
          {fileLabel(busy, picked !== null)}
        </FileButton>
        <span className="soft small">
          {mesh && picked
            ? `${picked.name}: ${mesh.triangles} triangles, ${mesh.openEdges} edges on its rim`
            : 'The skin of the hull without its deck, up to 30 MB.'}
        </span>
      </div>
      <Row className="g-2 mb-2" xs={3}>
        {axis('Unit', 'unit', UNITS)}
        {axis('To the bow', 'forward', AXES)}
        {axis('Up', 'up', AXES)}
      </Row>
    </>
  );
}
