import type { Caution } from '@/core/caution';
import type { Zone } from '@/core/document';
import { CautionMark } from '../shared/CautionList';
import { useUnits } from '../shared/units';

/** Names of the columns; a zone's head chooses the zone. */
export function GridHead({
  zones,
  zoneId,
  cautions,
  onZone,
}: {
  zones: readonly Zone[];
  zoneId: string | null;
  cautions: readonly Caution[];
  /** With the place of the zone among those that stand in the grid. */
  onZone: (place: number) => void;
}) {
  const { unit } = useUnits();
  return (
    <thead>
      <tr role="row">
        <th scope="col">
          <span className="visually-hidden">Move</span>
        </th>
        <th scope="col" className="num">
          #
        </th>
        <th scope="col">
          <span className="visually-hidden">Directions</span>
        </th>
        <th scope="col">Layer</th>
        <th scope="col" className="num">
          Angle, thick.
        </th>
        <th scope="col" className="num">
          Dry <span className="unit d-block">{unit('arealWeight')}</span>
        </th>
        {zones.map((zone, place) => (
          <th
            key={zone.id}
            scope="col"
            className={`zone-head ${zone.id === zoneId ? 'chosen' : ''}`}
            onClick={() => onZone(place)}
          >
            {zone.name}{' '}
            <CautionMark
              cautions={cautions.filter(({ layerId, zoneIds }) => layerId === null && zoneIds.includes(zone.id))}
            />
          </th>
        ))}
      </tr>
    </thead>
  );
}
