'use client';
import { Button, Card } from 'react-bootstrap';
import { cutSvg, rectangle, type CutWay, type Piece } from '@/core/kit';
import type { Fabric } from '@/core/material';
import { saveFile } from '../shared/saveFile';
import { useUnits } from '../shared/units';
import { RollPicture, type Moves } from './RollPicture';

/** A name that any system takes for a file. */
export const fileName = (name: string) => name.replace(/[^\p{L}\p{N}]+/gu, '-');

/** One roll or offcut with what is cut from it, as a picture and as files for a cutter. */
export function ClothCard({
  way,
  cloth,
  fabric,
  byId,
  labelOf,
  name,
  moves,
}: {
  way: CutWay;
  cloth: CutWay['cloth'][number];
  fabric: Fabric;
  byId: ReadonlyMap<string, Piece>;
  labelOf: (pieceId: string) => string;
  name: string;
  moves: Moves | undefined;
}) {
  const { full } = useUnits();
  const file = `${fileName(`${name} ${fabric.code}`)}-${cloth.id}`;
  const edge = cloth.outline ?? rectangle(fabric.width.value, cloth.taken);
  const lay = { edge, places: way.places.filter(({ clothId }) => clothId === cloth.id), pieces: byId, labelOf };
  const dxf = async () => {
    const { cutDxf } = await import('@/core/kit/out/cutDxf');
    saveFile(`${file}.dxf`, cutDxf(lay), 'image/vnd.dxf');
  };
  return (
    <Card body className="mb-3">
      <div className="d-flex gap-2 align-items-center flex-wrap mb-1">
        <h2 className="me-auto mb-0">
          {fabric.code}, {cloth.name}
          {cloth.outline === null && `: ${full(cloth.taken, 'length')}`}
          {cloth.length !== null && <span className="soft fw-normal"> of {full(cloth.length, 'length')}</span>}
        </h2>
        <Button size="sm" variant="outline-primary" onClick={() => void dxf()}>
          DXF
        </Button>
        <Button
          size="sm"
          variant="outline-primary"
          onClick={() => saveFile(`${file}.svg`, cutSvg(lay), 'image/svg+xml')}
        >
          SVG
        </Button>
      </div>
      <RollPicture way={way} cloth={cloth} width={fabric.width.value} byId={byId} moves={moves} />
    </Card>
  );
}
