'use client';
import { useMemo, useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { formatNumber } from '@/core/quantity';
import { isOneHanded, shapeOf, type Boat, type Join, type Part } from '@/core/document';
import { linesOfPart, partSection, staggered, withJoin, type Cut, type LineState } from '@/core/lines';
import type { Edit } from '@/core/edit';
import type { ZoneEvaluation } from '@/core/evaluate';
import { Term } from '../help/Term';
import { QuantityField } from '../shared/QuantityField';
import { useUnits } from '../shared/units';
import { PartSectionDrawing } from './PartSectionDrawing';

type Act = (label: string | null, ...edits: Edit[]) => string | undefined;
const keyOf = ({ line }: LineState) => `${line.a}|${line.b}`;
const LAP = 0.1;

/** A part cut along and across, and what every layer does at the lines between its zones. */
export function LinesView({
  boat,
  part,
  evaluations,
  zoneId,
  chosenLayer,
  act,
  say,
  onZone,
}: {
  boat: Boat;
  part: Part;
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
  zoneId: string | null;
  chosenLayer: string | null;
  act: Act;
  say: (text: string | undefined) => void;
  onZone: (id: string) => void;
}) {
  const { full } = useUnits();
  const shape = shapeOf(boat);
  const zone = part.zones.find(({ id }) => id === zoneId);
  const region = zone?.region;
  const usualX =
    region && 'from' in region && shape
      ? (Math.max(shape.hull.aft, region.from) + Math.min(shape.hull.bow, region.to)) / 2
      : (zone?.geometry.centroidX ?? 2);
  const [x, setX] = useState<number | null>(null);
  const [s, setS] = useState(0.5);
  const [chosen, setChosen] = useState<string | null>(null);
  const lines = useMemo(() => linesOfPart(boat, part, evaluations), [boat, part, evaluations]);
  const at = x ?? Number(usualX.toFixed(2));
  const handed = part.zones.some(isOneHanded);
  const hand = zone?.hand === 'starboard' ? 'starboard' : 'port';
  const cuts: [string, Cut][] = shape
    ? [
        [`Across, at x ${at.toFixed(2)} m`, { kind: 'across', x: at }],
        [handed ? `Along, ${hand} side` : 'Along', { kind: 'along', s, hand }],
      ]
    : [['Through the zones in their order', { kind: 'along', s }]];
  const state =
    lines.find((one) => keyOf(one) === chosen) ?? lines.find(({ findings }) => findings.length > 0) ?? lines[0];
  const put = (join: Join, label: string | null = null) =>
    act(label, { type: 'part.set', partId: part.id, patch: { joins: withJoin(part, join) } });
  const steep = lines.filter(({ findings }) => findings.some(({ kind }) => kind === 'steep'));
  const nameOf = (id: string) => part.zones.find((one) => one.id === id)?.name ?? id;

  return (
    <div className="lines-view">
      <div className="d-flex gap-3 align-items-end mb-1 flex-wrap">
        {shape && (
          <>
            <Form.Group controlId="cut-x">
              <Form.Label className="mb-0 small d-block">Cut across at x: {at.toFixed(2)} m</Form.Label>
              <Form.Range
                min={shape.hull.aft + 0.02}
                max={shape.hull.bow - 0.02}
                step="0.02"
                value={at}
                onChange={(event) => setX(Number(event.target.value))}
              />
            </Form.Group>
            <Form.Group controlId="cut-s">
              <Form.Label className="mb-0 small d-block">
                Cut along between keel and deck edge: {formatNumber(s * 50, 0)} % of the girth
              </Form.Label>
              <Form.Range
                min="0.02"
                max="1.98"
                step="0.02"
                value={s}
                onChange={(event) => setS(Number(event.target.value))}
              />
            </Form.Group>
          </>
        )}
        {steep.length > 0 && (
          <Button
            size="sm"
            onClick={() => {
              const joins = steep.reduce(
                (known, one) => withJoin({ ...part, joins: known }, staggered(part, one)),
                part.joins,
              );
              say(
                act(
                  `laid out the drop-offs at ${steep.length} ${steep.length === 1 ? 'line' : 'lines'} of ${part.name}`,
                  { type: 'part.set', partId: part.id, patch: { joins } },
                ),
              );
            }}
          >
            Lay out all drop-offs at 1 : {formatNumber(part.dropRatio, 0)}
          </Button>
        )}
      </div>
      {cuts.map(([title, cut]) => {
        const section = partSection(boat, part, evaluations, cut);
        return (
          <figure key={title} className="mb-2">
            <figcaption className="small fw-semibold">{title}</figcaption>
            {section.zones.length === 0 ? (
              <p className="soft small">No zone of {part.name} lies there.</p>
            ) : (
              <div className="section-scroll">
                <PartSectionDrawing
                  section={section}
                  boat={boat}
                  part={part}
                  chosenLayer={chosenLayer}
                  chosenLine={state ? keyOf(state) : null}
                  onLine={setChosen}
                  title={`${part.name}, ${title.toLowerCase()}`}
                />
              </div>
            )}
          </figure>
        );
      })}
      <div className="lines-columns">
        <Card>
          <Card.Body>
            <h2>
              Lines between zones, and where layers <Term of="dropOff">drop off</Term>
            </h2>
            <div className="lines-list">
              <table className="table table-sm" aria-label={`Lines between the zones of ${part.name}`}>
                <thead>
                  <tr>
                    <th>Line</th>
                    <th className="num">Length</th>
                    <th className="num">Stop</th>
                    <th className="num">Lap</th>
                    <th className="num">Thickest</th>
                    <th>Drop-offs</th>
                  </tr>
                </thead>
                <tbody>
                  {lines.map((one) => {
                    const key = keyOf(one);
                    const stops = one.layers.filter(({ covers }) => covers !== 'both').length;
                    return (
                      <tr key={key} className={state && key === keyOf(state) ? 'chosen-row' : ''}>
                        <td>
                          <button type="button" className="plain-button text-start" onClick={() => setChosen(key)}>
                            {one.line.name}
                          </button>
                        </td>
                        <td className="num">
                          {(one.join.length ?? one.line.length) === null
                            ? '–'
                            : full((one.join.length ?? one.line.length)!, 'length')}
                        </td>
                        <td className="num">{stops}</td>
                        <td className="num">{one.lapWidth > 0 ? full(one.lapWidth, 'shortLength') : '–'}</td>
                        <td className="num">{full(one.lapThickness, 'thickness')}</td>
                        <td>
                          {one.findings.length > 0 ? (
                            <span className="verdict thin">△ {one.findings.length} to mend</span>
                          ) : (
                            <span className="verdict meets">✓</span>
                          )}
                        </td>
                      </tr>
                    );
                  })}
                  {lines.length === 0 && (
                    <tr>
                      <td colSpan={6} className="soft">
                        The zones of this part meet nowhere: place them on the boat under Zones.
                      </td>
                    </tr>
                  )}
                </tbody>
              </table>
            </div>
          </Card.Body>
        </Card>
        {state && (
          <LineEditor
            key={keyOf(state)}
            state={state}
            part={part}
            put={put}
            say={say}
            nameOf={nameOf}
            onZone={onZone}
          />
        )}
      </div>
    </div>
  );
}

/** How layers meet at one line: laps, ends, bevel. */
function LineEditor({
  state,
  part,
  put,
  say,
  nameOf,
  onZone,
}: {
  state: LineState;
  part: Part;
  put: (join: Join, label?: string | null) => string | undefined;
  say: (text: string | undefined) => void;
  nameOf: (id: string) => string;
  onZone: (id: string) => void;
}) {
  const { full, words } = useUnits();
  const { line, join, layers, findings, mass } = state;
  const setLap = (layer: string, lap: number | null) =>
    put({
      ...join,
      laps: [...join.laps.filter((one) => one.layer !== layer), ...(lap === join.lap ? [] : [{ layer, lap }])],
    });
  const setEnd = (layer: string, past: number) =>
    put({
      ...join,
      ends: [...join.ends.filter((one) => one.layer !== layer), ...(past === 0 ? [] : [{ layer, past }])],
    });
  return (
    <Card>
      <Card.Body>
        <h2>{line.name}</h2>
        <p className="small mb-2">
          <button type="button" className="reason-button" onClick={() => onZone(line.a)}>
            {nameOf(line.a)}
          </button>{' '}
          {full(state.thicknessA, 'thickness')}
          {line.a !== line.b && (
            <>
              {' '}
              meets{' '}
              <button type="button" className="reason-button" onClick={() => onZone(line.b)}>
                {nameOf(line.b)}
              </button>{' '}
              {full(state.thicknessB, 'thickness')}
            </>
          )}
          {state.lapWidth > 0 && (
            <>
              ; {full(state.lapThickness, 'thickness')} over {full(state.lapWidth, 'shortLength')} where they lap
            </>
          )}
          {mass !== null && mass > 0 && <>; laps and run-outs weigh {full(mass, 'mass')}</>}
          {mass === null && <>; their weight needs the length of the line</>}.
        </p>
        {findings.map(({ text }) => (
          <p key={text} className="verdict thin d-block text-wrap mb-1">
            △ {words(text)}
          </p>
        ))}
        <div className="row g-2 mb-2">
          <div className="col-4">
            <Form.Group controlId="line-lap-kind">
              <Form.Label className="mb-0">Layers that cover both</Form.Label>
              <Form.Select
                value={join.lap === null ? 'runs' : 'laps'}
                onChange={(event) => say(put({ ...join, lap: event.target.value === 'laps' ? LAP : null }))}
              >
                <option value="runs">run on in one piece</option>
                <option value="laps">lap over each other</option>
              </Form.Select>
            </Form.Group>
          </div>
          {join.lap !== null && (
            <div className="col-3">
              <QuantityField
                label="Lap"
                kind="shortLength"
                value={join.lap}
                minimum={0.005}
                maximum={2}
                onCommit={(lap) => put({ ...join, lap: lap! })}
              />
            </div>
          )}
          <div className="col-3">
            <QuantityField
              label="Core bevel, 1 to"
              kind="ratio"
              value={join.bevel}
              minimum={1}
              maximum={50}
              optional
              hint={`empty: ${formatNumber(part.coreBevel, 0)}`}
              onCommit={(bevel) => put({ ...join, bevel })}
            />
          </div>
          {line.length === null && (
            <div className="col-3">
              <QuantityField
                label="Length of the line"
                kind="length"
                value={join.length}
                minimum={0}
                maximum={100}
                optional
                onCommit={(length) => put({ ...join, length })}
              />
            </div>
          )}
        </div>
        <div className="d-flex gap-2 mb-2">
          <Button size="sm" onClick={() => say(put(staggered(part, state), `laid out the drop-offs at ${line.name}`))}>
            Lay out drop-offs at 1 : {formatNumber(part.dropRatio, 0)}
          </Button>
          <Button
            size="sm"
            variant="outline-primary"
            disabled={join.ends.length === 0 && join.laps.length === 0 && join.lap === null}
            onClick={() =>
              say(put({ ...join, lap: null, laps: [], ends: [] }, `cleared laps and run-outs at ${line.name}`))
            }
          >
            Clear
          </Button>
        </div>
        <div className="lines-list">
          <table className="table table-sm" aria-label={`Layers at ${line.name}`}>
            <thead>
              <tr>
                <th className="num">#</th>
                <th>Layer</th>
                <th>Here</th>
                <th className="num">Lap, or past the line</th>
              </tr>
            </thead>
            <tbody>
              {layers.map(({ layer, index, laid, covers, lap, past }) => (
                <tr key={layer.id}>
                  <td className="num">{index + 1}</td>
                  <td>{laid.material.code}</td>
                  <td>
                    {covers === 'both' && (lap === null ? 'runs on' : 'laps')}
                    {covers !== 'both' &&
                      `${laid.material.kind === 'core' ? 'tapers in' : 'stops, from'} ${nameOf(line[covers])}`}
                  </td>
                  <td className="num line-entry">
                    {laid.material.kind === 'fabric' &&
                      (covers === 'both' ? (
                        <QuantityField
                          hideLabel
                          label={`Lap of layer ${index + 1}`}
                          kind="shortLength"
                          value={lap}
                          minimum={0.005}
                          maximum={2}
                          optional
                          onCommit={(value) => setLap(layer.id, value)}
                        />
                      ) : (
                        <QuantityField
                          hideLabel
                          label={`Layer ${index + 1} past the line`}
                          kind="shortLength"
                          value={past}
                          minimum={0}
                          maximum={2}
                          onCommit={(value) => setEnd(layer.id, value!)}
                        />
                      ))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </Card.Body>
    </Card>
  );
}
