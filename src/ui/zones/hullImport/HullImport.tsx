'use client';
import { useState } from 'react';
import { Button, Col, Modal, Row } from 'react-bootstrap';
import type { HullShape } from '@/core/geometry';
import { formatNumber } from '@/core/quantity';
import type { Boat } from '@/core/document';
import { QuantityField } from '../../shared/QuantityField';
import { Refusal } from '../../shared/Refusal';
import { Tabs } from '../../shared/Tabs';
import { useUnits } from '../../shared/units';
import { BodyPlan } from './BodyPlan';
import { MeshSource } from './MeshSource';
import { OffsetsSource } from './OffsetsSource';
import { useHullFile } from './useHullFile';

/**
 * Bring the hull's shape in: an offsets table (CSV or XLSX) with its columns mapped, or a mesh (STL or OBJ) cut into
 * sections.
 */
export function HullImport({
  boat,
  onTake,
  onClose,
}: {
  boat: Boat;
  onTake: (hull: HullShape) => string | undefined;
  onClose: () => void;
}) {
  const file = useHullFile(boat);
  const [refusal, setRefusal] = useState<string | null>(null);
  const take = () => {
    const hull = file.hull();
    if (!hull) return;
    const said = onTake(hull);
    if (said) return setRefusal(said);
    file.remember();
    onClose();
  };
  return (
    <Modal show onHide={onClose} size="lg" scrollable aria-labelledby="hull-import-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="hull-import-title">
          Hull from a file
        </Modal.Title>
      </Modal.Header>
      <Modal.Body tabIndex={0}>
        <Tabs
          className="mb-2"
          names={{ offsets: 'Table of offsets', mesh: 'Mesh' }}
          open={file.way}
          onOpen={file.setWay}
        />
        <Refusal text={refusal ?? file.trouble} />
        {file.way === 'offsets' ? (
          <OffsetsSource source={file.source} reading={file.reading} onChange={file.setReading} />
        ) : (
          <MeshSource
            picked={file.picked}
            busy={file.busy}
            mesh={file.cut}
            placement={file.placement}
            onFile={file.readMesh}
            onPlacement={file.place}
          />
        )}
        <Row className="g-2 mb-2" xs={2}>
          <Col>
            <QuantityField
              label="Waterline above the baseline"
              kind="length"
              value={file.waterline}
              minimum={0.01}
              maximum={6}
              hint="in the heights of the file"
              onCommit={(value) => void file.setWaterline(value!)}
            />
          </Col>
          <Col>
            <QuantityField
              label="Aft end of the waterline"
              kind="length"
              value={file.origin}
              minimum={-100}
              maximum={100}
              hint="in the stations of the file; this becomes 0"
              onCommit={(value) => void file.setOrigin(value!)}
            />
          </Col>
        </Row>
        <WhatWasRead boat={boat} file={file} />
      </Modal.Body>
      <Modal.Footer>
        <Button variant="outline-primary" onClick={onClose}>
          Cancel
        </Button>
        <Button onClick={take} disabled={!file.stations}>
          Take this hull
        </Button>
      </Modal.Footer>
    </Modal>
  );
}

/** The body plan of what was read, and how it measures up against the brief. */
function WhatWasRead({ boat, file }: { boat: Boat; file: ReturnType<typeof useHullFile> }) {
  const { full } = useUnits();
  const { stations, found } = file;
  if (!stations || !found) return null;
  const bilge = stations.some(({ chine }) => chine !== null) ? 'with a chine (dots)' : 'round bilge';
  return (
    <>
      <div className="hull-preview">
        <BodyPlan stations={stations} waterline={file.waterline} />
      </div>
      <p className="small mb-0">
        {stations.length} stations, {full(found.length, 'length')} long, {full(found.beam, 'length')} wide, {bilge}.
        Below the waterline it displaces {full(found.mass, 'mass')} of sea water; the brief says{' '}
        {full(boat.brief.loadedMass, 'mass')} ({formatNumber((found.mass / boat.brief.loadedMass - 1) * 100, 0)} %).
      </p>
    </>
  );
}
