'use client';
import { useMemo, useState } from 'react';
import { Button, Col, Form, Modal, Row } from 'react-bootstrap';
import {
  OFFSET_UNITS,
  offsetsToStations,
  surfaceThrough,
  type HullShape,
  type OffsetMapping,
  type OffsetUnit,
  type Station,
} from '@/core/geometry';
import { formatNumber } from '@/core/quantity';
import type { Boat } from '@/core/document';
import { readFile, wordsOf } from '../shared/api';
import { QuantityField } from '../shared/QuantityField';
import { FileButton } from '../shared/FileButton';
import { Tabs } from '../shared/Tabs';
import { useUnits } from '../shared/units';
import { Refusal } from '../shared/Refusal';

interface Table {
  heads: string[];
  rows: string[][];
}
interface MeshAnswer {
  stations: Station[];
  triangles: number;
  openEdges: number;
}
const AXES = ['+x', '-x', '+y', '-y', '+z', '-z'] as const;
const guess = (heads: readonly string[], pattern: RegExp, otherwise: number) => {
  const found = heads.findIndex((head) => pattern.test(head));
  return found < 0 ? otherwise : found;
};

/** Body plan of what was read, before it is taken. */
function Preview({ stations, waterline }: { stations: Station[]; waterline: number }) {
  const width = 420;
  const height = 220;
  const beam = Math.max(...stations.flatMap(({ points }) => points.map(([y]) => y)));
  const [low, high] = [
    Math.min(...stations.flatMap(({ points }) => points.map(([, z]) => z))),
    Math.max(...stations.flatMap(({ points }) => points.map(([, z]) => z))),
  ];
  const scale = Math.min((width - 20) / 2 / beam, (height - 20) / (high - low));
  const middle = (stations[0]!.x + stations.at(-1)!.x) / 2;
  const z = (value: number) => height - 10 - (value - low) * scale;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      role="img"
      aria-label={`Body plan of ${stations.length} stations`}
    >
      <line x1="4" x2={width - 4} y1={z(waterline)} y2={z(waterline)} stroke="var(--water)" />
      {stations.map(({ x, points, chine }) => {
        const side = x <= middle ? -1 : 1;
        return (
          <g key={x}>
            <path
              d={`M${points.map(([y, h]) => `${(width / 2 + side * y * scale).toFixed(1)} ${z(h).toFixed(1)}`).join('L')}`}
              fill="none"
              stroke="var(--ink)"
            />
            {chine !== null && (
              <circle
                cx={width / 2 + side * points[chine]![0] * scale}
                cy={z(points[chine]![1])}
                r="2.2"
                fill="var(--clay)"
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}

/**
 * Bring the hull's shape in: an offsets table (CSV or XLSX) with its columns mapped, or a mesh (STL or OBJ) cut into
 * sections.
 */
/** Height of the waterline to begin with, m: that of the hull that is there. */
function waterlineOf(hull: Boat['hull']): number {
  if (hull === null) return 0.4;
  return hull.source === 'particulars' ? hull.draft : hull.waterline;
}

/** The unit that figures of a hull are probably in: a boat's offsets in metres stay below 60. */
function likelyUnit(cells: readonly string[]): OffsetUnit {
  if (cells.some((cell) => /\d+-\d+-\d+/.test(cell))) return 'feetInchesEighths';
  return cells.some((cell) => Number(cell) > 60) ? 'mm' : 'm';
}

function fileLabel(busy: boolean, picked: boolean): string {
  if (busy) return 'Cutting sections…';
  return picked ? 'Another file' : 'Choose an STL or OBJ file';
}

export function HullImport({
  boat,
  onTake,
  onClose,
}: {
  boat: Boat;
  onTake: (hull: HullShape) => string | undefined;
  onClose: () => void;
}) {
  const { full } = useUnits();
  const [way, setWay] = useState<'offsets' | 'mesh'>('offsets');
  const [name, setName] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const drawn = boat.hull;
  const [waterline, setWaterline] = useState(waterlineOf(drawn));
  const [origin, setOrigin] = useState(0);

  const [table, setTable] = useState<Table | null>(null);
  const [unit, setUnit] = useState<OffsetUnit>('m');
  const [layout, setLayout] = useState<'points' | 'grid'>('points');
  const [columns, setColumns] = useState({ station: 0, halfBreadth: 1, height: 2, line: -1, label: 0 });
  const [direction, setDirection] = useState<'fromAft' | 'fromBow'>('fromAft');

  const [picked, setPicked] = useState<File | null>(null);
  const [meshUnit, setMeshUnit] = useState('m');
  const [forward, setForward] = useState<string>('+x');
  const [up, setUp] = useState<string>('+z');
  const [mesh, setMesh] = useState<MeshAnswer | null>(null);

  const readOffsets = async (chosen: File) => {
    setTrouble(null);
    setTable(null);
    try {
      const read = await readFile<Table>(`/api/tables/read?name=${encodeURIComponent(chosen.name)}`, chosen);
      setName(chosen.name);
      setTable(read);
      const points =
        read.heads.some((head) => /half|breadth|^y\b/i.test(head)) &&
        read.heads.some((head) => /height|^z\b/i.test(head));
      setLayout(points ? 'points' : 'grid');
      setColumns({
        station: guess(read.heads, /station|^x\b|frame/i, 0),
        halfBreadth: guess(read.heads, /half|breadth|^y\b/i, 1),
        height: guess(read.heads, /height|^z\b|above/i, 2),
        line: guess(read.heads, /line|point|name/i, -1),
        label: 0,
      });
      setUnit(likelyUnit(read.rows.flat()));
    } catch (error) {
      setTrouble(wordsOf(error));
    }
  };
  const readMesh = async (file: File, placement: { unit: string; forward: string; up: string }) => {
    setTrouble(null);
    setMesh(null);
    setBusy(true);
    try {
      const query = new URLSearchParams({ name: file.name, ...placement });
      setMesh(await readFile<MeshAnswer>(`/api/hull/mesh?${query}`, file));
      setName(file.name);
    } catch (error) {
      setTrouble(wordsOf(error));
    } finally {
      setBusy(false);
    }
  };

  const read = useMemo((): { stations: Station[]; error: null } | { stations: null; error: string | null } => {
    try {
      if (way === 'mesh')
        return mesh
          ? { stations: mesh.stations.map((station) => ({ ...station, x: station.x - origin })), error: null }
          : { stations: null, error: null };
      if (!table) return { stations: null, error: null };
      const mapping: OffsetMapping = {
        unit,
        direction,
        origin,
        waterline,
        layout:
          layout === 'points'
            ? {
                kind: 'points',
                station: columns.station,
                halfBreadth: columns.halfBreadth,
                height: columns.height,
                line: columns.line < 0 ? null : columns.line,
              }
            : { kind: 'grid', label: columns.label },
      };
      return { stations: offsetsToStations(table.heads, table.rows, mapping), error: null };
    } catch (error) {
      return { stations: null, error: (error as Error).message };
    }
  }, [way, mesh, table, unit, direction, origin, waterline, layout, columns]);
  const found = useMemo(() => {
    if (!read.stations) return null;
    const surface = surfaceThrough(read.stations, waterline, 0);
    return {
      length: surface.bow - surface.aft,
      beam: 2 * Math.max(...read.stations.flatMap(({ points }) => points.map(([y]) => y))),
      mass: surface.displacedVolume * 1025,
    };
  }, [read.stations, waterline]);

  const take = () => {
    if (!read.stations) return;
    const chine = read.stations.some((station) => station.chine !== null);
    const common = {
      hardEdges: { keel: boat.hull?.hardEdges.keel ?? true, chine },
      file: name.slice(0, 200),
      waterline,
      transomRakeDeg: boat.hull?.transomRakeDeg ?? 0,
      stations: read.stations,
    };
    const said = onTake(
      way === 'mesh' ? { source: 'mesh', ...common, triangles: mesh!.triangles } : { source: 'offsets', ...common },
    );
    if (said) setTrouble(said);
    else onClose();
  };
  const columnSelect = (label: string, key: keyof typeof columns, optional = false) => (
    <Col>
      <Form.Group controlId={`offset-${key}`}>
        <Form.Label className="mb-0 small">{label}</Form.Label>
        <Form.Select
          size="sm"
          value={columns[key]}
          onChange={(event) => setColumns({ ...columns, [key]: Number(event.target.value) })}
        >
          {optional && <option value={-1}>not in the file</option>}
          {table!.heads.map((head, i) => (
            <option key={head} value={i}>
              {head}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
    </Col>
  );
  const axis = (
    label: string,
    value: string,
    set: (next: string) => void,
    other: (next: string) => { unit: string; forward: string; up: string },
  ) => (
    <Col>
      <Form.Group controlId={`mesh-${label}`}>
        <Form.Label className="mb-0 small">{label}</Form.Label>
        <Form.Select
          size="sm"
          value={value}
          onChange={(event) => {
            set(event.target.value);
            if (picked) void readMesh(picked, other(event.target.value));
          }}
        >
          {(label === 'Unit' ? ['m', 'cm', 'mm', 'in', 'ft'] : AXES).map((option) => (
            <option key={option} value={option}>
              {option.replace('-', '−')}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
    </Col>
  );

  return (
    <Modal show onHide={onClose} size="lg" scrollable aria-labelledby="hull-import-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="hull-import-title">
          Hull from a file
        </Modal.Title>
      </Modal.Header>
      <Modal.Body tabIndex={0}>
        <Tabs className="mb-2" names={{ offsets: 'Table of offsets', mesh: 'Mesh' }} open={way} onOpen={setWay} />
        <Refusal text={trouble ?? read.error} />
        {way === 'offsets' ? (
          <>
            <div className="d-flex gap-2 align-items-center mb-2">
              <FileButton
                label="Table of offsets"
                accept=".csv,.txt,.xlsx,text/csv"
                primary={!table}
                onFile={(file) => void readOffsets(file)}
              >
                {table ? 'Another file' : 'Choose a CSV or XLSX file'}
              </FileButton>
              <span className="soft small">
                {table
                  ? `${name}: ${table.rows.length} rows`
                  : 'One point a row (station, half-breadth, height), or half-breadths with stations across.'}
              </span>
            </div>
            {table && (
              <Row className="g-2 mb-2" xs={2} md={4}>
                <Col>
                  <Form.Group controlId="offset-layout">
                    <Form.Label className="mb-0 small">Layout</Form.Label>
                    <Form.Select
                      size="sm"
                      value={layout}
                      onChange={(event) => setLayout(event.target.value as typeof layout)}
                    >
                      <option value="points">One point a row</option>
                      <option value="grid">Stations across, lines down</option>
                    </Form.Select>
                  </Form.Group>
                </Col>
                <Col>
                  <Form.Group controlId="offset-unit">
                    <Form.Label className="mb-0 small">Unit of the table</Form.Label>
                    <Form.Select size="sm" value={unit} onChange={(event) => setUnit(event.target.value as OffsetUnit)}>
                      {Object.entries(OFFSET_UNITS).map(([key, words]) => (
                        <option key={key} value={key}>
                          {words}
                        </option>
                      ))}
                    </Form.Select>
                  </Form.Group>
                </Col>
                <Col>
                  <Form.Group controlId="offset-direction">
                    <Form.Label className="mb-0 small">Stations count</Form.Label>
                    <Form.Select
                      size="sm"
                      value={direction}
                      onChange={(event) => setDirection(event.target.value as typeof direction)}
                    >
                      <option value="fromAft">forward from aft</option>
                      <option value="fromBow">aft from the bow</option>
                    </Form.Select>
                  </Form.Group>
                </Col>
                {layout === 'points' ? (
                  <>
                    {columnSelect('Station', 'station')}
                    {columnSelect('Half-breadth', 'halfBreadth')}
                    {columnSelect('Height', 'height')}
                    {columnSelect('Line (names the chine)', 'line', true)}
                  </>
                ) : (
                  columnSelect('Line or height', 'label')
                )}
              </Row>
            )}
          </>
        ) : (
          <>
            <div className="d-flex gap-2 align-items-center mb-2">
              <FileButton
                label="Hull mesh"
                accept=".stl,.obj"
                primary={!picked}
                disabled={busy}
                onFile={(file) => {
                  setPicked(file);
                  void readMesh(file, { unit: meshUnit, forward, up });
                }}
              >
                {fileLabel(busy, picked !== null)}
              </FileButton>
              <span className="soft small">
                {mesh
                  ? `${name}: ${mesh.triangles} triangles, ${mesh.openEdges} edges on its rim`
                  : 'The skin of the hull without its deck, up to 30 MB.'}
              </span>
            </div>
            <Row className="g-2 mb-2" xs={3}>
              {axis('Unit', meshUnit, setMeshUnit, (next) => ({ unit: next, forward, up }))}
              {axis('To the bow', forward, setForward, (next) => ({ unit: meshUnit, forward: next, up }))}
              {axis('Up', up, setUp, (next) => ({ unit: meshUnit, forward, up: next }))}
            </Row>
          </>
        )}
        <Row className="g-2 mb-2" xs={2}>
          <Col>
            <QuantityField
              label="Waterline above the baseline"
              kind="length"
              value={waterline}
              minimum={0.01}
              maximum={6}
              hint="in the heights of the file"
              onCommit={(value) => setWaterline(value!)}
            />
          </Col>
          <Col>
            <QuantityField
              label="Aft end of the waterline"
              kind="length"
              value={origin}
              minimum={-100}
              maximum={100}
              hint="in the stations of the file; this becomes 0"
              onCommit={(value) => setOrigin(value!)}
            />
          </Col>
        </Row>
        {read.stations && (
          <>
            <div className="hull-preview">
              <Preview stations={read.stations} waterline={waterline} />
            </div>
            <p className="small mb-0">
              {read.stations.length} stations, {full(found!.length, 'length')} long, {full(found!.beam, 'length')} wide,{' '}
              {read.stations.some(({ chine }) => chine !== null) ? 'with a chine (dots)' : 'round bilge'}. Below the
              waterline it displaces {full(found!.mass, 'mass')} of sea water; the brief says{' '}
              {full(boat.brief.loadedMass, 'mass')} ({formatNumber((found!.mass / boat.brief.loadedMass - 1) * 100, 0)}{' '}
              %).
            </p>
          </>
        )}
      </Modal.Body>
      <Modal.Footer>
        <Button variant="outline-primary" onClick={onClose}>
          Cancel
        </Button>
        <Button disabled={!read.stations} onClick={take}>
          Take this hull
        </Button>
      </Modal.Footer>
    </Modal>
  );
}
