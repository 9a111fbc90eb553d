import { format, parseISO } from 'date-fns';

/** A moment as it is read here: '27 Nov 2026, 14:05', in the zone of the reader. Empty text where there is none. */
export const moment = (iso: string): string => (iso === '' ? '' : format(parseISO(iso), 'd MMM yyyy, HH:mm'));

/** A day as it is read here: '27 Nov 2026'. */
export const day = (iso: string): string => (iso === '' ? '' : format(parseISO(iso), 'd MMM yyyy'));
