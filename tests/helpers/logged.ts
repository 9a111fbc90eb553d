import { brant } from './merrow';
import { Diary, planOf } from './builds';
import type { BuildRecord, ReadingKind } from '@/core/build';
import { plannedOf } from '@/core/log';
import type { Fibre, Resin } from '@/core/material';
import type { KeptWeighIn } from '@/core/weight';

/** Brant 56 as a hull of it is logged: her plan, what is laid by it, and readings to write down. */
export const boat = brant();
export const plan = planOf(boat);
export const laidWith = {
  fibres: new Map(boat.materials.flatMap((one) => (one.kind === 'fibre' ? [[one.id, one as Fibre] as const] : []))),
  resin: boat.materials.find((one): one is Resin => one.kind === 'resin')!,
  process: 'handLayUp',
} as const;
export const planned = plannedOf(boat);
export const zone = planned.zones.find(({ id }) => id === 'bottom-aft')!;
export const read = (diary: Diary, what: ReadingKind, value: number, zoneId = zone.id): BuildRecord =>
  diary.note('reading', { what, value, part: 'hull', zone: zoneId, skin: '', at: null, instrument: '', note: '' });
export const weighIn = (mass: number, hull = '3'): KeptWeighIn => ({
  id: `w-${hull}`,
  hull,
  subject: 'hull',
  stage: 'bare',
  mass,
  scales: 0.5,
  day: '2026-11-30',
  note: '',
  corrects: null,
  void: false,
  author: 'T. Reed',
  at: '2026-11-30T08:00:00Z',
});
