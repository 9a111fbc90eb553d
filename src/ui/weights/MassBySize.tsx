import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Boat, Item } from '@/core/document';
import { ZONE_LOCATIONS, type ZoneLocation } from '@/core/standard';
import { beadMass, locationsOf, paintOver } from '@/core/weight';
import { QuantityField } from '../shared/QuantityField';
import { useUnits } from '../shared/units';

interface Props {
  boat: Boat;
  item: Item;
  onTake: (patch: Partial<Item>) => void;
}

/** Paint by its film over places of the boat. */
export function PaintByFilm({ boat, item, onTake }: Props) {
  const { full } = useUnits();
  const places = locationsOf(boat);
  const [over, setOver] = useState<ReadonlySet<ZoneLocation>>(new Set(places.filter((place) => place === 'bottom')));
  const [thickness, setThickness] = useState(0.0003);
  const [density, setDensity] = useState(1500);
  const found = paintOver(boat, [...over], { thickness, density });
  const tick = (place: ZoneLocation, on: boolean) => {
    const next = new Set(over);
    if (on) next.add(place);
    else next.delete(place);
    setOver(next);
  };
  return (
    <details>
      <summary>By its film</summary>
      <div className="d-flex flex-wrap gap-2 my-1">
        {places.map((place) => (
          <Form.Check
            key={place}
            id={`film-${place}`}
            label={ZONE_LOCATIONS[place].label}
            checked={over.has(place)}
            onChange={({ target }) => tick(place, target.checked)}
          />
        ))}
      </div>
      <div className="detail-fields">
        <QuantityField
          label="Dry film, all coats"
          kind="thickness"
          value={thickness}
          minimum={1e-5}
          maximum={0.01}
          onCommit={(value) => setThickness(value!)}
        />
        <QuantityField
          label="Density of the film"
          kind="density"
          value={density}
          minimum={500}
          maximum={5000}
          onCommit={(value) => setDensity(value!)}
        />
      </div>
      {found ? (
        <p className="mb-0">
          {full(found.area, 'area')}: {full(found.mass, 'mass')}.{' '}
          <Button
            size="sm"
            variant="outline-primary"
            onClick={() =>
              onTake({
                mass: Number((found.mass / item.number).toFixed(2)),
                x: Number(found.centre[0].toFixed(3)),
                y: 0,
                z: Number(found.centre[2].toFixed(3)),
              })
            }
          >
            Take it
          </Button>
        </p>
      ) : (
        <p className="soft mb-0">Tick what it covers.</p>
      )}
    </details>
  );
}

/** Adhesive and fillets by their length and section. */
export function BondingBySection({ item, onTake }: Omit<Props, 'boat'>) {
  const { full } = useUnits();
  const [length, setLength] = useState(10);
  const [section, setSection] = useState(2e-4);
  const [density, setDensity] = useState(1300);
  const mass = beadMass(length, section, density);
  return (
    <details>
      <summary>By its length and section</summary>
      <div className="detail-fields">
        <QuantityField
          label="Length of the bead or fillet"
          kind="length"
          value={length}
          minimum={0.01}
          maximum={1000}
          onCommit={(value) => setLength(value!)}
        />
        <QuantityField
          label="Section"
          kind="smallArea"
          value={section}
          minimum={1e-6}
          maximum={0.1}
          hint="breadth × thickness; of a fillet of radius R about 0.21 R²"
          onCommit={(value) => setSection(value!)}
        />
        <QuantityField
          label="Density of the adhesive"
          kind="density"
          value={density}
          minimum={300}
          maximum={3000}
          onCommit={(value) => setDensity(value!)}
        />
      </div>
      <p className="mb-0">
        {full(mass, 'mass')}.{' '}
        <Button
          size="sm"
          variant="outline-primary"
          onClick={() => onTake({ mass: Number(Math.max(0.001, mass / item.number).toFixed(3)) })}
        >
          Take it
        </Button>
      </p>
    </details>
  );
}
