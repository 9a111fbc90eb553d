import { useMutation } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { surfaceThrough, type HullShape, type Station } from '@/core/geometry';
import type { Boat } from '@/core/document';
import { readFile, wordsOf } from '../../shared/api';
import type { MeshAnswer, MeshPlacement } from './MeshSource';
import { useTableFile } from '../../shared/table/useTableFile';
import { choicesOf, readingOf, stationsOf, type OffsetsReading } from './offsetsTable';

const SEA_WATER = 1025;
const LONGEST_NAME = 200;
/** To begin with, m. */
const USUAL_WATERLINE = 0.4;

/** Height of the waterline to begin with, m: that of the hull that is there. */
function waterlineOf(hull: Boat['hull']): number {
  if (hull === null) return USUAL_WATERLINE;
  return hull.source === 'particulars' ? hull.draft : hull.waterline;
}

/** Length, beam (m) and displacement to the waterline (kg) of what was read. */
function measured(stations: readonly Station[], waterline: number) {
  const surface = surfaceThrough([...stations], waterline, 0);
  return {
    length: surface.bow - surface.aft,
    beam: 2 * Math.max(...stations.flatMap(({ points }) => points.map(([y]) => y))),
    mass: surface.displacedVolume * SEA_WATER,
  };
}

/** A hull that is being read from a file: how it is read, what came of it, and why it cannot be read. */
export function useHullFile(boat: Boat) {
  const [way, setWay] = useState<'offsets' | 'mesh'>('offsets');
  const source = useTableFile({ purpose: 'offsets' });
  const { table, file, recalled } = source;
  /** What the reader said of the table, while it is the same table. */
  const [said, setSaid] = useState<{ heads: string; reading: OffsetsReading } | null>(null);
  const [picked, setPicked] = useState<File | null>(null);
  const [placement, setPlacement] = useState<MeshPlacement>({ unit: 'm', forward: '+x', up: '+z' });
  const [waterline, setWaterline] = useState(waterlineOf(boat.hull));
  const [origin, setOrigin] = useState(0);
  const heads = table?.heads.join('|') ?? '';
  const guessed = useMemo(() => table && readingOf(table, recalled), [table, recalled]);
  const reading = said?.heads === heads ? said.reading : guessed;
  const mesh = useMutation({
    mutationFn: ({ file, lies }: { file: File; lies: MeshPlacement }) =>
      readFile<MeshAnswer>(`/api/hull/mesh?${new URLSearchParams({ name: file.name, ...lies })}`, file),
  });
  const cut = mesh.data ?? null;

  const read = useMemo((): { stations: Station[] | null; error: string | null } => {
    try {
      if (way === 'mesh')
        return { stations: cut?.stations.map((one) => ({ ...one, x: one.x - origin })) ?? null, error: null };
      const decimal = file?.decimal ?? '.';
      const stations = table && reading && stationsOf(table, reading, { decimal, origin, waterline });
      return { stations, error: null };
    } catch (error) {
      return { stations: null, error: wordsOf(error) };
    }
  }, [way, cut, table, reading, file, origin, waterline]);
  const found = useMemo(() => read.stations && measured(read.stations, waterline), [read.stations, waterline]);
  const failed = way === 'mesh' ? mesh.error && wordsOf(mesh.error) : source.trouble;

  const hull = (): HullShape | null => {
    if (!read.stations) return null;
    const common = {
      hardEdges: {
        keel: boat.hull?.hardEdges.keel ?? true,
        chine: read.stations.some(({ chine }) => chine !== null),
        floors: boat.hull?.hardEdges.floors ?? 'band',
      },
      file: ((way === 'mesh' ? picked?.name : file?.name) ?? '').slice(0, LONGEST_NAME),
      waterline,
      transomRakeDeg: boat.hull?.transomRakeDeg ?? 0,
      stations: read.stations,
    };
    return way === 'mesh' ? { source: 'mesh', ...common, triangles: cut!.triangles } : { source: 'offsets', ...common };
  };
  return {
    way,
    setWay,
    source,
    reading,
    setReading: (now: OffsetsReading) => setSaid({ heads, reading: now }),
    /** Keep how the table was read, once its hull is taken. */
    remember: () => {
      if (way === 'offsets' && table && reading) void source.remember(choicesOf(reading, table.heads));
    },
    picked,
    placement,
    cut,
    busy: mesh.isPending,
    readMesh: (file: File) => {
      setPicked(file);
      mesh.mutate({ file, lies: placement });
    },
    place: (lies: MeshPlacement) => {
      setPlacement(lies);
      if (picked) mesh.mutate({ file: picked, lies });
    },
    waterline,
    setWaterline,
    origin,
    setOrigin,
    stations: read.stations,
    found,
    trouble: failed ?? read.error,
    hull,
  };
}
