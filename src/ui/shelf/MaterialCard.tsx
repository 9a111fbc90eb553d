'use client';
import { Button, Card } from 'react-bootstrap';
import {
  CHOICES,
  COMPONENT_FORMS,
  CORE_FORMS,
  FIGURES,
  fabricArealWeight,
  familyName,
  figureOf,
  isLayerMaterial,
  isStyrenated,
  ORIGINS,
  type Origin,
  type ShelfItem,
  PLY_FIGURES,
  PROCESSES,
  type Material,
} from '@/core/material';
import { formatNumber } from '@/core/quantity';
import { FibreGlyph } from '../layup/FibreGlyph';
import { useUnits } from '../shared/units';
import { AsLaid, type Making } from './AsLaid';
import { FabricPicture } from './FabricPicture';
import { writeDirections } from './fields';
import { ResinFits } from './ResinFits';
import { isStocked, MaterialStock } from './MaterialStock';
import { YardPrice } from './YardPrice';

const OriginTag = ({ origin }: { origin: Origin }) => <span className="origin">{ORIGINS[origin]}</span>;

/** Everything the Shelf knows of one material, each figure with its origin. */
export function MaterialCard({
  item,
  fibreNames,
  shelf,
  making,
  onMaking,
  onEdit,
  onCopy,
  onDrop,
}: {
  item: ShelfItem;
  fibreNames: ReadonlyMap<string, string>;
  shelf: readonly Material[];
  making: Making;
  onMaking: (making: Making) => void;
  onEdit: () => void;
  onCopy: () => void;
  onDrop: () => void;
}) {
  const { show, unit, full } = useUnits();
  const { material, own, generic } = item;
  return (
    <Card data-testid="material-card">
      <Card.Body>
        <div className="d-flex gap-2 align-items-center mb-1">
          {isLayerMaterial(material) && <FibreGlyph material={material} angleDeg={0} />}
          <h2 className="mb-0">{material.name}</h2>
          {'code' in material && <strong className="origin">{material.code}</strong>}
          {own && <span className="origin">{generic ? "yard's figures" : "yard's own"}</span>}
        </div>
        <p className="soft mb-2">
          {[
            familyName(material),
            ...(CHOICES[material.kind] ?? [])
              .map(({ key, options }) => options[(material as unknown as Record<string, string>)[key]!]!)
              .filter((word) => word !== 'not woven' && word !== 'no binder'),
            ...(material.kind === 'core' ? [material.forms.map((form) => CORE_FORMS[form]).join(', ')] : []),
            ...(material.kind === 'resin' ? [isStyrenated(material) ? 'carries styrene' : 'free of styrene'] : []),
          ].join('; ')}
          . {material.note}
        </p>
        {material.kind === 'fabric' && (
          <>
            <FabricPicture fabric={material} />
            <AsLaid fabric={material} materials={shelf} making={making} onMaking={onMaking} />
          </>
        )}
        <table className="table table-sm mb-2" aria-label={`Figures of ${material.name}`}>
          <thead>
            <tr>
              <th>Figure</th>
              <th className="num">Value</th>
              <th>Unit</th>
              <th>Origin</th>
            </tr>
          </thead>
          <tbody>
            {FIGURES[material.kind].map(({ key, label, kind }) => {
              const figure = figureOf(material, key);
              if (!figure) return null;
              return (
                <tr key={key}>
                  <td>{label}</td>
                  <td className="num">{show(figure.value, kind)}</td>
                  <td>{unit(kind)}</td>
                  <td>
                    <OriginTag origin={figure.origin} />
                    {figure.n && <span className="small soft"> n {figure.n}</span>}
                  </td>
                </tr>
              );
            })}
            {material.kind === 'fabric' && (
              <tr className="fw-semibold">
                <td>Dry weight</td>
                <td className="num">{show(fabricArealWeight(material), 'arealWeight')}</td>
                <td>{unit('arealWeight')}</td>
                <td />
              </tr>
            )}
            {material.kind === 'fabric' &&
              material.components.map((component, index) => (
                <tr key={index}>
                  <td>
                    {fibreNames.get(component.fibre) ?? component.fibre}, {COMPONENT_FORMS[component.form]}
                    {component.sublayers.length > 0 && (
                      <div className="small soft">
                        directions {writeDirections(component.sublayers)} %; E1 kept{' '}
                        {formatNumber(component.crimpFactor * 100, 0)} %
                      </div>
                    )}
                    {component.measured.map(({ property, value, origin, n, process }, i) => (
                      <div key={i} className="small">
                        {PLY_FIGURES[property].label} {full(value, PLY_FIGURES[property].kind)}{' '}
                        <OriginTag origin={origin} /> {n ? `n ${n}` : ''} {process ? PROCESSES[process].name : ''}
                      </div>
                    ))}
                  </td>
                  <td className="num">{show(component.arealWeight.value, 'arealWeight')}</td>
                  <td>{unit('arealWeight')}</td>
                  <td>
                    <OriginTag origin={component.arealWeight.origin} />
                  </td>
                </tr>
              ))}
            {material.kind === 'core' && (
              <tr>
                <td>Sheets</td>
                <td className="num text-wrap">{material.thicknesses.map((t) => show(t, 'thickness')).join(', ')}</td>
                <td>{unit('thickness')}</td>
                <td />
              </tr>
            )}
          </tbody>
        </table>
        {FIGURES[material.kind].some(({ key }) => key === 'price') && (
          <YardPrice key={material.id} material={material.id} />
        )}
        {isStocked(material) && <MaterialStock key={`stock ${material.id}`} material={material} />}
        {material.kind === 'resin' && <ResinFits resin={material} materials={shelf} />}
        <div className="d-flex gap-2 mt-2">
          <Button size="sm" onClick={onEdit}>
            {own ? 'Change figures' : "Put the yard's figures"}
          </Button>
          <Button size="sm" variant="outline-primary" onClick={onCopy}>
            New one from this
          </Button>
          {own && (
            <Button size="sm" variant="outline-primary" onClick={onDrop}>
              {generic ? 'Back to generic figures' : 'Remove'}
            </Button>
          )}
        </div>
        <p className="form-text mb-0">
          Boats keep the figures they were drawn with; Lay-up uses the Shelf's for materials a boat has not used yet.
        </p>
      </Card.Body>
    </Card>
  );
}
