'use client';
import { nanoid } from 'nanoid';
import { useMemo, useState, type ReactNode } from 'react';
import { Button, ButtonGroup, Card, Form } from 'react-bootstrap';
import type { FillLine, FillPlan } from '@/core/document';
import { KeramosError } from '@/core/error';
import { makeEvaluator } from '@/core/evaluate';
import { clockTime, proposeFor, type Filling } from '@/core/fill';
import type { FlatPoint } from '@/core/geometry';
import type { Mixing } from '@/core/kit';
import { formatNumber } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { Progress } from '../shared/Progress';
import { Refusal } from '../shared/Refusal';
import { useUnits } from '../shared/units';
import { FillVerdict } from './FillVerdict';
import { LineCard } from './LineCard';
import { LinesOut } from './LinesOut';
import { minutes } from './minutes';
import { ResinCard } from './ResinCard';
import { SkinPicture, type Front } from './SkinPicture';
import { runFill, runWhatIfs, stopFill, useFill } from './fillStore';
import { FINENESS, planMark, useFillCase, useSkins, type Fineness } from './usePlan';
import { WhatIfCard } from './WhatIfCard';
import { ZonesFilled } from './ZonesFilled';

interface PlanCardProps {
  plan: FillPlan;
  filling: Filling;
  mixing: Mixing;
  onPlan: (plan: FillPlan) => string | undefined;
  /** What the plan is entered by. */
  children: ReactNode;
}

