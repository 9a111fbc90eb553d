'use client';
import { useSyncExternalStore } from 'react';
import { day, moment } from './dates';

const never = () => () => {};

/** A moment or a day in the zone of the reader; until the page stands, as the server knows it. */
export function Moment({ iso, dayOnly = false }: { iso: string; dayOnly?: boolean }) {
  const here = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  const known = dayOnly ? iso.slice(0, 10) : iso.slice(0, 16).replace('T', ' ');
  const local = dayOnly ? day(iso) : moment(iso);
  return <time dateTime={iso}>{here ? local : known}</time>;
}
