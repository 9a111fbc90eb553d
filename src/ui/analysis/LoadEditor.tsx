'use client';
import { Button, Col, Row } from 'react-bootstrap';
import type { Zone, ZoneLoad } from '@/core/document';
import type { ZoneAnalysis } from '@/core/evaluate';
import { QuantityField } from '../shared/QuantityField';
import { useEdit } from '../shared/useEdit';

const AXES = ['along', 'across', 'shear'] as const;
const SOURCES: Readonly<Record<ZoneAnalysis['loadSource'], string>> = {
  given: 'given',
  pressure: "edge moment and shear of the pack's pressure; type to give your own",
  pressureInside:
    "edge moment and shear of the pack's pressure from the inner face, which leaves less; type to give your own",
};
const BENDS = ['along', 'across', 'twist'] as const;

/** The load on the zone's laminate: from the pack's pressure, or given. */
export function LoadEditor({ zone, load, source }: { zone: Zone; load: ZoneLoad; source: ZoneAnalysis['loadSource'] }) {
  const edit = useEdit();
  const set = (patch: Partial<ZoneLoad>) =>
    edit({ type: 'zone.set', zoneId: zone.id, patch: { load: { ...load, ...patch } } });
  const place = (triple: ZoneLoad['N'], at: number, value: number) =>
    triple.map((old, i) => (i === at ? value : old)) as ZoneLoad['N'];
  return (
    <>
      <div className="d-flex align-items-baseline gap-2 mb-1">
        <h3 className="mb-0">Load</h3>
        <span className="small soft">{SOURCES[source]}</span>
        {source === 'given' && (
          <Button
            size="sm"
            variant="outline-primary"
            className="py-0"
            onClick={() => edit({ type: 'zone.set', zoneId: zone.id, patch: { load: null } })}
          >
            Back to the pressure
          </Button>
        )}
      </div>
      <Row className="g-2" xs={4}>
        {AXES.map((axis, i) => (
          <Col key={`N${axis}`}>
            <QuantityField
              label={`N ${axis}`}
              kind="lineForce"
              value={load.N[i]!}
              minimum={-1e8}
              maximum={1e8}
              onCommit={(value) => set({ N: place(load.N, i, value!) })}
            />
          </Col>
        ))}
        <Col>
          <QuantityField
            label="Shear V"
            kind="lineForce"
            value={load.V}
            minimum={0}
            maximum={1e8}
            onCommit={(value) => set({ V: value! })}
          />
        </Col>
        {BENDS.map((axis, i) => (
          <Col key={`M${axis}`}>
            <QuantityField
              label={`M ${axis}`}
              kind="lineMoment"
              value={load.M[i]!}
              minimum={-1e7}
              maximum={1e7}
              onCommit={(value) => set({ M: place(load.M, i, value!) })}
            />
          </Col>
        ))}
      </Row>
    </>
  );
}