/** One plan: its picture with lines to draw, the front over time, and what it comes to. */
export function PlanCard({ plan, filling, mixing, onPlan, children }: PlanCardProps) {
  const { boat } = useDesign();
  const { full } = useUnits();
  const part = boat.parts.find(({ id }) => id === plan.part);
  const skin = useSkins(boat, part).find(({ id }) => id === plan.skin);
  const [fineness, setFineness] = useState<Fineness>('quick');
  const mark = planMark(boat, plan, filling, fineness);
  const state = useFill(plan.id, mark);
  const [chosen, setChosen] = useState<string | null>(null);
  const [drawing, setDrawing] = useState<'feed' | 'vent' | null>(null);
  const [drawn, setDrawn] = useState<FlatPoint[]>([]);
  const [until, setUntil] = useState<number | null>(null);
  const [shows, setShows] = useState<'minutes' | 'thickness'>('minutes');
  const [refusal, setRefusal] = useState<string | null>(null);
  const own = useFillCase(boat, plan, filling)!;
  const front = useMemo((): Front | null => {
    if (state.news && typeof own !== 'string') {
      const { mesh, arrived, time } = state.news;
      const arrival = arrived.map((flow) => clockTime(flow, own.flow.rate));
      return { mesh, arrival, until: time, last: time, levels: [], words: String, dry: [] };
    }
    if (!state.filled) return null;
    const { mesh, arrival, outcome, thicker } = state.filled;
    if (shows === 'thickness') {
      const last = Math.max(1, ...Array.from(thicker).filter(Number.isFinite));
      const words = (percent: number) => `${percent} %`;
      return { mesh, arrival: thicker, until: last, last, levels: THICKER, words, dry: outcome.dry };
    }
    const last = Math.max(1, ...Array.from(arrival).filter(Number.isFinite));
    return {
      mesh,
      arrival,
      until: until ?? last,
      last,
      levels: levelsTo(last),
      words: inMinutes,
      dry: until === null ? outcome.dry : [],
    };
  }, [state.news, state.filled, own, until, shows]);
  if (!skin || !part)
    return (
      <Card body className="mb-3">
        ✕ {plan.name}: the skin that it was drawn for is no more. Remove the plan, or undo what took the skin away.
        {children}
      </Card>
    );
  const put = (lines: FillLine[]) => setRefusal(onPlan({ ...plan, lines }) ?? null);
  const finish = () => {
    if (drawing && drawn.length > 0) {
      const count = plan.lines.filter(({ role }) => role === drawing).length;
      const name = `${drawing === 'feed' ? 'Feed' : 'Vacuum'} ${count + 1}`;
      const opens = drawing === 'feed' && count > 0 ? 'arrival' : 'start';
      const line: FillLine = {
        id: nanoid(6),
        name,
        role: drawing,
        points: drawn.map(([x, y]) => [x, y]),
        opens,
        at: 0,
        closes: null,
      };
      put([...plan.lines, line]);
      setChosen(line.id);
    }
    setDrawing(null);
    setDrawn([]);
  };
  const draw = (point: FlatPoint) => {
    const last = drawn.at(-1);
    // A second click on the same place ends the line.
    if (last && Math.hypot(last[0] - point[0], last[1] - point[1]) < 0.005) finish();
    else setDrawn([...drawn, point]);
  };
  const propose = (across: boolean) => {
    try {
      const found = proposeFor({ boat, plan, filling, evaluations: makeEvaluator()(boat) }, across);
      if (found) put(found.lines.map((line) => ({ ...line, id: nanoid(6) })));
      else setRefusal('Even two dozen lines are not enough: give it longer, a warmer shop or a thinner resin');
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      setRefusal(error.text);
    }
  };
  const asked = { boat, plan, filling, cells: FINENESS[fineness] };
  const line = plan.lines.find(({ id }) => id === chosen);
  const { running, filled } = state;
  return (
    <>
      <p className="d-none d-print-block mb-1">
        {plan.name}: full within {minutes(plan.target)}, {full(plan.celsius, 'temperature')}, driven by{' '}
        {full(plan.pressure, 'pressure')}.
      </p>
      <div className="fill-columns mb-3">
        <div className="d-grid gap-2 align-content-start">
          <Card>
            <Card.Body
              onKeyDown={(event) => {
                if (drawing === null) return;
                if (event.key === 'Enter') finish();
                if (event.key === 'Escape') {
                  setDrawing(null);
                  setDrawn([]);
                }
              }}
            >
              <div className="d-flex gap-2 flex-wrap align-items-center mb-2 d-print-none">
                <ButtonGroup size="sm" aria-label="Draw on the picture">
                  {(['feed', 'vent'] as const).map((role) => (
                    <Button
                      key={role}
                      variant={drawing === role ? 'primary' : 'outline-primary'}
                      aria-pressed={drawing === role}
                      onClick={() => {
                        setDrawn([]);
                        setChosen(null);
                        setDrawing(drawing === role ? null : role);
                      }}
                    >
                      {role === 'feed' ? 'Draw a feed line' : 'Draw a vacuum line'}
                    </Button>
                  ))}
                  {drawing && (
                    <Button variant="primary" disabled={drawn.length === 0} onClick={finish}>
                      End the line
                    </Button>
                  )}
                </ButtonGroup>
                <ButtonGroup size="sm" aria-label="Lines for the time that is wanted">
                  <Button variant="outline-primary" onClick={() => propose(false)}>
                    Lay lines for {formatNumber(plan.target / 60, 0)} min
                  </Button>
                  <Button variant="outline-primary" onClick={() => propose(true)}>
                    …the other way
                  </Button>
                </ButtonGroup>
                <span className="ms-auto" />
                <Form.Select
                  size="sm"
                  className="w-auto"
                  aria-label="How fine"
                  value={fineness}
                  onChange={(event) => setFineness(event.target.value as Fineness)}
                >
                  <option value="quick">quick, to try</option>
                  <option value="fine">fine, to hold to</option>
                </Form.Select>
                {running ? (
                  <Button size="sm" variant="outline-primary" onClick={() => stopFill(plan.id, mark)}>
                    Stop
                  </Button>
                ) : (
                  <Button
                    size="sm"
                    disabled={typeof own === 'string'}
                    onClick={() => {
                      setUntil(null);
                      void runFill(plan.id, mark, asked);
                    }}
                  >
                    Fill it
                  </Button>
                )}
              </div>
              {drawing && (
                <p className="small mb-1" role="status">
                  Click on the picture, from one end to the other; click the last place again, or press Enter, to end
                  it. One click makes a point. Escape leaves it. Lines can be typed as figures below.
                </p>
              )}
              <Refusal text={refusal ?? state.refusal} onClose={() => setRefusal(null)} />
              {typeof own === 'string' && <p className="mb-1">△ {own}.</p>}
              {running === 'fill' && (
                <Progress
                  share={state.news?.filled ?? 0}
                  label={`Filling, ${formatNumber((state.news?.time ?? 0) / 60, 1)} min`}
                />
              )}
              <SkinPicture
                skin={skin}
                lines={plan.lines}
                chosen={chosen}
                drawing={drawing}
                drawn={drawn}
                front={front}
                onChoose={setChosen}
                onDraw={draw}
                onMoved={(id, points) => put(plan.lines.map((one) => (one.id === id ? { ...one, points } : one)))}
              />
              {filled && front && running === null && (
                <Form.Select
                  size="sm"
                  className="w-auto mb-1 d-print-none"
                  aria-label="What the picture shows"
                  value={shows}
                  onChange={(event) => setShows(event.target.value as typeof shows)}
                >
                  <option value="minutes">minutes until it is wet</option>
                  <option value="thickness">per cent thicker than by the vacuum, full and not yet clamped</option>
                </Form.Select>
              )}
              {filled && front && running === null && shows === 'minutes' && (
                <Form.Group controlId="fill-time" className="d-flex gap-2 align-items-center d-print-none">
                  <Form.Label className="small mb-0 text-nowrap">
                    Front at {formatNumber((until ?? front.last) / 60, 1)} min
                  </Form.Label>
                  <Form.Range
                    min={0}
                    max={front.last}
                    step={front.last / 200}
                    value={until ?? front.last}
                    onChange={(event) => {
                      const value = Number(event.target.value);
                      setUntil(value >= front.last * 0.999 ? null : value);
                    }}
                  />
                </Form.Group>
              )}
              <p className="small soft mb-0">
                {skin.half && 'One hand is drawn, the other is its mirror. '}▶ feed (⇥ opens when the front has come by,
                ◷ at a time), ○ vacuum. White lines: minutes after the first clamp. {skin.notes.join('. ')}
              </p>
            </Card.Body>
          </Card>
          {filled && <ZonesFilled filled={filled} />}
          {typeof own !== 'string' && <LinesOut plan={plan} own={own} filled={filled} onChoose={setChosen} />}
        </div>
        <div className="d-grid gap-2 align-content-start">
          <FillVerdict plan={plan} filling={filling} own={own} filled={filled} fine={fineness === 'fine'} />
          {line && (
            <LineCard
              line={line}
              onLine={(next) => put(plan.lines.map((one) => (one.id === line.id ? next : one)))}
              onRemove={() => {
                put(plan.lines.filter(({ id }) => id !== line.id));
                setChosen(null);
              }}
            />
          )}
          <Card body className="d-print-none">
            {children}
          </Card>
        </div>
      </div>
      {typeof own !== 'string' && <ResinCard own={own} filled={filled} mixing={mixing} />}
      <WhatIfCard
        plan={plan}
        filling={filling}
        state={state}
        disabled={typeof own === 'string' || running !== null}
        onRun={() => void runWhatIfs(plan.id, mark, { ...asked, cells: FINENESS.quick })}
      />
    </>
  );
}

/** Per cent at which lines are drawn. */
const THICKER = [1, 2, 4, 8, 12, 16, 20, 25];
const inMinutes = (level: number) => formatNumber(level / 60, level < 300 ? 1 : 0);

/** Times of even minutes at which lines are drawn: about ten. */
function levelsTo(last: number): number[] {
  const steps = [30, 60, 120, 300, 600, 900, 1800, 3600, 7200];
  const step = steps.find((one) => last / one <= 11) ?? 14_400;
  return Array.from({ length: Math.floor(last / step) }, (_, i) => (i + 1) * step);
}
