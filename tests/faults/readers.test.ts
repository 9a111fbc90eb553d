import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { KeramosError } from '@/core/error';
import { meshToStations, OFFSET_UNITS, offsetsToStations, type OffsetMapping } from '@/core/geometry';
import { boatFromJson, boatToJson } from '../../src/core/document';
import { packFromJson, packToJson, SHIPPED_PACKS } from '@/core/standard';
import { readMesh } from '@/server/mesh/readMesh';
import { readTable } from '@/server/table/readTable';
import { brant } from '../helpers/merrow';

/** Whatever comes in, a reader answers or refuses in words; it never breaks otherwise. */
async function answersOrRefuses(work: () => unknown): Promise<void> {
  try {
    await work();
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    expect(error.message.length).toBeGreaterThan(8);
  }
}
const text = new TextEncoder();

/** A document with some of its characters replaced, dropped or doubled. */
const spoiled = (document: string) =>
  fc
    .array(
      fc.tuple(fc.nat(document.length - 1), fc.constantFrom('', '0', '-', '"', '}', 'null', '1e999', 'é'), fc.nat(6)),
      { minLength: 1, maxLength: 6 },
    )
    .map((cuts) =>
      cuts.reduce((at, [place, put, drop]) => at.slice(0, place) + put + at.slice(place + drop), document),
    );

describe('broken files', () => {
  it('meshes of any bytes, under either name', async () => {
    await fc.assert(
      fc.asyncProperty(fc.uint8Array({ maxLength: 700 }), fc.constantFrom('a.stl', 'a.obj', 'a.txt'), (bytes, name) =>
        answersOrRefuses(() => meshToStations(readMesh(bytes, name, { unit: 'm', forward: '+x', up: '+z' }))),
      ),
      { numRuns: 200 },
    );
  });
  it('meshes of any triangles', async () => {
    const corner = fc.double({ min: -20, max: 20, noNaN: true });
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.array(corner, { minLength: 9, maxLength: 9 }), { minLength: 1, maxLength: 60 }),
        (triangles) => answersOrRefuses(() => meshToStations(Float64Array.from(triangles.flat()))),
      ),
      { numRuns: 100 },
    );
  });
  it('tables of any cells, mapped in any way', async () => {
    const cell = fc.oneof(
      fc.string({ maxLength: 8 }),
      fc.double({ min: -50, max: 5000, noNaN: true }).map(String),
      fc.constantFrom('2-7-4', '', '-', '1,5', 'chine', 'keel'),
    );
    const mapping: fc.Arbitrary<OffsetMapping> = fc.record({
      unit: fc.constantFrom(...(Object.keys(OFFSET_UNITS) as (keyof typeof OFFSET_UNITS)[])),
      direction: fc.constantFrom('fromAft', 'fromBow'),
      origin: fc.double({ min: -10, max: 10, noNaN: true }),
      waterline: fc.constant(0.4),
      layout: fc.oneof(
        fc.record({
          kind: fc.constant('points' as const),
          station: fc.nat(5),
          halfBreadth: fc.nat(5),
          height: fc.nat(5),
          line: fc.option(fc.nat(5)),
        }),
        fc.record({ kind: fc.constant('grid' as const), label: fc.nat(5) }),
      ),
    });
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.array(cell, { minLength: 4, maxLength: 4 }), { minLength: 1, maxLength: 30 }),
        mapping,
        (rows, how) => answersOrRefuses(() => offsetsToStations(['A', 'B', 'C', 'D'], rows, how)),
      ),
      { numRuns: 300 },
    );
  });
  it('tables of any bytes', async () => {
    await fc.assert(
      fc.asyncProperty(fc.uint8Array({ maxLength: 300 }), fc.constantFrom('a.csv', 'a.xlsx'), (bytes, name) =>
        answersOrRefuses(() => readTable(bytes, name)),
      ),
      { numRuns: 100 },
    );
  });
  it.each(SHIPPED_PACKS.map((pack) => [pack.title, packToJson(pack)] as const))(
    'a pack with slips in it: %s',
    async (_, document) => {
      await fc.assert(
        fc.asyncProperty(spoiled(document), (broken) => answersOrRefuses(() => packFromJson(broken))),
        { numRuns: 150 },
      );
    },
  );
  it('a boat with slips in it is refused, or is a boat that goes out again', async () => {
    await fc.assert(
      fc.asyncProperty(spoiled(boatToJson(brant())), (broken) =>
        answersOrRefuses(() => boatToJson(boatFromJson(broken))),
      ),
      { numRuns: 60 },
    );
  });
  it('bytes that are no text at all', async () => {
    for (const bytes of [text.encode('\u0000\u0000'), new Uint8Array(84), new Uint8Array(5000).fill(255)])
      await answersOrRefuses(() => readMesh(bytes, 'x.stl', { unit: 'm', forward: '+x', up: '+z' }));
  });
});
