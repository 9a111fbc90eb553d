import { listArchives } from '../database/archive';
import { listBackups, type Kept } from '../database/backup';
import { NOWHERE, readPlace, type SecondPlace } from '../database/second';
import { listHappenings, type Happening } from './yardLog';

/** What is kept, where, and who did what to it. */
export interface Safekeeping {
  backups: Kept[];
  archives: Kept[];
  place: SecondPlace;
  happenings: Happening[];
}

export const safekeeping = (): Safekeeping => ({
  backups: listBackups(),
  archives: listArchives(),
  place: readPlace(),
  happenings: listHappenings(),
});

export const NOTHING_KEPT: Safekeeping = { backups: [], archives: [], place: NOWHERE, happenings: [] };
