import type { Boat, Part } from '@/core/document';
import { gridChange } from '@/core/option';
import { useUnits } from '../shared/units';
import { codeOf } from './words';

type Cell = 'stays' | 'comes' | 'goes' | 'none';
const MARKS: Record<Cell, string> = { stays: '■', comes: '+', goes: '×', none: '' };
const WORDS: Record<Cell, string> = { stays: 'stays', comes: 'comes', goes: 'goes', none: '' };

const cellOf = (was: boolean, is: boolean): Cell => {
  if (was && is) return 'stays';
  if (is) return 'comes';
  return was ? 'goes' : 'none';
};

function rowClass({ gone, fresh }: { gone: boolean; fresh: boolean }): string | undefined {
  if (gone) return 'goes';
  return fresh ? 'comes' : undefined;
}

/** The grid of a part with what a change does to it: what stays, what comes, what goes. */
export function GridChange({ before, after, part }: { before: Boat; after: Boat; part: Part }) {
  const { show, unit } = useUnits();
  const now = after.parts.find(({ id }) => id === part.id)!;
  const rows = gridChange(part, now);
  const materials = new Map([...before.materials, ...after.materials].map((material) => [material.id, material]));
  return (
    <div className="table-responsive">
      <table className="table table-sm grid-change mb-0" aria-label={`Layers of ${part.name}, before and after`}>
        <thead>
          <tr>
            <th scope="col">Layer, from the mould</th>
            {part.zones.map(({ id, name }) => (
              <th key={id} scope="col" className="zone-head">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ layer, before: was, after: is }) => {
            const gone = is.length === 0;
            const fresh = was.length === 0;
            const name = codeOf(materials.get(layer.material)!);
            return (
              <tr key={layer.id} className={rowClass({ gone, fresh })}>
                <th scope="row">
                  {gone ? <s>{name}</s> : name}
                  {layer.angleDeg !== 0 && ` ${layer.angleDeg}°`.replace('-', '−')}
                  {layer.thickness !== null && ` ${show(layer.thickness, 'thickness')} ${unit('thickness')}`}
                </th>
                {part.zones.map(({ id, name: zone }) => {
                  const cell = cellOf(was.includes(id), is.includes(id));
                  return (
                    <td key={id} className={`cell ${cell}`}>
                      <span aria-hidden="true">{MARKS[cell]}</span>
                      {cell !== 'none' && (
                        <span className="visually-hidden">
                          {WORDS[cell]} in {zone}
                        </span>
                      )}
                    </td>
                  );
                })}
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="small soft mb-0 mt-1">
        {(['stays', 'comes', 'goes'] as const).map((cell) => `${MARKS[cell]} ${WORDS[cell]}`).join('  ·  ')}
      </p>
    </div>
  );
}
