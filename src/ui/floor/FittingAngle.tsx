'use client';
import { useState } from 'react';
import { fittingAngle, type RiseOverRun } from '@/core/align';
import { QuantityField } from '../shared/QuantityField';

const START: RiseOverRun = { rise: 0, run: 0.3 };

const eighths = ['forward', 'forward and to starboard', 'to starboard', 'aft and to starboard', 'aft'];
/** Where a direction from forward points, in words; to starboard positive. */
const toward = (degrees: number) => {
  const words = eighths[Math.round(Math.abs(degrees) / 45)]!;
  return degrees < 0 ? words.replace('starboard', 'port') : words;
};

/** The wedge under a fitting that stands plumb on a sloping surface, by rise over run. */
export function FittingAngle({ lean }: { lean: number }) {
  const [forward, setForward] = useState(START);
  const [starboard, setStarboard] = useState(START);
  const [trim, setTrim] = useState(0);
  const { wedgeDeg, thickEndDeg, forwardDeg, starboardDeg } = fittingAngle({
    forward,
    starboard,
    leanDeg: lean,
    trimDeg: trim,
  });
  const field = (label: string, value: RiseOverRun, key: keyof RiseOverRun, put: (value: RiseOverRun) => void) => (
    <QuantityField
      label={label}
      kind="shortLength"
      value={value[key]}
      minimum={key === 'run' ? 0.01 : -20}
      maximum={20}
      onCommit={(typed) => put({ ...value, [key]: typed ?? value[key] })}
    />
  );
  return (
    <section className="floor-card fitting-angle" aria-label="Angle of a fitting">
      <div>
        <h2>Angle that a fitting must stand at</h2>
        <div className="align-pair">
          {field('Rises going forward by', forward, 'rise', setForward)}
          {field('over', forward, 'run', setForward)}
          {field('Rises going to starboard by', starboard, 'rise', setStarboard)}
          {field('over ', starboard, 'run', setStarboard)}
          <QuantityField
            label="Bow up in the shop"
            kind="angle"
            value={trim}
            minimum={-30}
            maximum={30}
            onCommit={(value) => setTrim(value ?? 0)}
          />
        </div>
        <p className="mb-0" role="status">
          A wedge of <strong>{wedgeDeg.toFixed(1)}°</strong>
          {wedgeDeg > 0.05 && <>, thick end {toward(thickEndDeg)}</>}. On the level boat the surface rises{' '}
          {forwardDeg.toFixed(1)}° going forward and {starboardDeg.toFixed(1)}° going to starboard; the lean of{' '}
          {lean.toFixed(2)}° found above is taken off.
        </p>
      </div>
    </section>
  );
}
