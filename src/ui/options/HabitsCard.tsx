'use client';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { PROCESSES, type Material } from '@/core/material';
import { USUAL_HABITS, type HabitRules, type Habits, type HabitsOfYard } from '@/core/option';
import { ZONE_LOCATIONS, type ZoneLocation } from '@/core/standard';
import { api, ApiError } from '../shared/api';
import { QuantityField } from '../shared/QuantityField';
import { Refusal } from '../shared/Refusal';
import { useUnits } from '../shared/units';
import { ClothList } from './ClothList';
import { HABIT_NAMES } from './words';

interface HabitsCardProps {
  of: HabitsOfYard;
  materials: readonly Material[];
  onKept: (habits: HabitsOfYard) => void;
}

const unique = (materials: readonly Material[]) => [...new Map(materials.map((one) => [one.id, one])).values()];

/** What a yard lays with a process, and by what rules: kept for all its boats. */
export function HabitsCard({ of, materials, onKept }: HabitsCardProps) {
  const { full } = useUnits();
  const [habits, setHabits] = useState<Habits>(of.habits);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const known = unique(materials);
  const fabrics = known.filter(({ kind }) => kind === 'fabric');
  const mats = fabrics.filter(
    (one) => one.kind === 'fabric' && one.components.every(({ form }) => form === 'randomMat'),
  );
  const cores = known.filter(({ kind }) => kind === 'core');
  const coats = known.filter(({ kind }) => kind === 'coating');
  const set = (change: Partial<Habits>) => setHabits({ ...habits, ...change });
  const rule = (change: Partial<HabitRules>) => set({ rules: { ...habits.rules, ...change } });
  const { rules, core } = habits;
  const changed = JSON.stringify(habits) !== JSON.stringify(of.habits);
  const attempt = async (work: () => Promise<void>) => {
    setSaving(true);
    setRefusal(null);
    try {
      await work();
    } catch (error) {
      setRefusal(error instanceof ApiError ? error.text : 'The server could not be reached; nothing was kept');
    } finally {
      setSaving(false);
    }
  };
  const keep = () =>
    attempt(async () => {
      const next = { ...habits, core: { ...core, thicknesses: [...core.thicknesses].sort((a, b) => a - b) } };
      onKept(await api<HabitsOfYard>('PUT', `/api/habits/${of.process}`, { habits: next, version: of.version }));
    });
  const drop = () =>
    attempt(async () => {
      await api('DELETE', `/api/habits/${of.process}`);
      onKept({ process: of.process, habits: USUAL_HABITS[of.process], version: 0, own: null });
    });
  const pickMaterial = (
    label: string,
    list: readonly Material[],
    value: string | null,
    onPick: (id: string | null) => void,
  ) => (
    <Form.Group controlId={`habit-${label.replaceAll(' ', '-')}`}>
      <Form.Label className="mb-0">{label}</Form.Label>
      <Form.Select size="sm" value={value ?? ''} onChange={(event) => onPick(event.target.value || null)}>
        <option value="">none</option>
        {list.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
  const count = (
    key: 'alike' | 'mostMaterials' | 'mostDropped' | 'leastLayers' | 'mostLayers',
    most: number,
    optional: boolean,
  ) => (
    <QuantityField
      label={HABIT_NAMES[key]}
      kind="ratio"
      value={rules[key]}
      minimum={key === 'leastLayers' || key === 'mostDropped' ? 0 : 1}
      maximum={most}
      optional={optional}
      onCommit={(value) => {
        if (value !== null && !Number.isInteger(value)) return 'A whole number';
        rule({ [key]: value });
        return undefined;
      }}
    />
  );
  const tick = (key: 'inTurn' | 'symmetric' | 'balanced' | 'solidKeel') => (
    <Form.Check
      id={`habit-${key}`}
      label={HABIT_NAMES[key]}
      checked={rules[key]}
      onChange={(event) => rule({ [key]: event.target.checked })}
    />
  );
  return (
    <Card className="mb-3">
      <Card.Body>
        <div className="d-flex justify-content-between align-items-start gap-2 flex-wrap">
          <h2>
            Habits with {PROCESSES[of.process].name.toLowerCase()}{' '}
            <span className="soft fw-normal">
              {of.own ? `of the yard${of.own.author ? `, by ${of.own.author}` : ''}` : 'the usual ones'}, for all boats
            </span>
          </h2>
          <div className="d-flex gap-2">
            {of.own && (
              <Button size="sm" variant="outline-primary" disabled={saving} onClick={() => void drop()}>
                Back to the usual ones
              </Button>
            )}
            <Button size="sm" disabled={!changed || saving} onClick={() => void keep()}>
              Keep these habits
            </Button>
          </div>
        </div>
        <Refusal text={refusal} onClose={() => setRefusal(null)} />
        <div className="habit-fields">
          {pickMaterial('Coat on the mould', coats, habits.coat?.material ?? null, (id) =>
            set({ coat: id === null ? null : { material: id, thickness: habits.coat?.thickness ?? 0.0005 } }),
          )}
          {habits.coat && (
            <QuantityField
              label="Thickness of the coat"
              kind="thickness"
              value={habits.coat.thickness}
              minimum={0.00005}
              maximum={0.01}
              onCommit={(value) => set({ coat: { ...habits.coat!, thickness: value! } })}
            />
          )}
          {pickMaterial('Core', cores, core.material, (id) => {
            const chosen = cores.find((one) => one.id === id);
            if (chosen?.kind === 'core') set({ core: { material: chosen.id, thicknesses: [...chosen.thicknesses] } });
          })}
          {pickMaterial(HABIT_NAMES.hardware, cores, rules.hardware, (id) => rule({ hardware: id }))}
          {pickMaterial(HABIT_NAMES.slamming, cores, rules.slamming, (id) => rule({ slamming: id }))}
          {pickMaterial(HABIT_NAMES.tie, mats, rules.tie, (id) => rule({ tie: id }))}
          {pickMaterial(HABIT_NAMES.between, mats, rules.between, (id) => rule({ between: id }))}
          <QuantityField
            label="Lightest ply, dry"
            kind="arealWeight"
            value={rules.ply.least}
            minimum={0}
            maximum={5}
            onCommit={(value) => rule({ ply: { ...rules.ply, least: value! } })}
          />
          <QuantityField
            label="Heaviest ply, dry"
            kind="arealWeight"
            value={rules.ply.most}
            minimum={0.01}
            maximum={5}
            onCommit={(value) => rule({ ply: { ...rules.ply, most: value! } })}
          />
          {count('leastLayers', 10, false)}
          {count('mostLayers', 40, false)}
          {count('alike', 20, true)}
          {count('mostDropped', 40, true)}
          {count('mostMaterials', 20, true)}
        </div>
        <div className="habit-lists">
          <ClothList
            label="Skin coat, once over everything"
            fabrics={fabrics}
            value={habits.skin}
            least={0}
            onChange={(skin) => set({ skin })}
          />
          <ClothList
            label="Single skin, in turn"
            fabrics={fabrics}
            value={habits.single}
            onChange={(single) => set({ single })}
          />
          <ClothList
            label="Outer skin of a sandwich, from the mould"
            fabrics={fabrics}
            value={habits.outer}
            onChange={(outer) => set({ outer })}
          />
          <ClothList
            label="Inner skin of a sandwich, from the core"
            fabrics={fabrics}
            value={habits.inner}
            onChange={(inner) => set({ inner })}
          />
          <fieldset>
            <legend className="small fw-semibold mb-1">Thicknesses of the core</legend>
            {cores
              .flatMap((one) => (one.kind === 'core' && one.id === core.material ? one.thicknesses : []))
              .map((thickness) => (
                <Form.Check
                  key={thickness}
                  inline
                  id={`habit-core-${thickness}`}
                  label={full(thickness, 'thickness')}
                  checked={core.thicknesses.includes(thickness)}
                  onChange={(event) =>
                    set({
                      core: {
                        ...core,
                        thicknesses: event.target.checked
                          ? [...core.thicknesses, thickness]
                          : core.thicknesses.filter((own) => own !== thickness),
                      },
                    })
                  }
                />
              ))}
          </fieldset>
          <fieldset>
            <legend className="small fw-semibold mb-1">{HABIT_NAMES.solid}</legend>
            {(Object.entries(ZONE_LOCATIONS) as [ZoneLocation, { label: string }][]).map(([key, { label }]) => (
              <Form.Check
                key={key}
                inline
                id={`habit-solid-${key}`}
                label={label}
                checked={rules.solid.includes(key)}
                onChange={(event) =>
                  rule({
                    solid: event.target.checked ? [...rules.solid, key] : rules.solid.filter((own) => own !== key),
                  })
                }
              />
            ))}
          </fieldset>
          <fieldset>
            <legend className="small fw-semibold mb-1">Rules</legend>
            {tick('inTurn')}
            {tick('symmetric')}
            {tick('balanced')}
            {tick('solidKeel')}
          </fieldset>
        </div>
      </Card.Body>
    </Card>
  );
}
